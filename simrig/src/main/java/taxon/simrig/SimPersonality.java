package taxon.simrig;

import java.util.List;
import taxon.core.fixture.Block;
import taxon.core.fixture.Mode;

/**
 * A personality of a simulated unit.
 *
 * @param footprints slots of the unit itself, then of each sub-device
 * @param blocks what the slots of each do; none where that does not matter
 */
public record SimPersonality(String name, List<Integer> footprints, List<Block> blocks) {
    public SimPersonality {
        footprints = List.copyOf(footprints);
        blocks = List.copyOf(blocks);
        if (footprints.isEmpty()) {
            throw new IllegalArgumentException("personality " + name + " has no footprint");
        }
    }

    /** One of which only the lengths matter. */
    public SimPersonality(String name, List<Integer> footprints) {
        this(name, footprints, List.of());
    }

    /** One that does what a mode says. */
    public static SimPersonality of(Mode mode) {
        return new SimPersonality(
                mode.name(), mode.blocks().stream().map(Block::footprint).toList(), mode.blocks());
    }

    int subDevices() {
        return footprints.size() - 1;
    }
}
