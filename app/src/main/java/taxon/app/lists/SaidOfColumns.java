package taxon.app.lists;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.app.form.Fields;
import taxon.core.listing.Column;
import taxon.core.listing.ColumnGuess;
import taxon.core.listing.ColumnMap;
import taxon.core.listing.KeptMapping;
import taxon.core.listing.TableRow;
import taxon.core.text.Texts;

/** What a form says of the sheet, the header and the columns of a list. What it does not name stays as it was. */
public final class SaidOfColumns {
    private static final Pattern COLUMN = Pattern.compile("column-(\\d{1,3})");

    private final Fields fields;
    private final Supplier<Table> table;
    private Optional<KeptMapping> toKeep = Optional.empty();

    /** The rows, and the line of the header as it is taken now, 0 for none. */
    public record Table(List<TableRow> rows, int headerLine) {}

    /** @param table as it was understood before; asked for only where it matters */
    public SaidOfColumns(Fields fields, Supplier<Table> table) {
        this.fields = fields;
        this.table = table;
    }

    /** What the columns hold, where it is to be kept by a name. */
    public Optional<KeptMapping> toKeep() {
        return toKeep;
    }

    /** True when the form chooses another sheet, of which nothing else that it says holds. */
    public boolean isOtherSheet(ListLook before, Map<String, String[]> form) {
        return form.containsKey("sheet") && !fields.text("sheet").equals(before.sheet());
    }

    /** How the list is looked at now. */
    public ListLook applyTo(ListLook before, Map<String, String[]> form) {
        if (isOtherSheet(before, form)) {
            return before.onSheet(fields.raw("sheet"));
        }
        if (form.containsKey("kept")) {
            return before.keptBy(fields.text("kept"));
        }
        return form.containsKey("header") ? columns(before, form) : before;
    }

    private ListLook columns(ListLook before, Map<String, String[]> form) {
        Optional<Integer> header = fields.number("header", "line of the header", 0, 999_999);
        if (header.isEmpty()) {
            return before;
        }
        Table given = table.get();
        if (header.get() != given.headerLine()) {
            return before.with(guessed(given.rows(), header.get()));
        }
        Map<Integer, Column> columns = new TreeMap<>();
        form.forEach((name, values) -> {
            Matcher column = COLUMN.matcher(name);
            if (column.matches() && !values[0].isBlank()) {
                fields.choice(name, Column.class, Column.NOTE)
                        .ifPresent(c -> put(columns, Integer.parseInt(column.group(1)), c));
            }
        });
        if (fields.isFaulty()) {
            return before;
        }
        ColumnMap map = new ColumnMap(header.get(), columns);
        if (fields.has("keepAs")) {
            fields.build("keepAs", () -> Texts.requireLine("name", fields.text("keepAs"), KeptMapping.LONGEST_NAME));
            toKeep = Optional.of(KeptMapping.of(fields.text("keepAs"), given.rows(), map));
        }
        return before.with(map);
    }

    private void put(Map<Integer, Column> columns, int index, Column column) {
        if (columns.containsValue(column)) {
            fields.refuse("header", "Two columns cannot both hold the " + column.words() + ".");
        } else {
            columns.put(index, column);
        }
    }

    private static ColumnMap guessed(List<TableRow> rows, int line) {
        for (int i = 0; i < rows.size(); i++) {
            if (rows.get(i).line() == line) {
                return ColumnGuess.under(rows, i);
            }
        }
        return ColumnMap.unknown(0);
    }
}
