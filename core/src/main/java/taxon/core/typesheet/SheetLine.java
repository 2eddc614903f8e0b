package taxon.core.typesheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** One line of a type sheet, by its shape alone. */
sealed interface SheetLine {
    Pattern HEADING = Pattern.compile("(?i)(mode|block|needs|cells?|layers?|whole|personality)\\s*(?::\\s*(.*))?");
    Pattern RANGE = Pattern.compile(
            "(>)?\\s*[-–•]?\\s*(\\d{1,10})\\s*(?:-|–|—|to|\\.\\.\\.?|…|~)\\s*(\\d{1,10})\\s*[:=)]?\\s*(.*)");
    Pattern SINGLE = Pattern.compile("(>)?\\s*(\\d{1,10})\\s*[:=]\\s*(.+)");
    Pattern VALUE = Pattern.compile("(>)?\\s*(\\d{1,10})\\s+(.*\\S.*)");
    Pattern NUMBERED = Pattern.compile(
            "(?i)(?:ch\\.?|chan\\.?|channel|slot|dmx)?\\s*(\\d{1,4}(?:\\s*[,/+&]\\s*\\d{1,4}){0,3})\\s*[.:)\\t -]*\\s(?!\\s*bit)(.*\\p{L}.*)");

    /** @param word lower case */
    record Heading(String word, String rest) implements SheetLine {}

    /**
     * A range, or a channel with its slots as a range: which of the two depends on what came before.
     *
     * @param inner true for a step inside the range above
     * @param indented true when the line is set in: then it is a range
     */
    record Range(long from, long to, String text, boolean inner, boolean indented) implements SheetLine {}

    /**
     * A channel.
     *
     * @param slots as written; empty when the line names none
     * @param value the line as a single value of the channel above, where it can be one: "255 Lamp on"
     */
    record Words(List<Integer> slots, String text, Optional<Range> value) implements SheetLine {}

    static SheetLine of(String raw) {
        String line = raw.strip();
        boolean indented = !line.equals(raw.stripTrailing());
        Matcher heading = HEADING.matcher(line);
        if (heading.matches() && (heading.group(2) != null || heading.group(1).equalsIgnoreCase("whole"))) {
            String rest = heading.group(2) == null ? "" : heading.group(2).strip();
            return new Heading(heading.group(1).toLowerCase(Locale.ROOT), rest);
        }
        Matcher range = RANGE.matcher(line);
        if (range.matches()) {
            return new Range(
                    Long.parseLong(range.group(2)),
                    Long.parseLong(range.group(3)),
                    range.group(4).strip(),
                    range.group(1) != null,
                    indented);
        }
        Matcher single = SINGLE.matcher(line);
        if (single.matches() && (single.group(1) != null || Long.parseLong(single.group(2)) <= 255)) {
            long value = Long.parseLong(single.group(2));
            return new Range(value, value, single.group(3).strip(), single.group(1) != null, indented);
        }
        Matcher numbered = NUMBERED.matcher(line);
        Optional<Range> value = value(line, indented);
        return numbered.matches()
                ? new Words(numbers(numbered.group(1)), numbered.group(2).strip(), value)
                : new Words(List.of(), line, value);
    }

    private static Optional<Range> value(String line, boolean indented) {
        Matcher matcher = VALUE.matcher(line);
        if (!matcher.matches()) {
            return Optional.empty();
        }
        long value = Long.parseLong(matcher.group(2));
        return Optional.of(new Range(value, value, matcher.group(3).strip(), matcher.group(1) != null, indented));
    }

    private static List<Integer> numbers(String text) {
        List<Integer> numbers = new ArrayList<>();
        for (String number : text.split("[,/+&]")) {
            numbers.add(Integer.valueOf(number.strip()));
        }
        return numbers;
    }
}
