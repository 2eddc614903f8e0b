package taxon.core.listing;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.regex.Pattern;
import taxon.core.listing.NumberDoubt.Answer;
import taxon.core.listing.NumberDoubt.Kind;

/**
 * How the numbers of one list are written: what its columns say of themselves, and what was answered where they leave it open.
 */
public final class NumberHabits {
    private static final int EXAMPLES = 3;
    private static final Set<Column> WHOLE = EnumSet.of(Column.QUANTITY, Column.FIRST_ID, Column.UNIVERSE);
    private static final Pattern SHORT_PAIR = Pattern.compile("\\d{1,5}[.,]\\d{1,2}");
    private static final Pattern WHOLE_WITH_DECIMALS = Pattern.compile("(\\d{1,9})[.,]0{1,2}");
    private static final Pattern COMMA_PAIR = Pattern.compile("\\d{1,5},\\d{1,3}");
    private static final Pattern COMMA_AND_THREE = Pattern.compile("[1-9]\\d{0,2},\\d{3}");
    private static final Pattern COMMA_THOUSANDS = Pattern.compile("[1-9]\\d{0,2}(?:,\\d{3})*,000");

    private final List<NumberDoubt> doubts;
    private final Map<NumberDoubt.Key, Answer> known;

    private NumberHabits(List<NumberDoubt> doubts, Map<NumberDoubt.Key, Answer> known) {
        this.doubts = List.copyOf(doubts);
        this.known = Map.copyOf(known);
    }

    /** @param answers to what the columns leave open; others are of no account */
    public static NumberHabits of(List<ListRow> rows, Map<NumberDoubt.Key, Answer> answers) {
        List<NumberDoubt> doubts = new ArrayList<>();
        Map<NumberDoubt.Key, Answer> known = new HashMap<>();
        for (Column column : WHOLE) {
            thousands(column, rows, doubts, known);
        }
        thousands(Column.ADDRESS, rows, doubts, known);
        commas(rows, doubts, known);
        zeros(rows, doubts);
        doubts.forEach(d -> Optional.ofNullable(answers.get(d.key())).ifPresent(a -> known.put(d.key(), a)));
        return new NumberHabits(doubts, known);
    }

    /** What has to be asked, answered or not. */
    public List<NumberDoubt> doubts() {
        return doubts;
    }

    /** What was answered, or is plain from the column. */
    public Optional<Answer> answer(Column column, Kind kind) {
        return Optional.ofNullable(known.get(new NumberDoubt.Key(column, kind)));
    }

    /** What a cell was read as. */
    public sealed interface Whole permits Figure, Unclear, NoNumber {}

    public record Figure(long value) implements Whole {}

    /** Nobody has said yet how the column is to be read. */
    public record Unclear(Kind kind) implements Whole {}

    public record NoNumber() implements Whole {}

    /** Reads a cell of whole numbers. */
    public Whole whole(Column column, String cell) {
        Optional<Answer> answer = answer(column, Kind.POINT_OF_THOUSANDS);
        if (NumberText.isThousandOrOne(cell) && column != Column.SLOT && answer.isEmpty()) {
            return new Unclear(Kind.POINT_OF_THOUSANDS);
        }
        OptionalLong number = NumberText.whole(cell, answer.equals(Optional.of(Answer.OTHER)));
        return number.isPresent() ? new Figure(number.getAsLong()) : new NoNumber();
    }

