package taxon.core.listing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import taxon.core.listing.SkippedRow.Why;
import taxon.core.text.Likeness;

/**
 * A table read as a list.
 *
 * @param columns what its columns hold
 * @param leftOut the headers of columns that nothing is taken from
 * @param rows in their order
 * @param skipped rows below the header that are none
 */
public record ListReading(ColumnMap columns, List<String> leftOut, List<ListRow> rows, List<SkippedRow> skipped) {
    private static final int SHOWN = 60;
    private static final Set<String> TOTALS =
            Set.of("total", "totals", "grandtotal", "sum", "summe", "gesamt", "somme", "totaal", "totale", "subtotal");

    public ListReading {
        leftOut = List.copyOf(leftOut);
        rows = List.copyOf(rows);
        skipped = List.copyOf(skipped);
    }

    /** Reads a table by what is known of its columns. Blank rows are none; totals and repeated headers are skipped, and said to be. */
    public static ListReading of(List<TableRow> table, ColumnMap columns) {
        List<ListRow> rows = new ArrayList<>();
        List<SkippedRow> skipped = new ArrayList<>();
        Optional<TableRow> header = table.stream()
                .filter(r -> columns.headerLine() > 0 && r.line() == columns.headerLine())
                .findFirst();
        LaterBlocks later = LaterBlocks.of(
                header.map(TableRow::cells).orElse(List.of()), columns.columns().keySet());
        for (TableRow row : table) {
            if (row.line() <= columns.headerLine() || row.isBlank()) {
                continue;
            }
            ListRow read = columns.row(row).with(later.cells(row));
            why(row, read, header)
                    .ifPresentOrElse(w -> skipped.add(new SkippedRow(row.line(), w, words(row))), () -> rows.add(read));
        }
        return new ListReading(columns, columns.leftOut(table, later.indices()), rows, skipped);
    }

    private static Optional<Why> why(TableRow row, ListRow read, Optional<TableRow> header) {
        if (header.filter(h -> isSame(h, row)).isPresent()) {
            return Optional.of(Why.HEADER_AGAIN);
        }
        boolean total = row.cells().stream().anyMatch(ListReading::saysTotal);
        boolean onlyQuantity = row.cells().stream().filter(c -> !c.isBlank()).count() == 1
                && !read.cell(Column.QUANTITY).isEmpty();
        boolean named = !read.cell(Column.TYPE).isEmpty() && !saysTotal(read.cell(Column.TYPE));
        return !named && (total || onlyQuantity) ? Optional.of(Why.TOTALS) : Optional.empty();
    }

    private static boolean isSame(TableRow header, TableRow row) {
        return header.cells().size() == row.cells().size()
                && IntStream.range(0, row.cells().size())
                        .allMatch(i -> header.cell(i).equals(row.cell(i)));
    }

    private static boolean saysTotal(String cell) {
        return cell.length() < SHOWN && TOTALS.contains(Likeness.key(cell));
    }

    private static String words(TableRow row) {
        String words =
                String.join(" ", row.cells().stream().filter(c -> !c.isBlank()).toList());
        return words.length() > SHOWN ? words.substring(0, SHOWN) + "…" : words;
    }
}
