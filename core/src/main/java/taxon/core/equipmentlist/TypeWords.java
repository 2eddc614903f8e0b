package taxon.core.equipmentlist;

import taxon.core.listing.Column;
import taxon.core.listing.ListRow;

/** How rows call a type and its mode. What is chosen for one row holds for all that call it the same. */
public record TypeWords(String maker, String type, String mode) {
    /** A mode that is not named is called by its footprint, where the row says that. */
    public static TypeWords of(ListRow row) {
        String mode = row.cell(Column.MODE);
        return new TypeWords(
                row.cell(Column.MAKER), row.cell(Column.TYPE), mode.isEmpty() ? row.cell(Column.FOOTPRINT) : mode);
    }
}
