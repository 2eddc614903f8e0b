package taxon.core.rig;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeBook;
import taxon.core.fixture.TypeId;
import taxon.core.rig.ElementKey.Kind;

/**
 * Everything that is planned for one job, and what is known of the real units. Immutable.
 *
 * <p>A plan always has a job sheet; every fixture's type and position are in it, every routed node too, and evidence only
 * for fixtures that exist. Two plans are equal when they hold equal elements.
 */
public final class Plan {
    private static final Comparator<Fixture> FIXTURE_ORDER = Comparator.comparing(
                    (Fixture f) -> f.id().map(FixtureId::number).orElse(Integer.MAX_VALUE))
            .thenComparing(Fixture::key);

    private final SortedMap<ElementKey, Element> elements;
    private final Map<TypeId, FixtureType> types = new TreeMap<>();
    private final List<Fixture> fixtures;
    private final List<PlannedBlock> blocks;

    private Plan(SortedMap<ElementKey, Element> elements) {
        this.elements = Collections.unmodifiableSortedMap(elements);
        PlanBonds.verify(this.elements);
        all(Kind.TYPE, RigType.class).forEach(t -> types.put(t.type().id(), t.type()));
        fixtures =
                all(Kind.FIXTURE, Fixture.class).stream().sorted(FIXTURE_ORDER).toList();
        blocks = fixtures.stream().flatMap(f -> blocksOf(f).stream()).toList();
    }

    public static Plan empty(JobSheet sheet) {
        return of(List.of(sheet));
    }

    /**
     * The plan that holds these elements.
     *
     * @throws IllegalArgumentException when an element refers to one that is missing, or there is no job sheet
     */
    public static Plan of(Collection<? extends Element> elements) {
        TreeMap<ElementKey, Element> map = new TreeMap<>();
        elements.forEach(e -> map.put(e.elementKey(), e));
        return new Plan(map);
    }

    public SortedMap<ElementKey, Element> elements() {
        return elements;
    }

    public Optional<Element> element(ElementKey key) {
        return Optional.ofNullable(elements.get(key));
    }

    /** This plan with these elements added or put in the place of those with the same key. */
    public Plan with(Collection<? extends Element> changed) {
        return replaced(List.of(), changed);
    }

    public Plan with(Element changed) {
        return with(List.of(changed));
    }

    /** This plan without those keys; whatever depends on a removed fixture goes with it. */
    public Plan without(Collection<ElementKey> removed) {
        return replaced(removed, List.of());
    }

    Plan replaced(Collection<ElementKey> removed, Collection<? extends Element> changed) {
        TreeMap<ElementKey, Element> map = new TreeMap<>(elements);
        removed.forEach(map::remove);
        changed.forEach(e -> map.put(e.elementKey(), e));
        map.values()
                .removeIf(e -> e instanceof BlockEvidence b
                        && !map.containsKey(Fixture.keyOf(b.ref().fixture())));
        map.replaceAll((key, e) -> e instanceof Group g ? g.keeping(map.keySet()) : e);
        return map.equals(elements) ? this : new Plan(map);
    }

    public JobSheet sheet() {
        return (JobSheet) element(JobSheet.KEY).orElseThrow();
    }

    public TypeBook types() {
        return TypeBook.of(types.values());
    }

    /** The type of a fixture of this plan. */
    public FixtureType type(Fixture fixture) {
        return Optional.ofNullable(types.get(fixture.type())).orElseThrow();
    }

    /** The mode of a fixture of this plan; empty when its type has no mode of that name. */
    public Optional<Mode> mode(Fixture fixture) {
        return type(fixture).mode(fixture.mode());
    }

    /** All positions, in the order in which the rig is read. */
    public List<Position> positions() {
        return all(Kind.POSITION, Position.class).stream()
                .sorted(Position.ORDER)
                .toList();
    }

    /** The position of that number. */
    public Optional<Position> position(int number) {
        return element(ElementKey.of(Kind.POSITION, number)).map(Position.class::cast);
    }

    /** The position that is called so, whatever the case. */
    public Optional<Position> positionNamed(String name) {
        return positions().stream()
                .filter(p -> p.name().equalsIgnoreCase(name.strip()))
                .findFirst();
    }

