package taxon.core.rig;

import java.util.Optional;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Block;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;

/**
 * A block of a fixture with all that the plan says of it. Only fixtures whose mode exists have any.
 *
 * @param start where it begins; empty when it has no address
 */
public record PlannedBlock(
        BlockRef ref, Fixture fixture, FixtureType type, Mode mode, Block block, Optional<StartAddress> start) {
    /** A block of a fixture, with the address that the fixture has for it. */
    PlannedBlock(BlockRef ref, Fixture fixture, FixtureType type, Mode mode, Block block) {
        this(ref, fixture, type, mode, block, fixture.address(ref.block()));
    }

    public int footprint() {
        return block.footprint();
    }

    /** True when it can hurt people, by its type or by what is said of the fixture. */
    public boolean isHazard() {
        return fixture.isHazard(type);
    }

    /** The slots it takes inside its universe; what would lie past 512 is cut off. Empty when it has no address. */
    public Optional<SlotRange> slots() {
        return start().map(a -> SlotRange.clipped(a.slot(), footprint()));
    }

    /** "204" for the only block, "204 Shutter add-on" for one of several. */
    public String label() {
        return mode.blocks().size() == 1 ? fixture.label() : fixture.label() + " " + block.name();
    }
}
