package taxon.app.frame;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits;
import taxon.core.setting.MenuText;

/**
 * What is special about a fixture, as its card shows and its form takes it.
 *
 * @param offset "−3.2 m" or empty
 * @param mirrors the ID of the fixture that it mirrors, or empty
 * @param parked one slot a line, "1.5 = 255 house light"
 * @param menu what is set in its menu otherwise, "fan = quiet (near the choir)"
 * @param told the sentences on the card
 */
public record CardTraits(String offset, Traits traits, String mirrors, String parked, String menu, List<String> told) {

    public static CardTraits of(Plan plan, Fixture fixture) {
        Traits traits = fixture.traits();
        Optional<Fixture> mirrored = traits.mirrors().flatMap(plan::fixture);
        String parked = traits.parked().stream()
                .map(p -> p.block() + "." + p.offset() + " = " + p.value() + " " + p.why())
                .collect(Collectors.joining("\n"));
        return new CardTraits(
                fixture.offset().map(plan.sheet().view().unit()::words).orElse(""),
                traits,
                mirrored.flatMap(Fixture::id).map(FixtureId::toString).orElse(""),
                parked,
                MenuText.of(traits.menu()),
                told(traits, mirrored));
    }

    private static List<String> told(Traits traits, Optional<Fixture> mirrored) {
        List<String> told = new ArrayList<>();
        add(told, !traits.purpose().isEmpty(), traits.purpose());
        add(told, !traits.colour().isEmpty(), "Colour: " + traits.colour());
        add(told, traits.panReversed(), "Pan reversed");
        add(told, traits.tiltReversed(), "Tilt reversed");
        add(told, traits.axesSwapped(), "Pan and tilt swapped");
        mirrored.ifPresent(m -> told.add("Mirrors " + m.label()));
        add(told, !traits.hazard().isEmpty(), "Hazard: " + traits.hazard());
        add(told, !traits.line().isEmpty(), "Line: " + traits.line());
        add(told, traits.locked(), "Locked: no proposal moves it");
        traits.parked()
                .forEach(p -> told.add("Parked: slot " + p.offset() + (p.block() > 1 ? " of block " + p.block() : "")
                        + " at " + p.value() + ", " + p.why()));
        return told;
    }

    private static void add(List<String> told, boolean isSo, String sentence) {
        if (isSo) {
            told.add(sentence);
        }
    }
}
