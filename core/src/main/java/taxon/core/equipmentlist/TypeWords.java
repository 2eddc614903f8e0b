package taxon.core.equipmentlist;

import taxon.core.listing.Column;
import taxon.core.listing.ListRow;

/** How rows call a type and its mode. What is chosen for one row holds for all that call it the same. */
public record TypeWords(String maker, String type, String mode) {
    public static TypeWords of(ListRow row) {
        return new TypeWords(row.cell(Column.MAKER), row.cell(Column.TYPE), row.cell(Column.MODE));
    }
}
