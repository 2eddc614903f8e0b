package taxon.core.addressing.request;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Facts.Reach;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.PlannedBlock;

/**
 * What is placed as one: blocks of a fixture that follow each other, or blocks that share an address on purpose.
 *
 * @param index its place in the order of the request, from 0
 * @param blocks one or more; where they share, all begin at the start of the piece
 * @param length slots that it needs, with the room that is kept for a longer mode; above 512 it can go nowhere
 * @param load how many fixtures it puts on a line
 */
public record Piece(
        int index, List<PlannedBlock> blocks, boolean shares, int length, int load, SharingClass sharingClass) {
    public Piece {
        blocks = List.copyOf(blocks);
        if (blocks.isEmpty()) {
            throw new IllegalArgumentException("a piece of no blocks is none");
        }
    }

    /** A fixture counts on the line of its first block; what hears by radio only counts on none. */
    public static int load(PlannedBlock block) {
        return block.ref().block() == 1 && block.type().reach() == Reach.LINE ? 1 : 0;
    }

    /** Slots of these blocks: one behind the other, or those of the longest where they share. */
    public static int slots(List<PlannedBlock> blocks, boolean shares) {
        return blocks.stream().mapToInt(PlannedBlock::footprint).reduce(0, shares ? Math::max : Integer::sum);
    }

    /** Slots that its blocks take, without the room that is kept. */
    public int ownLength() {
        return slots(blocks, shares);
    }

    /** The fixture of its first block. */
    public Fixture fixture() {
        return blocks.get(0).fixture();
    }

    /** The type of its first block. */
    public FixtureType type() {
        return blocks.get(0).type();
    }

    /** The fixture where the piece is all of it, else its first block. */
    public String label() {
        PlannedBlock first = blocks.get(0);
        return blocks.size() == first.mode().blocks().size() ? first.fixture().label() : first.label();
    }

    /** Whose piece it is: one fixture, or those that share. */
    public Stream<Fixture> fixtures() {
        return shares ? blocks.stream().map(PlannedBlock::fixture).distinct() : Stream.of(fixture());
    }

    /** Where its blocks come to lie when it begins there; all at one place where they share. */
    public Map<BlockRef, StartAddress> addresses(StartAddress start) {
        Map<BlockRef, StartAddress> addresses = new LinkedHashMap<>();
        int slot = start.slot().number();
        for (PlannedBlock block : blocks) {
            addresses.put(block.ref(), StartAddress.of(start.universe().number(), slot));
            slot += shares ? 0 : block.footprint();
        }
        return addresses;
    }

    /** True when none of those whose piece it is has an address yet: nothing is taken from them who find no place. */
    public boolean isNew() {
        return fixtures().allMatch(f -> f.addresses().isEmpty());
    }

    /** Where it begins now: where its first block does, when all of it lies there as one. */
    public Optional<StartAddress> now() {
        return blocks.get(0).start().filter(a -> isTogether());
    }

    /** True when all blocks have an address, and each begins where the one before it ends, or all at one place. */
    public boolean isTogether() {
        Optional<StartAddress> next = blocks.get(0).start();
        for (PlannedBlock block : blocks) {
            if (next.isEmpty() || !block.start().equals(next)) {
                return false;
            }
            next = shares ? next : behind(block);
        }
        return true;
    }

    private static Optional<StartAddress> behind(PlannedBlock block) {
        StartAddress start = block.start().orElseThrow();
        return start.after(Math.min(512, block.footprint()))
                .filter(a -> a.universe().equals(start.universe()));
    }
}
