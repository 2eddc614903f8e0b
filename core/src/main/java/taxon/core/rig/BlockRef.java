package taxon.core.rig;

import java.util.Comparator;

/**
 * Names one block of one fixture.
 *
 * @param block counted from 1 in the order of the mode
 */
public record BlockRef(FixtureKey fixture, int block) implements Comparable<BlockRef> {
    private static final Comparator<BlockRef> ORDER =
            Comparator.comparing(BlockRef::fixture).thenComparingInt(BlockRef::block);

    public BlockRef {
        if (block < 1) {
            throw new IllegalArgumentException("block " + block + " is below 1");
        }
    }

    @Override
    public int compareTo(BlockRef other) {
        return ORDER.compare(this, other);
    }

    /** "17.2": fixture key and block. */
    @Override
    public String toString() {
        return fixture + "." + block;
    }
}