    /** All folders and groups, by number. */
    public List<Group> groups() {
        return all(Kind.GROUP, Group.class);
    }

    public Optional<Group> group(int number) {
        return element(Group.keyOf(number)).map(Group.class::cast);
    }

    public Position position(Fixture fixture) {
        return position(fixture.position()).orElseThrow();
    }

    /** All fixtures, by fixture ID; those without one come last. */
    public List<Fixture> fixtures() {
        return fixtures;
    }

    /** Those of a type, in the same order. */
    public List<Fixture> fixturesOf(TypeId type) {
        return fixtures.stream().filter(f -> f.type().equals(type)).toList();
    }

    /** Those on a position, in the same order. */
    public List<Fixture> fixturesOn(Position position) {
        return fixtures.stream().filter(f -> f.position() == position.number()).toList();
    }

    public Optional<Fixture> fixture(FixtureKey key) {
        return element(Fixture.keyOf(key)).map(Fixture.class::cast);
    }

    /** The blocks of all fixtures whose mode exists, in the order of the fixtures. */
    public List<PlannedBlock> blocks() {
        return blocks;
    }

    public List<PlannedBlock> blocksOf(Fixture fixture) {
        FixtureType type = type(fixture);
        return type.mode(fixture.mode()).map(m -> blocksOf(fixture, type, m)).orElse(List.of());
    }

    private static List<PlannedBlock> blocksOf(Fixture fixture, FixtureType type, Mode mode) {
        return IntStream.range(0, mode.blocks().size())
                .mapToObj(i -> new PlannedBlock(
                        new BlockRef(fixture.key(), i + 1),
                        fixture,
                        type,
                        mode,
                        mode.blocks().get(i)))
                .toList();
    }

    /** A block, when its fixture exists and has that many. */
    public Optional<PlannedBlock> block(BlockRef ref) {
        return fixture(ref.fixture())
                .map(this::blocksOf)
                .filter(list -> list.size() >= ref.block())
                .map(list -> list.get(ref.block() - 1));
    }

    public BlockEvidence evidence(BlockRef ref) {
        return element(BlockEvidence.keyOf(ref)).map(BlockEvidence.class::cast).orElse(BlockEvidence.none(ref));
    }

    public List<Node> nodes() {
        return all(Kind.NODE, Node.class);
    }

    public Optional<Node> node(int number) {
        return element(Node.keyOf(number)).map(Node.class::cast);
    }

    public List<ReservedRun> reservedRuns() {
        return all(Kind.RESERVED_RUN, ReservedRun.class);
    }

    /** The universes that are described, hold a fixture or a reserved run, in order. */
    public List<Universe> universes() {
        TreeMap<UniverseNumber, Universe> found = new TreeMap<>();
        all(Kind.UNIVERSE, Universe.class).forEach(u -> found.put(u.number(), u));
        fixtures.stream()
                .flatMap(f -> f.addresses().values().stream())
                .forEach(a -> found.computeIfAbsent(a.universe(), Universe::unrouted));
        reservedRuns().forEach(r -> found.computeIfAbsent(r.universe(), Universe::unrouted));
        return List.copyOf(found.values());
    }

    public Universe universe(UniverseNumber number) {
        return element(Universe.keyOf(number)).map(Universe.class::cast).orElse(Universe.unrouted(number));
    }

    /** The lowest number above all that this kind uses. */
    public int nextNumber(Kind kind) {
        SortedMap<ElementKey, Element> ofKind = kindMap(kind);
        return ofKind.isEmpty() ? 1 : ofKind.lastKey().number() + 1;
    }

    private SortedMap<ElementKey, Element> kindMap(Kind kind) {
        return elements.subMap(
                new ElementKey(kind, Integer.MIN_VALUE, ""), new ElementKey(kind, Integer.MAX_VALUE, ""));
    }

    private <T extends Element> List<T> all(Kind kind, Class<T> type) {
        List<T> found = new ArrayList<>();
        kindMap(kind).values().forEach(e -> found.add(type.cast(e)));
        return List.copyOf(found);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Plan plan && elements.equals(plan.elements);
    }

    @Override
    public int hashCode() {
        return elements.hashCode();
    }
}
