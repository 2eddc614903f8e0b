package taxon.app.demo;

import java.util.List;
import java.util.Set;
import taxon.core.lines.LineProposal;
import taxon.core.lines.LineWish;
import taxon.core.network.CableRules;
import taxon.core.rig.BoxPlace;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;

/** Where the two nodes of the sample stand, and the lines out of their ports. */
final class DemoLines {
    private DemoLines() {}

    static Plan draw(Plan hung) {
        Plan placed = hung.with(List.of(
                hung.box(1).orElseThrow().at(at(hung, "North quay")),
                hung.box(2).orElseThrow().at(at(hung, "Gate tower"))));
        LineProposal lines = LineProposal.of(placed, new LineWish(CableRules.USUAL, false, Set.of()));
        if (lines.edit().applyTo(placed) instanceof Edit.Changed changed) {
            return changed.plan();
        }
        throw new IllegalStateException("the sample's lines cannot be drawn");
    }

    private static BoxPlace at(Plan plan, String position) {
        return BoxPlace.at(plan.positionNamed(position).orElseThrow().number());
    }
}
