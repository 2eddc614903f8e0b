package taxon.core.setting;

import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits.OwnMenu;
import taxon.core.rig.Traits.OwnValue;
import taxon.core.text.Likeness;

/**
 * What is set in the menu of one unit otherwise, as a cell of the table reads and takes it: "white point = 5600 K (for the camera); fan =
 * quiet". Why it differs stands in brackets.
 */
public final class MenuText {
    private static final String ALLOWED =
            "setting = value and, in brackets, why, such as fan = quiet (near the choir); white point = 5600 K";

    private static final Pattern ENTRY =
            Pattern.compile("\\s*([^=;]*?[^=;\\s])\\s*=\\s*(.*?)\\s*(?:\\(([^()]*)\\))?\\s*");

    private MenuText() {}

    /** The text of what a unit has of its own. Typing it again changes nothing. */
    public static String of(OwnMenu menu) {
        return menu.values().entrySet().stream().map(MenuText::entry).collect(Collectors.joining("; "));
    }

    private static String entry(Map.Entry<String, OwnValue> one) {
        OwnValue own = one.getValue();
        boolean needsBrackets = !own.why().isEmpty() || own.value().endsWith(")");
        return one.getKey() + " = " + own.value() + (needsBrackets ? " (" + own.why() + ")" : "");
    }

    /**
     * What a text says; a setting that the type or the job knows gets the spelling that it has there.
     *
     * @throws IllegalArgumentException when it is not understood, or names a setting twice
     */
    public static OwnMenu read(Plan plan, Fixture fixture, String text) {
        if (text.isBlank()) {
            return OwnMenu.NONE;
        }
        Map<String, String> known = UnitMenu.of(plan, fixture).stream()
                .collect(Collectors.toMap(l -> Likeness.key(l.name()), UnitMenu.Line::name, (a, b) -> a));
        SortedMap<String, OwnValue> values = new TreeMap<>();
        for (String part : text.split(";", -1)) {
            Matcher entry = ENTRY.matcher(part);
            if (!entry.matches()) {
                throw new IllegalArgumentException("“" + part.strip() + "” is not " + ALLOWED);
            }
            String name = known.getOrDefault(Likeness.key(entry.group(1)), entry.group(1));
            String why = entry.group(3) == null ? "" : entry.group(3).strip();
            if (values.put(name, new OwnValue(entry.group(2), why)) != null) {
                throw new IllegalArgumentException("“" + name + "” is there twice");
            }
        }
        return new OwnMenu(values);
    }
}
