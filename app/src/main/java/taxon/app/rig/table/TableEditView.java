package taxon.app.rig.table;

import java.util.List;
import taxon.core.rigtable.TableWork;

/**
 * A proposal of cells as its page shows it.
 *
 * @param moves the first ones
 * @param more how many further ones there are
 */
public record TableEditView(
        List<Line> moves, int more, List<String> faults, List<String> left, List<String> newPositions) {
    private static final int SHOWN = 400;
    private static final int TOLD = 12;

    public record Line(String who, String column, String before, String after) {
        static Line of(TableWork.Move move) {
            return new Line(move.row().label(), move.column().words(), move.before(), move.after());
        }
    }

    static TableEditView of(TableEditJson.Wanted wanted, TableWork work) {
        return new TableEditView(
                work.moves().stream().limit(SHOWN).map(Line::of).toList(),
                Math.max(0, work.moves().size() - SHOWN),
                work.faults().stream()
                        .limit(TOLD)
                        .map(f -> f.who() + ": " + f.reason().sentence())
                        .toList(),
                wanted.left(),
                work.newPositions());
    }

    /** "400 cells of 200 fixtures". */
    static String changes(TableWork work) {
        long fixtures =
                work.moves().stream().map(m -> m.fixture().key()).distinct().count();
        int moves = work.moves().size();
        return moves == 0
                ? "nothing changes"
                : (moves == 1 ? "1 cell" : moves + " cells") + " of "
                        + (fixtures == 1 ? "1 fixture" : fixtures + " fixtures");
    }
}
