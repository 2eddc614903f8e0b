package taxon.core.listing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.listing.HeaderWords.Meaning;

/**
 * Guesses where the header of a table is and what its columns hold: by their words, and where a word means several things, by
 * what stands below it.
 */
public final class ColumnGuess {
    /** How far down a header is looked for. */
    public static final int HEADER_WITHIN = 40;

    private static final int LOOKED_AT = 200;

    private final List<TableRow> below;
    private final TableRow header;
    private final Map<Integer, Column> columns = new TreeMap<>();

    private ColumnGuess(TableRow header, List<TableRow> below) {
        this.header = header;
        this.below = below;
    }

    /** The best guess; without a header, and without columns, where no row reads like one. */
    public static ColumnMap of(List<TableRow> table) {
        Optional<ColumnMap> best = Optional.empty();
        for (int i = 0; i < Math.min(HEADER_WITHIN, table.size()); i++) {
            ColumnMap map = under(table, i);
            if (map.columns().size() > best.map(b -> b.columns().size()).orElse(0)) {
                best = Optional.of(map);
            }
        }
        return best.filter(ColumnGuess::isHeader).orElseGet(() -> ColumnMap.unknown(likelyHeader(table)));
    }

    /** What the columns hold when that row is the header. */
    public static ColumnMap under(List<TableRow> table, int headerIndex) {
        TableRow header = table.get(headerIndex);
        List<TableRow> below = table.subList(headerIndex + 1, Math.min(table.size(), headerIndex + 1 + LOOKED_AT));
        ColumnGuess guess = new ColumnGuess(header, below);
        guess.takeClearOnes();
        guess.takeOthers();
        return new ColumnMap(header.line(), guess.columns);
    }

    /**
     * True when the first row is no data, though none of its words may be known: in some column it is a word, and everything below
     * it is a number.
     */
    public static boolean readsLikeHeader(List<TableRow> table) {
        if (table.size() < 2) {
            return false;
        }
        TableRow first = table.get(0);
        for (int i = 0; i < first.cells().size(); i++) {
            int index = i;
            boolean word = CellLooks.hasLetter(first.cell(i)) && !CellLooks.hasDigit(first.cell(i));
            if (word && table.stream().skip(1).allMatch(r -> CellLooks.isNumeric(r.cell(index)))) {
                return true;
            }
        }
        return false;
    }

    /** One known word alone may stand in any title. */
    private static boolean isHeader(ColumnMap map) {
        return map.columns().size() > 1;
    }

    /** A row of words above a row with a number, where no word is known; 0 where none looks so. */
    private static int likelyHeader(List<TableRow> table) {
        for (int i = 0; i + 1 < Math.min(HEADER_WITHIN, table.size()); i++) {
            TableRow row = table.get(i);
            long words = row.cells().stream().filter(c -> !c.isBlank()).count();
            if (words > 1
                    && row.cells().stream().noneMatch(CellLooks::hasDigit)
                    && table.get(i + 1).cells().stream().anyMatch(CellLooks::hasDigit)) {
                return row.line();
            }
        }
        return 0;
    }

    /** Words that mean one thing; of two for one column the plainer. */
    private void takeClearOnes() {
        Map<Column, Integer> best = new EnumMap<>(Column.class);
        for (int i = 0; i < header.cells().size(); i++) {
            List<Meaning> meanings = HeaderWords.meanings(header.cell(i));
            if (meanings.size() == 1 && fits(i, meanings.get(0).column())) {
                int index = i;
                best.merge(
                        meanings.get(0).column(),
                        index,
                        (old, now) -> rank(now) < rank(old) ? Integer.valueOf(now) : old);
            }
        }
        best.forEach((column, index) -> columns.put(index, column));
    }

    private int rank(int index) {
        return HeaderWords.meanings(header.cell(index)).get(0).rank();
    }

    private void takeOthers() {
        List<Integer> open = new ArrayList<>();
        for (int i = 0; i < header.cells().size(); i++) {
            if (!columns.containsKey(i) && HeaderWords.meanings(header.cell(i)).size() > 1) {
                open.add(i);
            }
        }
        // Where two words may mean one column, the plainer one has it.
        open.sort(Comparator.comparingInt(this::firstRank));
        for (int index : open) {
            fitting(index).stream().findFirst().ifPresent(column -> columns.put(index, column));
        }
    }

    private int firstRank(int index) {
        Optional<Column> likeliest = fitting(index).stream().findFirst();
        return HeaderWords.meanings(header.cell(index)).stream()
                .filter(m -> likeliest.equals(Optional.of(m.column())))
                .mapToInt(Meaning::rank)
                .findFirst()
                .orElse(Integer.MAX_VALUE);
    }

    /** What is left for a column, the likeliest first. */
    private List<Column> fitting(int index) {
        return HeaderWords.meanings(header.cell(index)).stream()
                .map(Meaning::column)
                .filter(c -> !columns.containsValue(c) && fits(index, c))
                .sorted(Comparator.comparingInt(c -> likelihood(index, c)))
                .toList();
    }

    private int likelihood(int index, Column column) {
        return switch (column) {
            case SLOT -> 0;
            case FIRST_ID -> distinct(index) ? 1 : 5;
            case TYPE -> 2;
            case QUANTITY, MODE -> 3;
            default -> 4;
        };
    }

    private boolean fits(int index, Column column) {
        List<String> cells = cells(index);
        boolean alone = HeaderWords.meanings(header.cell(index)).size() == 1;
        return switch (column) {
            case POSITION -> !isCounting(cells);
            case TYPE -> alone || cells.isEmpty() || cells.stream().anyMatch(CellLooks::hasLetter);
            case FIRST_ID, QUANTITY -> alone || cells.stream().allMatch(CellLooks::isNumberOrRange);
            case SLOT -> alone || isBesideUniverse() && cells.stream().allMatch(CellLooks::isNumberOrRange);
            default -> true;
        };
    }

    private boolean isBesideUniverse() {
        return columns.containsValue(Column.UNIVERSE) && !columns.containsValue(Column.ADDRESS);
    }

    /** "Pos" above 1, 2, 3 … numbers the rows of an offer, it says nothing of where things hang. */
    private static boolean isCounting(List<String> cells) {
        for (int i = 0; i < cells.size(); i++) {
            if (!cells.get(i).replaceFirst("[.)]$", "").equals(Integer.toString(i + 1))) {
                return false;
            }
        }
        return cells.size() > 1;
    }

    private boolean distinct(int index) {
        List<String> cells = cells(index);
        Set<String> different = new HashSet<>(cells);
        return different.size() == cells.size();
    }

    /** What stands below the header, without empty cells and repeated headers. */
    private List<String> cells(int index) {
        return below.stream()
                .map(r -> r.cell(index))
                .filter(c -> !c.isEmpty() && !c.equals(header.cell(index)))
                .toList();
    }
}
