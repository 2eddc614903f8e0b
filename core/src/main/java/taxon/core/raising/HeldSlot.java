package taxon.core.raising;

/**
 * A slot that is held.
 *
 * @param level 0 to 255
 * @param nanos since when, on the clock of the packets
 * @param who holds it
 */
public record HeldSlot(int level, long nanos, String who) {
    public HeldSlot {
        if (level < 0 || level > 255) {
            throw new IllegalArgumentException("the level " + level + " is outside 0 to 255");
        }
    }
}
