package taxon.core.typesheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.core.fixture.AttributeWords;
import taxon.core.fixture.Levels;
import taxon.core.typesheet.SheetFinding.Kind;

/**
 * A table as it is copied from a manual, cells divided by tabs: a column of slots for each mode, the channels' names, their
 * values and what these do. It is turned into the lines of a sheet.
 */
final class TabbedTable {
    private static final int FEWEST_CELLS = 3;
    private static final Pattern SLOT = Pattern.compile("(?i)(?:ch\\.?\\s*)?\\d{1,3}(?:\\s*[,/+&–-]\\s*\\d{1,3}){0,3}");
    private static final Pattern VALUES =
            Pattern.compile("\\d{1,5}\\s*(?:-|–|—|to|\\.\\.\\.?|…|~)\\s*\\d{1,5}|\\d{1,5}");
    private static final Pattern RUN = Pattern.compile("\\d{1,5}\\s*(?:-|–|—|to|\\.\\.\\.?|…|~)\\s*\\d{1,5}");
    private static final Pattern PERCENT = Pattern.compile(".*\\d\\s*%.*");
    // Words of the heads of such tables in manuals (common practice).
    private static final Set<String> VALUE_WORDS = Set.of(
            "value",
            "values",
            "dmx",
            "dmxvalue",
            "dmxvalues",
            "range",
            "dec",
            "decimal",
            "wert",
            "werte",
            "dmxwert",
            "valeur",
            "valeurs",
            "valor",
            "valore");
    private static final Set<String> REST_WORDS = Set.of("default", "defaultvalue", "standard", "defaut", "grundwert");

    private final List<List<String>> rows;
    private final List<Integer> numbers;
    private final List<String> head;
    private final List<Integer> slots = new ArrayList<>();
    private final List<Integer> texts = new ArrayList<>();
    private Optional<Integer> values = Optional.empty();
    private Optional<Integer> rest = Optional.empty();

    /** A line of a sheet and where it comes from, counted from 1. */
    record Line(String text, int number) {}

    private TabbedTable(List<List<String>> rows, List<Integer> numbers) {
        boolean hasHead = rows.get(0).stream()
                .noneMatch(c -> SLOT.matcher(c).matches() || RUN.matcher(c).matches());
        head = hasHead ? rows.get(0) : List.of();
        this.rows = hasHead ? rows.subList(1, rows.size()) : rows;
        this.numbers = hasHead ? numbers.subList(1, numbers.size()) : numbers;
        columns();
    }

    /** All lines, those of tables of three columns and more as lines of a sheet; what of a table cannot be one is told. */
    static List<Line> unfolded(List<String> lines, Consumer<SheetFinding> findings) {
        List<Line> unfolded = new ArrayList<>();
        for (int from = 0; from < lines.size(); ) {
            int to = from;
            while (to < lines.size() && cells(lines.get(to)).size() >= FEWEST_CELLS) {
                to++;
            }
            Optional<TabbedTable> table = to - from > 1 ? table(lines.subList(from, to), from) : Optional.empty();
            if (table.isPresent()) {
                unfolded.addAll(table.get().lines(findings));
            } else {
                to = Math.max(to, from + 1);
                for (int i = from; i < to; i++) {
                    unfolded.add(new Line(lines.get(i), i + 1));
                }
            }
            from = to;
        }
        return unfolded;
    }

    private static List<String> cells(String line) {
        return line.isBlank() || line.contains("\"")
                ? List.of()
                : List.of(line.split("\t", -1)).stream().map(String::strip).toList();
    }

    /** Empty for lines that no column of slots makes a table. */
    private static Optional<TabbedTable> table(List<String> lines, int before) {
        List<Integer> numbers =
                IntStream.rangeClosed(before + 1, before + lines.size()).boxed().toList();
        TabbedTable table =
                new TabbedTable(lines.stream().map(TabbedTable::cells).toList(), numbers);
        return table.slots.isEmpty() ? Optional.empty() : Optional.of(table);
    }

