package taxon.demo;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import taxon.core.fixture.MenuSetting;
import taxon.core.fixture.MenuStep;
import taxon.core.fixture.SettingGuide;
import taxon.core.fixture.SettingGuide.TenthSwitch;

/** How the units of the invented types are set by hand; those that are missing have no menu that anybody has written down. */
final class DemoGuides {
    private static final Map<String, SettingGuide> GUIDES = Map.of(
            "fernglass-heron-380",
            new SettingGuide(
                    "",
                    steps(
                            "Setup > Control > Mode: {mode}",
                            "Setup > Control > Start: {address}",
                            "Shutters > Start: {address 2}"),
                    "Press the wheel until it beeps",
                    "mode 1, start 1, shutter module off",
                    Optional.empty(),
                    List.of(
                            new MenuSetting(
                                    "dimmer curve",
                                    "Setup > Light > Curve",
                                    "linear",
                                    List.of("linear", "square", "s-shaped")),
                            new MenuSetting(
                                    "fan", "Setup > Cooling", "by heat", List.of("by heat", "quiet", "always full"))),
                    Optional.of(2)),
            "fernglass-tern",
            new SettingGuide(
                    "",
                    steps("Control > Mode {number}", "Control > Start {address}"),
                    "Keep: yes",
                    "mode 1, start 1",
                    Optional.empty(),
                    List.of(
                            new MenuSetting(
                                    "white point", "Colour > White", "6500 K", List.of("3200 K", "5600 K", "6500 K")),
                            new MenuSetting("fan", "Cooling", "by heat", List.of("by heat", "quiet"))),
                    Optional.of(4)),
            "oxbow-dunlin",
            new SettingGuide(
                    "Receiver on, radio linked to the show's transmitter",
                    steps("Mode: {mode}", "Start: {address}"),
                    "Hold set for 3 s",
                    "mode 1, start 1, receiver off",
                    Optional.empty(),
                    List.of(),
                    Optional.of(8)),
            "brackwater-plover",
            new SettingGuide(
                    "",
                    steps(),
                    "",
                    "all switches off",
                    Optional.of(new TenthSwitch(new TreeSet<>(List.of("9-channel")))),
                    List.of(),
                    Optional.of(12)));

    private DemoGuides() {}

    private static List<MenuStep> steps(String... texts) {
        return List.of(texts).stream().map(MenuStep::new).toList();
    }

    static SettingGuide of(String type) {
        return GUIDES.getOrDefault(type, SettingGuide.NONE);
    }
}
