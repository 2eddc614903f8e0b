package taxon.app.rig.table;

import java.util.List;
import taxon.app.form.Selection;
import taxon.app.frame.Marks;
import taxon.app.frame.Tints;
import taxon.core.proof.Standing;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/**
 * A row of the rig table as the page first shows it, before the table takes the keyboard.
 *
 * @param cells a text for each column that is shown
 */
public record RigRow(int key, String id, int tint, Marks standing, List<String> cells, boolean chosen) {

    /** The first rows of the table. */
    public static List<RigRow> first(Plan plan, RigTable table, List<Fixture> fixtures, int most, Selection selection) {
        Tints tints = Tints.of(plan);
        return fixtures.stream()
                .limit(most)
                .map(f -> new RigRow(
                        f.key().number(),
                        f.label(),
                        tints.of(f.type()),
                        Marks.of(standing(plan, plan.blocksOf(f))),
                        table.columns().stream().map(c -> c.text(plan, f)).toList(),
                        selection.holds(f.key())))
                .toList();
    }

    /** Of several blocks: stale before all, then whatever is furthest from proof. */
    public static Standing standing(Plan plan, List<PlannedBlock> blocks) {
        List<Standing> all = blocks.stream().map(b -> Standing.of(b, plan)).toList();
        return all.contains(Standing.STALE)
                ? Standing.STALE
                : all.stream().min(Standing::compareTo).orElse(Standing.UNPLACED);
    }
}
