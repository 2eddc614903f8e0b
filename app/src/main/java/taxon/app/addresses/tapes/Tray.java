package taxon.app.addresses.tapes;

import java.util.ArrayList;
import java.util.List;
import java.util.function.ToIntFunction;
import taxon.app.form.Selection;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Unplaced;
import taxon.core.text.Counted;

/**
 * What has no address yet, laid out above the tapes in the order of the fixtures, each as long as it is on a tape.
 *
 * @param height in pixels, with the words; 0 where all have an address
 * @param open how many blocks have none, shown or not
 */
public record Tray(int height, List<Block> blocks, int open) {
    static final Tray NONE = new Tray(0, List.of(), 0);

    private static final int WORDS = 22;
    private static final int ROW = 36;
    private static final int ROWS = 3;
    private static final double RIGHT = Tape.x(513);
    private static final double GAP = 4;
    private static final double LETTER = 7.1;

    /** One block; y counts from the top of the tray. */
    public record Block(
            double x,
            int y,
            double width,
            int key,
            int block,
            int length,
            String label,
            int tint,
            boolean chosen,
            String title) {}

    public Tray {
        blocks = List.copyOf(blocks);
    }

    static Tray of(Plan plan, ToIntFunction<PlannedBlock> tints, Selection selection) {
        List<PlannedBlock> open = Unplaced.blocks(plan);
        List<Block> laid = new ArrayList<>();
        double x = Tape.LEFT;
        int row = 0;
        for (PlannedBlock block : open) {
            double width = Math.max(
                    block.footprint() * Tape.SLOT, block.fixture().label().length() * LETTER + 10);
            if (x + width > RIGHT && x > Tape.LEFT) {
                x = Tape.LEFT;
                row++;
            }
            if (row == ROWS) {
                break;
            }
            laid.add(block(block, x, WORDS + row * ROW, width, tints.applyAsInt(block), selection));
            x += width + GAP;
        }
        int rows = laid.isEmpty() ? 0 : (laid.get(laid.size() - 1).y() - WORDS) / ROW + 1;
        return open.isEmpty() ? NONE : new Tray(WORDS + rows * ROW + 10, laid, open.size());
    }

    private static Block block(PlannedBlock block, double x, int y, double width, int tint, Selection selection) {
        return new Block(
                x,
                y,
                width,
                block.fixture().key().number(),
                block.ref().block(),
                block.footprint(),
                block.fixture().label(),
                tint,
                selection.holds(block.fixture().key()),
                block.label() + " " + block.type().fullName() + ", " + Counted.of(block.footprint(), "slot")
                        + ", no address yet");
    }
}
