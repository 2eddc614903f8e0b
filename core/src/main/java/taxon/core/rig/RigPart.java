package taxon.core.rig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import taxon.core.fixture.Channel;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;

/**
 * A fixture of the rig, or one of its cells or layers.
 *
 * @param part {@link Part#WHOLE} for the fixture itself
 */
public record RigPart(Fixture fixture, Part part) {
    /** The fixture itself. */
    public static RigPart whole(Fixture fixture) {
        return new RigPart(fixture, Part.WHOLE);
    }

    /** What is meant; empty when the fixture is gone or its mode lacks the part. */
    public static Optional<RigPart> find(Plan plan, PartRef ref) {
        return plan.fixture(ref.fixture())
                .map(f -> new RigPart(f, ref.part()))
                .filter(p -> p.isWhole() || isIn(plan, p.fixture(), p.part()));
    }

    /** The cells and layers of a fixture, in the order of their numbers. */
    public static List<RigPart> of(Plan plan, Fixture fixture) {
        return plan.mode(fixture).map(Mode::parts).orElse(List.of()).stream()
                .map(p -> new RigPart(fixture, p))
                .toList();
    }

    /** True when the fixture's mode has the cell or layer. */
    public static boolean isIn(Plan plan, Fixture fixture, Part part) {
        return plan.mode(fixture).stream()
                .flatMap(Mode::channels)
                .anyMatch(c -> c.part().equals(part));
    }

    public PartRef ref() {
        return new PartRef(fixture.key(), part);
    }

    /** True for the fixture itself. */
    public boolean isWhole() {
        return part.equals(Part.WHOLE);
    }

    /** "101", or "101, cell 3". */
    public String label() {
        return isWhole() ? fixture.label() : fixture.label() + ", " + part;
    }

    /** What it is called; empty where nobody has said. */
    public String name() {
        return isWhole() ? fixture.name() : fixture.traits().nameOf(part);
    }

    /** True when a channel belongs to it. */
    public boolean has(Channel channel) {
        return isWhole() || channel.part().equals(part);
    }

    /** Its slots, block by block; a block in which it has none is left out. */
    public List<PartSlots> slots(Plan plan) {
        List<PartSlots> found = new ArrayList<>();
        for (PlannedBlock block : plan.blocksOf(fixture)) {
            List<Channel> all = block.block().channels();
            SortedSet<Integer> offsets = isWhole()
                    ? new TreeSet<>(
                            IntStream.rangeClosed(1, block.footprint()).boxed().toList())
                    : new TreeSet<>(offsets(all.stream().filter(this::has)));
            if (!offsets.isEmpty()) {
                found.add(new PartSlots(block, offsets, all.stream().allMatch(this::has)));
            }
        }
        return found;
    }

    private static List<Integer> offsets(Stream<Channel> channels) {
        return channels.flatMap(c -> c.offsets().stream()).toList();
    }
}