    /**
     * An address cell as {@code taxon.core.dmx.AddressText} takes it: the habits of table programs taken back.
     *
     * @return empty while nobody has said how the column is to be read
     */
    public Optional<String> address(String cell) {
        String text = cell.strip();
        if (COMMA_THOUSANDS.matcher(text).matches()) {
            return Optional.of(text.replace(",", ""));
        }
        if (NumberText.isThousandOrOne(text)) {
            return answer(Column.ADDRESS, Kind.POINT_OF_THOUSANDS)
                    .map(a -> a == Answer.OTHER ? text.replace(".", "") : text.substring(0, text.indexOf('.')));
        }
        if (WHOLE_WITH_DECIMALS.matcher(text).matches()) {
            return Optional.of(text.split("[.,]", -1)[0]);
        }
        if (COMMA_AND_THREE.matcher(text).matches()) {
            return answer(Column.ADDRESS, Kind.COMMA_OF_ADDRESS)
                    .map(a -> a == Answer.PLAIN ? text.replace(",", "") : text.replace(',', '.'));
        }
        String pointed = COMMA_PAIR.matcher(text).matches() ? text.replace(',', '.') : text;
        return SHORT_PAIR.matcher(pointed).matches() && isAskedAboutZeros()
                ? answer(Column.ADDRESS, Kind.LOST_ZEROS)
                        .map(a -> a == Answer.OTHER ? NumberText.filled(pointed) : pointed)
                : Optional.of(pointed);
    }

    private boolean isAskedAboutZeros() {
        return doubts.stream().anyMatch(d -> d.kind() == Kind.LOST_ZEROS);
    }

    private static List<String> cells(List<ListRow> rows, Column column) {
        return rows.stream().map(r -> r.cell(column)).filter(c -> !c.isEmpty()).toList();
    }

    private static void thousands(
            Column column, List<ListRow> rows, List<NumberDoubt> doubts, Map<NumberDoubt.Key, Answer> known) {
        List<String> cells = cells(rows, column);
        List<String> open = first(cells, NumberText::isThousandOrOne);
        if (open.isEmpty()) {
            return;
        }
        if (column != Column.ADDRESS && cells.stream().anyMatch(NumberText::isCertainlyThousands)) {
            known.put(new NumberDoubt.Key(column, Kind.POINT_OF_THOUSANDS), Answer.OTHER);
        } else {
            doubts.add(new NumberDoubt(column, Kind.POINT_OF_THOUSANDS, open, Answer.PLAIN));
        }
    }

    /** A comma before one or two digits can be no thousand: then all commas of the column part universe and slot. */
    private static void commas(List<ListRow> rows, List<NumberDoubt> doubts, Map<NumberDoubt.Key, Answer> known) {
        List<String> cells = cells(rows, Column.ADDRESS);
        List<String> open = first(
                cells,
                c -> COMMA_AND_THREE.matcher(c).matches()
                        && !COMMA_THOUSANDS.matcher(c).matches());
        if (open.isEmpty()) {
            return;
        }
        boolean pairs = cells.stream()
                .anyMatch(c -> COMMA_PAIR.matcher(c).matches()
                        && !COMMA_AND_THREE.matcher(c).matches()
                        && !WHOLE_WITH_DECIMALS.matcher(c).matches());
        if (pairs) {
            known.put(new NumberDoubt.Key(Column.ADDRESS, Kind.COMMA_OF_ADDRESS), Answer.OTHER);
        } else {
            boolean thousands =
                    cells.stream().anyMatch(c -> COMMA_THOUSANDS.matcher(c).matches());
            doubts.add(new NumberDoubt(
                    Column.ADDRESS, Kind.COMMA_OF_ADDRESS, open, thousands ? Answer.PLAIN : Answer.OTHER));
        }
    }

    private static void zeros(List<ListRow> rows, List<NumberDoubt> doubts) {
        List<String> cells = cells(rows, Column.ADDRESS).stream()
                .map(c -> Objects.requireNonNull(c).replace(',', '.'))
                .toList();
        ShortenedPairs.doubt(cells)
                .ifPresent(likely -> doubts.add(new NumberDoubt(
                        Column.ADDRESS, Kind.LOST_ZEROS, first(cells, ShortenedPairs::isShort), likely)));
    }

    private static List<String> first(List<String> cells, java.util.function.Predicate<String> which) {
        return cells.stream().filter(which).distinct().limit(EXAMPLES).toList();
    }

    /** True for what a table program makes of "1/7": a date. */
    public static boolean looksLikeDate(String cell) {
        return NumberText.looksLikeDate(cell);
    }
}