    private void columns() {
        int width = rows.stream().mapToInt(List::size).max().orElse(0);
        for (int column = 0; column < width; column++) {
            String title = title(column).toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}]", "");
            if (REST_WORDS.contains(title)) {
                rest = Optional.of(column);
            } else if (values.isEmpty() && holdsValues(column, title)) {
                values = Optional.of(column);
            } else if (mostly(column, SLOT) && rises(column) && noneSpans(column)) {
                slots.add(column);
            } else if (!mostly(column, PERCENT)) {
                texts.add(column);
            }
        }
    }

    private String title(int column) {
        return column < head.size() ? head.get(column) : "";
    }

    private String cell(List<String> row, int column) {
        return column < row.size() ? row.get(column) : "";
    }

    private List<String> filled(int column) {
        return rows.stream().map(r -> cell(r, column)).filter(c -> !c.isEmpty()).toList();
    }

    private boolean mostly(int column, Pattern shape) {
        List<String> filled = filled(column);
        long fitting = filled.stream().filter(shape.asMatchPredicate()).count();
        return fitting > 0 && 2 * fitting > filled.size();
    }

    private boolean holdsValues(int column, String title) {
        return VALUE_WORDS.contains(title) && mostly(column, VALUES) || mostly(column, RUN) && !noneSpans(column);
    }

    /** True when no cell is a run of more numbers than a channel has slots, or begins at nought, as runs of values do. */
    private boolean noneSpans(int column) {
        return filled(column).stream().filter(RUN.asMatchPredicate()).noneMatch(c -> {
            int[] ends = ends(c);
            return ends[0] == 0 || ends[1] - ends[0] >= Levels.MOST_BYTES;
        });
    }

    private static int[] ends(String run) {
        return Pattern.compile("\\D+")
                .splitAsStream(run)
                .mapToInt(Integer::parseInt)
                .toArray();
    }

    /** True when its first numbers go up all along, as slots do and values do not. */
    private boolean rises(int column) {
        List<Integer> numbers = filled(column).stream()
                .filter(SLOT.asMatchPredicate())
                .map(c -> Integer.valueOf(c.replaceAll("^\\D*(\\d+).*$", "$1")))
                .toList();
        return IntStream.range(1, numbers.size()).allMatch(i -> numbers.get(i) > numbers.get(i - 1));
    }

    private List<Line> lines(Consumer<SheetFinding> findings) {
        List<Line> lines = new ArrayList<>();
        for (int column : slots) {
            boolean several = slots.size() > 1;
            if (several) {
                lines.add(new Line("Mode: " + (title(column).isEmpty() ? "" : title(column)), numbers.get(0)));
            }
            lines.addAll(lines(column, column == slots.get(0) ? findings : finding -> {}));
        }
        return lines;
    }

    /** The lines of the mode whose slots stand in a column. */
    private List<Line> lines(int column, Consumer<SheetFinding> findings) {
        List<Line> lines = new ArrayList<>();
        boolean inChannel = false;
        for (int i = 0; i < rows.size(); i++) {
            List<String> row = rows.get(i);
            int number = numbers.get(i);
            String slot = cell(row, column);
            boolean isChannel = SLOT.matcher(slot).matches();
            boolean isOther = !isChannel
                    && slots.stream().anyMatch(c -> SLOT.matcher(cell(row, c)).matches());
            inChannel = isChannel || inChannel && !isOther;
            if (isChannel) {
                lines.add(new Line(slots(slot) + " " + name(row) + rest(row), number));
            }
            String run = values.map(v -> cell(row, v))
                    .filter(VALUES.asMatchPredicate())
                    .orElse("");
            if (!run.isEmpty() && inChannel) {
                if (!(isChannel && isWhole(run) && saysNoMore(row))) {
                    lines.add(new Line("  " + span(run) + " " + description(row), number));
                }
            } else if (run.isEmpty() && !isChannel && !isOther) {
                row.stream()
                        .filter(Predicate.not(String::isEmpty))
                        .findFirst()
                        .ifPresent(text -> findings.accept(new SheetFinding(Kind.ROW_NOT_READ, number, "", text, "")));
            }
        }
        return lines;
    }

    /** "5-7" as "5, 6, 7". */
    private static String slots(String cell) {
        String bare = cell.replaceAll("(?i)^ch\\.?\\s*", "");
        if (!RUN.matcher(bare).matches()) {
            return bare.replaceAll("\\s*[,/+&–-]\\s*", ", ");
        }
        int[] ends = ends(bare);
        return IntStream.rangeClosed(ends[0], ends[1]).mapToObj(String::valueOf).collect(Collectors.joining(", "));
    }

    private static String span(String cell) {
        return RUN.matcher(cell).matches() ? cell : cell + "-" + cell;
    }

    private String name(List<String> row) {
        return texts.stream()
                .map(c -> cell(row, c))
                .filter(t -> !t.isEmpty())
                .findFirst()
                .orElse(SheetWriter.UNUSED);
    }

    private String rest(List<String> row) {
        return rest.map(c -> cell(row, c))
                .filter(t -> t.matches("\\d{1,10}"))
                .map(t -> " = " + t)
                .orElse("");
    }

    /** What the values do: the last text of a row. */
    private String description(List<String> row) {
        return texts.stream().map(c -> cell(row, c)).filter(t -> !t.isEmpty()).reduce("", (first, last) -> last);
    }

    /** True of "0-255" behind a channel of which only the name is said, or behind a fine one, whose values are the coarse one's. */
    private boolean saysNoMore(List<String> row) {
        String name = name(row);
        return description(row).equals(name) || AttributeWords.read(name).width() > 1;
    }

    private static boolean isWhole(String run) {
        return RUN.matcher(run).matches() && ends(run)[0] == 0 && ends(run)[1] == Levels.most(1);
    }
}
