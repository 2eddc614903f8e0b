package taxon.app.rig.positions;

import java.util.List;
import taxon.core.arranging.ArrangingProposal;
import taxon.core.length.LengthUnit;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/**
 * Offsets as the page shows them, before they are given.
 *
 * @param unknown those that are left out, since nobody has said where they hang
 */
public record ArrangingView(List<MoveLine> moves, List<String> unknown) {
    public record MoveLine(String who, String place, String before, String after, boolean beyond) {
        static MoveLine of(Plan plan, ArrangingProposal.Move move) {
            LengthUnit unit = plan.sheet().view().unit();
            return new MoveLine(
                    move.fixture().label(),
                    plan.position(move.fixture()).name(),
                    move.before().map(unit::words).orElse("none"),
                    unit.words(move.after()),
                    move.beyond());
        }
    }

    static ArrangingView of(Plan plan, ArrangingProposal proposal) {
        return new ArrangingView(
                proposal.moves().stream().map(m -> MoveLine.of(plan, m)).toList(),
                proposal.unknown().stream().map(Fixture::label).toList());
    }
}
