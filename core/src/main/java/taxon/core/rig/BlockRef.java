package taxon.core.rig;

/**
 * Names one block of one fixture.
 *
 * @param block counted from 1 in the order of the mode
 */
public record BlockRef(FixtureKey fixture, int block) implements Comparable<BlockRef> {
    public BlockRef {
        if (block < 1) {
            throw new IllegalArgumentException("block " + block + " is below 1");
        }
    }

    @Override
    public int compareTo(BlockRef other) {
        int byFixture = Integer.compare(fixture.number(), other.fixture.number());
        return byFixture == 0 ? Integer.compare(block, other.block) : byFixture;
    }

    /** "17.2": fixture key and block. */
    @Override
    public String toString() {
        return fixture + "." + block;
    }
}
