package taxon.app.rig.table;

import java.util.List;
import taxon.app.form.Selection;
import taxon.app.frame.Marks;
import taxon.app.frame.Tints;
import taxon.core.proof.Standing;
import taxon.core.rig.PartSlots;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.RigPart;

/**
 * A row of the rig table as the page first shows it, before the table takes the keyboard.
 *
 * @param key of the fixture
 * @param part true for a cell or layer of it
 * @param cells a text for each column that is shown
 */
public record RigRow(int key, boolean part, String id, int tint, Marks standing, List<String> cells, boolean chosen) {

    /** The first rows of the table. */
    public static List<RigRow> first(Plan plan, RigTable table, List<RigPart> rows, int most, Selection selection) {
        Tints tints = Tints.of(plan);
        RowTexts texts = new RowTexts(plan);
        return rows.stream()
                .limit(most)
                .map(r -> new RigRow(
                        r.fixture().key().number(),
                        !r.isWhole(),
                        r.label(),
                        tints.of(r.fixture().type()),
                        Marks.of(standing(plan, r)),
                        table.columns().stream().map(c -> c.text(texts, r)).toList(),
                        selection.holds(r.fixture().key())))
                .toList();
    }

    /** Of the blocks in which it has slots. */
    static Standing standing(Plan plan, RigPart row) {
        return standing(
                plan,
                row.isWhole()
                        ? plan.blocksOf(row.fixture())
                        : row.slots(plan).stream().map(PartSlots::block).toList());
    }

    /** Of several blocks: stale before all, then whatever is furthest from proof. */
    public static Standing standing(Plan plan, List<PlannedBlock> blocks) {
        List<Standing> all = blocks.stream().map(b -> Standing.of(b, plan)).toList();
        return all.contains(Standing.STALE)
                ? Standing.STALE
                : all.stream().min(Standing::compareTo).orElse(Standing.UNPLACED);
    }
}
