package taxon.core.addressing.request;

import java.util.List;
import java.util.stream.Stream;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.Fixture;
import taxon.core.rig.PlannedBlock;

/**
 * What is placed as one: blocks of a fixture that follow each other, or blocks that share an address on purpose.
 *
 * @param index its place in the order of the request, from 0
 * @param blocks one or more; where they share, all begin at the start of the run
 * @param length slots that it needs, with the room that is kept for a longer mode; above 512 it can go nowhere
 * @param load how many fixtures it puts on a line
 */
public record BlockRun(
        int index, List<PlannedBlock> blocks, boolean shares, int length, int load, SharingClass company) {
    public BlockRun {
        blocks = List.copyOf(blocks);
    }

    public Fixture fixture() {
        return blocks.get(0).fixture();
    }

    public FixtureType type() {
        return blocks.get(0).type();
    }

    public String label() {
        PlannedBlock first = blocks.get(0);
        return blocks.size() == first.mode().blocks().size() ? first.fixture().label() : first.label();
    }

    public Stream<Fixture> fixtures() {
        return shares ? blocks.stream().map(PlannedBlock::fixture) : Stream.of(fixture());
    }
}
