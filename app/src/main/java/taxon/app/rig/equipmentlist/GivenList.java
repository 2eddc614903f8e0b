package taxon.app.rig.equipmentlist;

import java.util.List;
import java.util.Optional;
import taxon.core.equipmentlist.EquipmentLine;
import taxon.core.equipmentlist.EquipmentList;
import taxon.core.listing.ListReading;
import taxon.core.listing.TableRow;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Proposed;
import taxon.formats.table.TableFile;

/**
 * A list that was given, as far as it was understood.
 *
 * @param request what was said of it
 * @param table what the file turned out to be
 * @param kept the name of the mapping that its columns were read by; empty where they were guessed or said
 * @param reading its rows by their columns; empty where the file cannot be read
 * @param list what the rows become; empty where no column is known to hold the type
 */
record GivenList(
        ListRequest request, TableFile table, String kept, Optional<ListReading> reading, Optional<EquipmentList> list)
        implements Proposed {

    static GivenList unreadable(ListRequest request, TableFile.Unreadable why) {
        return new GivenList(request, why, "", Optional.empty(), Optional.empty());
    }

    List<TableRow> rows() {
        return table instanceof TableFile.Read read ? read.rows() : List.of();
    }

    List<EquipmentLine> lines() {
        return list.map(EquipmentList::lines).orElse(List.of());
    }

    int fixtures() {
        return list.map(EquipmentList::fixtures).orElse(0);
    }

    /** Why nothing of it can be added; empty when something can. */
    Optional<String> hindrance() {
        if (table instanceof TableFile.Unreadable unreadable) {
            return Optional.of(unreadable.sentence());
        }
        if (list.isEmpty()) {
            return Optional.of("No column is known to hold the type of the fixtures; say below which does.");
        }
        return fixtures() == 0
                ? Optional.of("No row of the list can be added yet; see the reasons below.")
                : Optional.empty();
    }

    @Override
    public Edit edit() {
        return list.map(EquipmentList::edit).orElseGet(() -> new Edit("Nothing added", Edit.Changed::new));
    }

    @Override
    public int staying() {
        return 0;
    }

    @Override
    public List<EquipmentLine> omissions() {
        return list.map(EquipmentList::omissions).orElse(List.of());
    }
}
