package taxon.core.addressing.request;

import java.util.List;
import taxon.core.fixture.Block;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;

/** How many slots a fixture needs in the longest mode of its type. */
public final class RoomForMode {
    private RoomForMode() {}

    /** All blocks together. */
    public static int of(FixtureType type) {
        return type.modes().stream().mapToInt(Mode::footprint).max().orElse(0);
    }

    /** Block by block: the longest at each number, counted from 1. Index 0 is not used. */
    public static int[] ofBlocks(FixtureType type) {
        int[] most = new int[Mode.MOST_BLOCKS + 1];
        for (Mode mode : type.modes()) {
            List<Block> blocks = mode.blocks();
            for (int i = 0; i < blocks.size(); i++) {
                most[i + 1] = Math.max(most[i + 1], blocks.get(i).footprint());
            }
        }
        return most;
    }
}
