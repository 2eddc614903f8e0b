package taxon.core.setting;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.MenuSetting;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.RigType;
import taxon.core.rig.Traits.OwnValue;
import taxon.core.text.Likeness;
import taxon.core.text.Texts;

/** What is to be set in the menu of one unit besides address and mode: its own value before that of its type. */
public final class UnitMenu {
    private UnitMenu() {}

    /**
     * A setting as this unit shall have it.
     *
     * @param value empty where nobody asks for any
     * @param path where it is found; empty where nobody knows
     * @param factory what it is when it leaves the factory; empty where nobody knows
     * @param own what is said of this unit alone, where anything is
     */
    public record Line(String name, String value, String path, String factory, Optional<OwnValue> own) {
        /** True when somebody has to set it. */
        public boolean isAsked() {
            return !value.isEmpty();
        }

        /** As far as is known: what is asked for, or what the factory set. */
        public String effective() {
            return value.isEmpty() ? factory : value;
        }
    }

    /** All settings of a unit: those that its type is known to have first, then others that the job names. */
    public static List<Line> of(Plan plan, Fixture fixture) {
        FixtureType type = plan.type(fixture);
        Map<String, String> wanted = byKey(RigType.menu(plan, type.id()).values());
        Map<String, OwnValue> own = byKey(fixture.traits().menu().values());
        Map<String, MenuSetting> known = new LinkedHashMap<>();
        type.facts().guide().menu().forEach(s -> known.put(Likeness.key(s.name()), s));
        RigType.menu(plan, type.id()).values().keySet().forEach(n -> known.putIfAbsent(Likeness.key(n), unknown(n)));
        fixture.traits().menu().values().keySet().forEach(n -> known.putIfAbsent(Likeness.key(n), unknown(n)));
        List<Line> lines = new ArrayList<>();
        known.forEach((key, setting) -> {
            Optional<OwnValue> itsOwn = Optional.ofNullable(own.get(key));
            String value = itsOwn.map(OwnValue::value).orElse(wanted.getOrDefault(key, ""));
            lines.add(new Line(setting.name(), value, setting.path(), setting.factory(), itsOwn));
        });
        return List.copyOf(lines);
    }

    /** What is asked for of one unit, in words: "fan = quiet; white point = 5600 K"; empty where nothing is. */
    public static String asked(Plan plan, Fixture fixture) {
        String words = of(plan, fixture).stream()
                .filter(Line::isAsked)
                .map(l -> l.name() + " = " + l.value())
                .collect(Collectors.joining("; "));
        return Texts.clip(words, BlockEvidence.LONGEST_MENU);
    }

    private static MenuSetting unknown(String name) {
        return new MenuSetting(name, "", "", List.of());
    }

    private static <V> Map<String, V> byKey(Map<String, V> values) {
        Map<String, V> byKey = new LinkedHashMap<>();
        values.forEach((name, value) -> byKey.put(Likeness.key(name), value));
        return byKey;
    }
}
