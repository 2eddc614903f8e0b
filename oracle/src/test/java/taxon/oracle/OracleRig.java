package taxon.oracle;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Element;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.RigType;
import taxon.core.rig.Traits;
import taxon.core.testing.Rigs;

/**
 * A rig as plain numbers, so that another solver can be asked about it, and the same rig as a plan.
 *
 * @param units those that are asked for, in the order of their IDs
 * @param locked those that may not be moved, each with an address
 * @param reserved runs that are spoken for
 */
public record OracleRig(List<Unit> units, List<Unit> locked, List<Taken> reserved) {
    private static final Map<Integer, FixtureType> TYPES = new ConcurrentHashMap<>();
    private static final Instant THEN = Instant.parse("2026-03-01T10:00:00Z");

    /**
     * A fixture of one block.
     *
     * @param universe 0 where it has no address
     */
    public record Unit(int length, int universe, int slot, boolean set) {
        public static Unit unplaced(int length) {
            return new Unit(length, 0, 0, false);
        }
    }

    /** Slots of a universe, both ends included. */
    public record Taken(int universe, int first, int last) {}

    public static OracleRig of(int... lengths) {
        return new OracleRig(IntStream.of(lengths).mapToObj(Unit::unplaced).toList(), List.of(), List.of());
    }

    /** {@code count} units whose lengths lie from {@code low} to {@code high}, from at most {@code kinds} types. */
    public static List<Unit> units(Random random, int count, int kinds, int low, int high) {
        int[] lengths = IntStream.range(0, kinds)
                .map(k -> low + random.nextInt(high - low + 1))
                .toArray();
        return IntStream.range(0, count)
                .mapToObj(i -> Unit.unplaced(lengths[random.nextInt(kinds)]))
                .toList();
    }

    private static FixtureType type(int length) {
        return TYPES.computeIfAbsent(length, l -> Rigs.type("len" + l, l));
    }

    /** The rig as a plan: keys and IDs count the units from 1, then the locked ones. */
    public Plan plan() {
        List<Element> elements = new ArrayList<>();
        elements.add(new Position(1, "Pipe"));
        List<Unit> all = new ArrayList<>(units);
        all.addAll(locked);
        all.stream().map(Unit::length).distinct().forEach(l -> elements.add(RigType.of(type(l))));
        for (int i = 0; i < all.size(); i++) {
            add(elements, all.get(i), i + 1, i >= units.size());
        }
        int number = 1;
        for (Taken run : reserved) {
            elements.add(new ReservedRun(
                    number++, UniverseNumber.of(run.universe()), new SlotRange(run.first(), run.last()), "kept"));
        }
        return Rigs.empty().with(elements);
    }

    private static void add(List<Element> elements, Unit unit, int key, boolean isLocked) {
        TreeMap<Integer, StartAddress> addresses = new TreeMap<>();
        if (unit.universe() > 0) {
            addresses.put(1, StartAddress.of(unit.universe(), unit.slot()));
        }
        Fixture fixture = Fixture.of(
                        FixtureKey.of(key),
                        Optional.of(FixtureId.of(key)),
                        new Fixture.Model(type(unit.length()).id(), "only"),
                        new Fixture.Place(1, Math.min(9999, key), Optional.empty()))
                .withAddresses(addresses);
        elements.add(fixture.withTraits(Traits.NONE.withLocked(isLocked)));
        if (unit.set()) {
            BlockRef ref = new BlockRef(FixtureKey.of(key), 1);
            elements.add(BlockEvidence.none(ref).withSet(new Mark(addresses.get(1), "only", THEN, "someone")));
        }
    }
}
