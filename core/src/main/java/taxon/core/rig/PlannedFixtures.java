package taxon.core.rig;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.rig.ElementKey.Kind;

/** The fixtures of a plan in their order, with their types and blocks. What did not change is taken over from the plan before. */
final class PlannedFixtures {
    private final SortedMap<TypeId, FixtureType> types;
    private final List<Fixture> inOrder;
    private final Map<FixtureKey, List<PlannedBlock>> byFixture;
    private final List<PlannedBlock> blocks;

    private PlannedFixtures(
            SortedMap<TypeId, FixtureType> types, List<Fixture> inOrder, Map<FixtureKey, List<PlannedBlock>> known) {
        this.types = types;
        this.inOrder = Collections.unmodifiableList(inOrder);
        byFixture = new HashMap<>(inOrder.size() * 2);
        List<PlannedBlock> all = new ArrayList<>(inOrder.size() * 2);
        for (Fixture fixture : inOrder) {
            List<PlannedBlock> same = known.getOrDefault(fixture.key(), List.of());
            List<PlannedBlock> own = areOf(fixture, same) ? same : newBlocksOf(fixture);
            byFixture.put(fixture.key(), own);
            all.addAll(own);
        }
        blocks = Collections.unmodifiableList(all);
    }

    /** @param before those of another plan, whose blocks serve where nothing about them has changed */
    static PlannedFixtures of(PlanElements elements, Optional<PlannedFixtures> before) {
        SortedMap<TypeId, FixtureType> types = new TreeMap<>();
        elements.all(Kind.TYPE, RigType.class).forEach(t -> types.put(t.type().id(), t.type()));
        return new PlannedFixtures(
                types,
                FixtureOrder.sorted(elements.all(Kind.FIXTURE, Fixture.class)),
                before.filter(b -> b.types.equals(types)).map(b -> b.byFixture).orElse(Map.of()));
    }

    /** With others in the place of some, each under its old number: the order and the types stay. */
    PlannedFixtures with(Collection<Fixture> changed) {
        Map<FixtureKey, Fixture> now = new HashMap<>();
        changed.forEach(f -> now.put(f.key(), f));
        List<Fixture> other = new ArrayList<>(inOrder);
        other.replaceAll(f -> now.getOrDefault(f.key(), f));
        return new PlannedFixtures(types, other, byFixture);
    }

    SortedMap<TypeId, FixtureType> types() {
        return types;
    }

    List<Fixture> inOrder() {
        return inOrder;
    }

    /** Of all fixtures whose mode exists, in the order of the fixtures. */
    List<PlannedBlock> blocks() {
        return blocks;
    }

    /** Of a fixture, which need not be one of the plan as it is, but of a type of it. */
    List<PlannedBlock> blocksOf(Fixture fixture) {
        List<PlannedBlock> known = byFixture.getOrDefault(fixture.key(), List.of());
        return areOf(fixture, known) ? known : newBlocksOf(fixture);
    }

    private static boolean areOf(Fixture fixture, List<PlannedBlock> blocks) {
        return !blocks.isEmpty() && blocks.get(0).fixture().equals(fixture);
    }

    FixtureType type(Fixture fixture) {
        return Optional.ofNullable(types.get(fixture.type())).orElseThrow();
    }

    private List<PlannedBlock> newBlocksOf(Fixture fixture) {
        FixtureType type = type(fixture);
        return type.mode(fixture.mode()).map(m -> newBlocksOf(fixture, type, m)).orElse(List.of());
    }

    private static List<PlannedBlock> newBlocksOf(Fixture fixture, FixtureType type, Mode mode) {
        return IntStream.range(0, mode.blocks().size())
                .mapToObj(i -> new PlannedBlock(
                        new BlockRef(fixture.key(), i + 1),
                        fixture,
                        type,
                        mode,
                        mode.blocks().get(i)))
                .toList();
    }
}
