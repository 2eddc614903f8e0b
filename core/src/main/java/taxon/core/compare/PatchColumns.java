package taxon.core.compare;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import taxon.core.listing.Column;
import taxon.core.listing.ColumnGuess;
import taxon.core.listing.ColumnMap;
import taxon.core.listing.HeaderWords;
import taxon.core.listing.TableRow;

/**
 * What the columns of a patch list hold. They are guessed as those of an equipment list are; but where each row is a fixture of its own, a
 * column "Name" of which no two cells are alike holds what fixtures are called, and not what they are.
 */
public final class PatchColumns {
    private PatchColumns() {}

    /** The best guess. */
    public static ColumnMap guess(List<TableRow> table) {
        ColumnMap guessed = ColumnGuess.of(table);
        if (guessed.has(Column.NAME)) {
            return guessed;
        }
        Map<Integer, Column> columns = new TreeMap<>(guessed.columns());
        columns.replaceAll((index, column) ->
                column == Column.TYPE && isName(table, guessed.headerLine(), index) ? Column.NAME : column);
        return new ColumnMap(guessed.headerLine(), columns);
    }

    private static boolean isName(List<TableRow> table, int headerLine, int index) {
        boolean may = table.stream()
                .filter(r -> r.line() == headerLine)
                .flatMap(r -> HeaderWords.meanings(r.cell(index)).stream())
                .anyMatch(m -> m.column() == Column.NAME);
        List<String> cells = table.stream()
                .filter(r -> r.line() > headerLine && !r.cell(index).isBlank())
                .map(r -> r.cell(index))
                .toList();
        return may && cells.size() > 1 && cells.stream().distinct().count() == cells.size();
    }
}
