package taxon.formats.csv;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.equipmentlist.Column;
import taxon.core.equipmentlist.EquipmentRow;
import taxon.core.text.Likeness;
import taxon.formats.csv.CsvTable.Row;
import taxon.formats.csv.CsvTable.UnreadableException;
import taxon.formats.csv.EquipmentSheet.Fault;
import taxon.formats.csv.EquipmentSheet.SkipReason;
import taxon.formats.csv.EquipmentSheet.Skipped;
import taxon.formats.csv.EquipmentSheet.Understood;
import taxon.formats.csv.EquipmentSheet.Unreadable;

/**
 * Reads an equipment list out of a CSV file, whatever its encoding, separator, column order and header spelling.
 *
 * <p>The separator and the header are found together: of comma, semicolon and tab, the one under which some row of the
 * first {@value #HEADER_WITHIN} has the most known headers, a type among them. Rows above it are titles. A record without
 * a type that calls itself a total is skipped, and said to be.
 */
public final class EquipmentSheetReader {
    /** 8 MiB: ten thousand rows of 800 bytes. */
    public static final int MOST_BYTES = 8 << 20;

    static final int HEADER_WITHIN = 40;
    private static final char[] SEPARATORS = {',', ';', '\t'};
    private static final int SHOWN = 60;

    private EquipmentSheetReader() {}

    public static EquipmentSheet read(byte[] file) {
        if (file.length == 0) {
            return new Unreadable(Fault.EMPTY, "", "");
        }
        if (file.length > MOST_BYTES) {
            return new Unreadable(Fault.TOO_LARGE, Integer.toString(file.length), Integer.toString(MOST_BYTES));
        }
        Optional<TextDecoder.Decoded> decoded = TextDecoder.decode(file);
        if (decoded.isEmpty()) {
            return new Unreadable(Fault.NOT_TEXT, "", "");
        }
        if (decoded.get().text().isBlank()) {
            return new Unreadable(Fault.EMPTY, "", "");
        }
        try {
            return read(decoded.get());
        } catch (UnreadableException e) {
            return e.reason();
        }
    }

    private static EquipmentSheet read(TextDecoder.Decoded decoded) throws UnreadableException {
        Optional<Layout> layout = Optional.empty();
        for (char separator : SEPARATORS) {
            Optional<Layout> found = Layout.find(decoded.text(), separator);
            if (found.isPresent()
                    && found.get().score() > layout.map(Layout::score).orElse(0)) {
                layout = found;
            }
        }
        if (layout.isEmpty()) {
            return noHeader(decoded.text());
        }
        CsvTable table = CsvTable.read(decoded.text(), layout.get().separator(), CsvTable.MOST_ROWS + 1);
        if (table.rows().size() > CsvTable.MOST_ROWS) {
            return new Unreadable(Fault.TOO_MANY_ROWS, "", Integer.toString(CsvTable.MOST_ROWS));
        }
        return rows(decoded.encoding(), layout.get(), table);
    }

    /** No layout may also mean that every try broke off at an open quote: then that is the thing to say. */
    private static EquipmentSheet noHeader(String text) throws UnreadableException {
        CsvTable.read(text, ',', HEADER_WITHIN);
        return new Unreadable(Fault.NO_HEADER, Integer.toString(HEADER_WITHIN), HeaderWords.known());
    }

    private static EquipmentSheet rows(String encoding, Layout layout, CsvTable table) {
        List<EquipmentRow> rows = new ArrayList<>();
        List<Skipped> skipped = new ArrayList<>();
        for (Row row : table.rows()) {
            if (row.line() <= layout.headerLine() || row.isBlank()) {
                continue;
            }
            EquipmentRow read = layout.row(row);
            Optional<SkipReason> reason = skip(row, read);
            reason.ifPresentOrElse(r -> skipped.add(new Skipped(row.line(), r, words(row))), () -> rows.add(read));
        }
        return new Understood(encoding, layout.separator(), layout.headerLine(), layout.unknown(), rows, skipped);
    }

    private static Optional<SkipReason> skip(Row row, EquipmentRow read) {
        if (HeaderWords.match(read.cell(Column.TYPE))
                .filter(m -> m.column() == Column.TYPE)
                .isPresent()) {
            return Optional.of(SkipReason.HEADER_AGAIN);
        }
        boolean total = row.cells().stream().anyMatch(EquipmentSheetReader::saysTotal);
        boolean onlyQuantity = row.cells().stream().filter(c -> !c.isBlank()).count() == 1
                && !read.cell(Column.QUANTITY).isEmpty();
        boolean typeIsTotal = saysTotal(read.cell(Column.TYPE));
        return (read.cell(Column.TYPE).isEmpty() || typeIsTotal) && (total || onlyQuantity)
                ? Optional.of(SkipReason.TOTALS)
                : Optional.empty();
    }

    private static boolean saysTotal(String cell) {
        String key = Likeness.key(cell);
        return key.equals("total") || key.equals("totals") || key.equals("grandtotal") || key.equals("sum");
    }

    private static String words(Row row) {
        String words =
                String.join(" ", row.cells().stream().filter(c -> !c.isBlank()).toList());
        return words.length() > SHOWN ? words.substring(0, SHOWN) + "…" : words;
    }

    /** Where the header is and what each column holds. */
    private record Layout(char separator, int headerLine, Map<Integer, Column> columns, List<String> unknown) {

        static Optional<Layout> find(String text, char separator) {
            try {
                Optional<Layout> best = Optional.empty();
                for (Row row : CsvTable.read(text, separator, HEADER_WITHIN).rows()) {
                    Layout layout = of(separator, row);
                    if (layout.isUsable()
                            && layout.score() > best.map(Layout::score).orElse(0)) {
                        best = Optional.of(layout);
                    }
                }
                return best;
            } catch (UnreadableException notThisSeparator) {
                return Optional.empty();
            }
        }

        /** Where two headers mean one column, the plainer one is taken and the other left out. */
        private static Layout of(char separator, Row row) {
            Map<Column, Integer> best = new EnumMap<>(Column.class);
            for (int i = 0; i < row.cells().size(); i++) {
                int index = i;
                HeaderWords.match(row.cells().get(i))
                        .ifPresent(m -> best.merge(
                                m.column(), index, (old, now) -> rank(row, now) < rank(row, old) ? now : old));
            }
            Map<Integer, Column> columns = new TreeMap<>();
            best.forEach((column, index) -> columns.put(index, column));
            return new Layout(separator, row.line(), columns, unknown(row, columns));
        }

        private static int rank(Row row, int index) {
            return HeaderWords.match(row.cells().get(index)).orElseThrow().rank();
        }

        private static List<String> unknown(Row row, Map<Integer, Column> columns) {
            List<String> unknown = new ArrayList<>();
            for (int i = 0; i < row.cells().size(); i++) {
                String header = row.cells().get(i).strip();
                if (!header.isEmpty() && !columns.containsKey(i)) {
                    unknown.add(header.length() > SHOWN ? header.substring(0, SHOWN) + "…" : header);
                }
            }
            return unknown;
        }

        boolean isUsable() {
            return columns.containsValue(Column.TYPE)
                    && (columns.containsValue(Column.QUANTITY) || columns.containsValue(Column.FIRST_ID));
        }

        int score() {
            return columns.size();
        }

        EquipmentRow row(Row row) {
            Map<Column, String> cells = new EnumMap<>(Column.class);
            columns.forEach((index, column) ->
                    cells.put(column, index < row.cells().size() ? row.cells().get(index) : ""));
            return new EquipmentRow(row.line(), cells);
        }
    }
}
