package taxon.app.rig.table;

import java.util.List;
import taxon.app.edit.JobState;
import taxon.app.store.Progress;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.rig.Fixture;
import taxon.core.rigtable.CellFault;
import taxon.core.rigtable.TableWork;

/**
 * A proposal of cells as its page shows it.
 *
 * @param moves the first ones
 * @param more how many further ones there are
 */
public record CellsView(
        int id,
        String title,
        String headline,
        List<Line> moves,
        int more,
        List<String> faults,
        List<String> left,
        List<String> newPositions,
        boolean open,
        boolean applied,
        boolean current) {
    private static final int SHOWN = 400;
    private static final int TOLD = 12;

    public record Line(String who, String column, String before, String after) {
        static Line of(TableWork.Move move) {
            return new Line(move.fixture().label(), move.column().words(), move.before(), move.after());
        }
    }

    public static CellsView of(StoredProposal stored, JobState state, CellsJson.Wanted wanted, TableWork work) {
        long fixtures =
                work.moves().stream().map(m -> m.fixture().key()).distinct().count();
        int moves = work.moves().size();
        return new CellsView(
                stored.id(),
                wanted.title(),
                moves == 0
                        ? "nothing changes"
                        : (moves == 1 ? "1 cell" : moves + " cells") + " of "
                                + (fixtures == 1 ? "1 fixture" : fixtures + " fixtures"),
                work.moves().stream().limit(SHOWN).map(Line::of).toList(),
                Math.max(0, moves - SHOWN),
                work.faults().stream().limit(TOLD).map(f -> fault(state, f)).toList(),
                wanted.left(),
                work.newPositions(),
                stored.state() == Progress.OPEN,
                stored.state() == Progress.APPLIED,
                stored.baseVersion() == state.version());
    }

    private static String fault(JobState state, CellFault fault) {
        String who = state.plan()
                .fixture(fault.change().fixture())
                .map(Fixture::label)
                .orElse("no. " + fault.change().fixture());
        return who + ": " + fault.reason().sentence();
    }
}
