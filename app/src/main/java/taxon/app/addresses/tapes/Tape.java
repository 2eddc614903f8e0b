package taxon.app.addresses.tapes;

import java.util.List;
import taxon.app.frame.Marks;

/**
 * One universe as a strip of 512 slots, to scale. Lengths in pixels, across from the left of the drawing.
 *
 * @param used "412 used"
 * @param lit where what is chosen may begin
 */
public record Tape(
        int y,
        int universe,
        String name,
        String used,
        List<Box> boxes,
        List<Run> reserved,
        List<Run> free,
        List<Run> lit,
        List<Caption> captions,
        List<Clash> clashes,
        List<Parked> parked) {

    static final int PITCH = 62;
    static final int LEFT = 118;
    static final double SLOT = 1.62;

    /** The left edge of a slot. */
    public static double x(int slot) {
        return LEFT + (slot - 1) * SLOT;
    }

    /** @param label empty where it does not fit */
    public record Box(
            double x,
            double width,
            int key,
            int block,
            int first,
            int length,
            String label,
            int tint,
            boolean chosen,
            boolean showsMark,
            Marks standing,
            boolean locked,
            String title) {
        public double markX() {
            return x + width - 8;
        }
    }

    public record Run(double x, double width, String label) {
        public double middle() {
            return x + width / 2;
        }
    }

    /** Words above the tape. */
    public record Caption(double x, String words, boolean isClash) {}

    /** A slot that holds a value. */
    public record Parked(double x, String title) {}

    /** Slots that two take. */
    public record Clash(double x, double width) {}
}
