package taxon.core.equipmentlist;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;

/**
 * One row of an equipment list, as it stood there.
 *
 * @param line the line of the file on which the row begins, from 1
 * @param cells stripped; a column that the list lacks is not in it
 */
public record EquipmentRow(int line, Map<Column, String> cells) {
    public EquipmentRow {
        Map<Column, String> copy = new EnumMap<>(Column.class);
        cells.forEach((column, cell) -> copy.put(column, cell.strip()));
        cells = Collections.unmodifiableMap(copy);
    }

    /** True when the list has this column at all. */
    public boolean has(Column column) {
        return cells.containsKey(column);
    }

    /** The cell, empty when the list lacks the column. */
    public String cell(Column column) {
        return cells.getOrDefault(column, "");
    }
}
