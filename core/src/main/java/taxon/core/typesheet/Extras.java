package taxon.core.typesheet;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Condition;
import taxon.core.fixture.PhysicalRange;

/**
 * What stands in square brackets behind a channel or a range, parts separated by semicolons:
 * {@code [Shutter1Strobe; 1 to 25 Hz; rest 40; when Control1 0-127]}.
 */
final class Extras {
    static final Extras NONE = new Extras();
    static final String ALLOWED =
            "an attribute, “1 to 25”, “rest 40”, “highlight 255” or “when Shutter1 0-127”, with semicolons between";

    private static final Pattern AT_END =
            Pattern.compile("^(" + Quoted.TOKEN + ".*?|.*?)\\s*\\[((?:[^\\[\\]\"]|" + Quoted.TOKEN + "|\")*+)\\]$");
    private static final Pattern PHYSICAL =
            Pattern.compile("(-?[\\d.]+(?:[eE]-?\\d+)?)\\s*(?:to|\\.\\.)\\s*(-?[\\d.]+(?:[eE]-?\\d+)?)\\s*\\D{0,12}");
    private static final Pattern VALUE = Pattern.compile("(rest|highlight) (\\d{1,10})");
    private static final Pattern WHEN = Pattern.compile("when (" + Quoted.TOKEN + "|\\S{1,60})(?: (“[^”]{1,80}”|"
            + Quoted.TOKEN + "))? (\\d{1,10})-(\\d{1,10})(?:/([1-4]))?");
    private static final Pattern ATTRIBUTE = Pattern.compile("[\\p{L}_][\\p{L}\\p{N}_() -]{0,59}");

    Optional<Attribute> attribute = Optional.empty();
    Optional<PhysicalRange> physical = Optional.empty();
    Optional<Long> rest = Optional.empty();
    Optional<Long> highlight = Optional.empty();
    Optional<Condition> condition = Optional.empty();

    /** The part that could not be read; empty when all could. */
    String unclear = "";

    private Extras() {}

    /** A line without its brackets, and what stood in them. */
    record Split(String text, Extras extras) {}

    static Split of(String line) {
        Matcher matcher = AT_END.matcher(line);
        if (!matcher.matches()) {
            return new Split(line, NONE);
        }
        Extras extras = new Extras();
        for (String part : Quoted.parts(matcher.group(2))) {
            if (!part.isBlank() && !extras.take(part.strip())) {
                extras.unclear = part.strip();
            }
        }
        return new Split(matcher.group(1).strip(), extras);
    }

    /** The attribute that a text between brackets names; empty where it means something else. */
    static String attributeIn(String text) {
        return of("x [" + text + "]").extras().attribute.map(Attribute::name).orElse("");
    }

    private boolean take(String part) {
        try {
            return takeValue(part) || takeCondition(part) || takePhysical(part) || takeAttribute(part);
        } catch (IllegalArgumentException e) {
            // Numbers that are none, and conditions whose end lies before their beginning, are as unclear as other
            // words.
            return false;
        }
    }

    private boolean takeValue(String part) {
        Matcher value = VALUE.matcher(part);
        if (!value.matches()) {
            return false;
        }
        Optional<Long> number = Optional.of(Long.valueOf(value.group(2)));
        if (value.group(1).equals("rest")) {
            rest = number;
        } else {
            highlight = number;
        }
        return true;
    }

    private boolean takeCondition(String part) {
        Matcher when = WHEN.matcher(part);
        if (!when.matches()) {
            return false;
        }
        int bytes = when.group(5) == null ? 1 : Integer.parseInt(when.group(5));
        String function = when.group(2) == null ? "" : when.group(2);
        function = function.startsWith("“") ? function.substring(1, function.length() - 1) : Quoted.plain(function);
        long from = Long.parseLong(when.group(3));
        long to = Long.parseLong(when.group(4));
        condition = Optional.of(new Condition(Attribute.of(Quoted.plain(when.group(1))), function, from, to, bytes));
        return true;
    }

    private boolean takePhysical(String part) {
        Matcher range = PHYSICAL.matcher(part);
        if (!range.matches()) {
            return false;
        }
        physical =
                Optional.of(new PhysicalRange(Double.parseDouble(range.group(1)), Double.parseDouble(range.group(2))));
        return true;
    }

    private boolean takeAttribute(String part) {
        boolean plain = ATTRIBUTE.matcher(part).matches() && !part.equals("when") && !part.startsWith("when ");
        if (!plain && !Quoted.is(part)) {
            return false;
        }
        attribute = Optional.of(Attribute.of(Quoted.plain(part)));
        return true;
    }
}
