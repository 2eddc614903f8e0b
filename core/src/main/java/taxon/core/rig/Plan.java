package taxon.core.rig;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeBook;
import taxon.core.fixture.TypeId;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.wish.Wish;

/**
 * Everything that is planned for one job, and what is known of the real units. Immutable.
 *
 * <p>A plan always has a job sheet; every fixture's type and position are in it, every box that is named too, and evidence only
 * for fixtures that exist. Two plans are equal when they hold equal elements.
 */
public final class Plan {
    private final SortedMap<ElementKey, Element> elements;
    private final Lineage lineage;
    private final Map<TypeId, FixtureType> types;
    private final List<Fixture> fixtures;
    private final SortedMap<ElementKey, Element> evidence;
    private final Map<FixtureKey, List<PlannedBlock>> blocksByFixture;
    private final List<PlannedBlock> blocks;

    /**
     * @param elements whose bonds are verified
     * @param before a plan whose blocks are taken over where nothing about them has changed
     */
    private Plan(SortedMap<ElementKey, Element> elements, Lineage lineage, Optional<Plan> before) {
        this.elements = Collections.unmodifiableSortedMap(elements);
        this.lineage = lineage;
        evidence = kindMap(Kind.EVIDENCE);
        types = new TreeMap<>();
        all(Kind.TYPE, RigType.class).forEach(t -> types.put(t.type().id(), t.type()));
        fixtures = FixtureOrder.sorted(all(Kind.FIXTURE, Fixture.class));
        boolean sameTypes = before.filter(b -> b.types.equals(types)).isPresent();
        Map<FixtureKey, List<PlannedBlock>> known = sameTypes ? before.orElseThrow().blocksByFixture : Map.of();
        blocksByFixture = new HashMap<>(fixtures.size() * 2);
        List<PlannedBlock> inOrder = new ArrayList<>(fixtures.size() * 2);
        for (Fixture fixture : fixtures) {
            List<PlannedBlock> same = known.getOrDefault(fixture.key(), List.of());
            List<PlannedBlock> own =
                    !same.isEmpty() && same.get(0).fixture().equals(fixture) ? same : newBlocksOf(fixture);
            blocksByFixture.put(fixture.key(), own);
            inOrder.addAll(own);
        }
        blocks = Collections.unmodifiableList(inOrder);
    }

    /**
     * The plan before with other fixtures in the place of some, each under its old number: the order stays.
     *
     * @param elements whose bonds are verified
     */
    private Plan(SortedMap<ElementKey, Element> elements, Lineage lineage, Plan before, Collection<Element> changed) {
        this.elements = Collections.unmodifiableSortedMap(elements);
        this.lineage = lineage;
        evidence = kindMap(Kind.EVIDENCE);
        types = before.types;
        Map<FixtureKey, Fixture> now = new HashMap<>();
        changed.forEach(e -> now.put(((Fixture) e).key(), (Fixture) e));
        List<Fixture> inOrder = new ArrayList<>(before.fixtures);
        inOrder.replaceAll(f -> now.getOrDefault(f.key(), f));
        fixtures = Collections.unmodifiableList(inOrder);
        blocksByFixture = new HashMap<>(before.blocksByFixture);
        now.forEach((key, fixture) -> blocksByFixture.put(key, newBlocksOf(fixture)));
        List<PlannedBlock> all = new ArrayList<>(before.blocks.size());
        fixtures.forEach(f ->
                all.addAll(Optional.ofNullable(blocksByFixture.get(f.key())).orElseThrow()));
        blocks = Collections.unmodifiableList(all);
    }

    private static Plan verified(SortedMap<ElementKey, Element> elements, Lineage lineage) {
        PlanBonds.verify(elements);
        return new Plan(elements, lineage, Optional.empty());
    }

    /** A plan of which only the job is known. */
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
        return verified(map, Lineage.begun());
    }

    /** Everything that it holds, by key. Cannot be changed. */
    public SortedMap<ElementKey, Element> elements() {
        return elements;
    }

    /** What it holds under a key. */
    public Optional<Element> element(ElementKey key) {
        return Optional.ofNullable(elements.get(key));
    }

    /** This plan with these elements added or put in the place of those with the same key. */
    public Plan with(Collection<? extends Element> changed) {
        return replaced(List.of(), changed);
    }

    /** As {@link #with(Collection)}, for one element. */
    public Plan with(Element changed) {
        return with(List.of(changed));
    }

    /** This plan without those keys; whatever depends on a removed fixture goes with it. */
    public Plan without(Collection<ElementKey> removed) {
        return replaced(removed, List.of());
    }

    Plan replaced(Collection<ElementKey> removed, Collection<? extends Element> changed) {
        return removed.isEmpty() ? grown(changed) : cut(removed, changed);
    }

    /** Where nothing goes, only what changes can lack what it refers to. */
    private Plan grown(Collection<? extends Element> changed) {
        TreeMap<ElementKey, Element> different = new TreeMap<>();
        for (Element element : changed) {
            different.put(element.elementKey(), element);
        }
        different.values().removeIf(e -> e.equals(elements.get(e.elementKey())));
        if (different.isEmpty()) {
            return this;
        }
        TreeMap<ElementKey, Element> map = new TreeMap<>(elements);
        map.putAll(different);
        different.forEach((key, e) -> {
            if (e instanceof Group g) {
                map.put(key, g.keeping(map.keySet()));
            }
        });
        PlanBonds.verify(map, different.values());
        return different.values().stream().allMatch(this::keepsItsPlace)
                ? new Plan(map, lineage.touching(different.keySet()), this, different.values())
                : new Plan(map, lineage.touching(different.keySet()), Optional.of(this));
    }

    /** True for a fixture that stands in this plan under the same number. */
    private boolean keepsItsPlace(Element element) {
        return element instanceof Fixture fixture
                && fixture(fixture.key()).map(Fixture::id).equals(Optional.of(fixture.id()));
    }

    private Plan cut(Collection<ElementKey> removed, Collection<? extends Element> changed) {
        TreeMap<ElementKey, Element> map = new TreeMap<>(elements);
        removed.forEach(map::remove);
        changed.forEach(e -> map.put(e.elementKey(), e));
        map.values().removeIf(e -> isOrphan(e, map.keySet()));
        map.replaceAll((key, e) -> keeping(e, map.keySet()));
        Shares.tidy(map);
        Set<ElementKey> touched = differing(elements, map, allKeys(elements, map));
        return touched.isEmpty() ? this : verified(map, lineage.touching(touched));
    }

    /** What is said of something that is not there any more. */
    private static boolean isOrphan(Element element, Set<ElementKey> kept) {
        if (element instanceof RadioLink link) {
            return !kept.contains(link.receiver().elementKey())
                    || !kept.contains(Box.keyOf(link.to().box()));
        }
        if (element instanceof UnitCheck check) {
            return !kept.contains(Fixture.keyOf(check.fixture()));
        }
        return element instanceof BlockEvidence evidence
                && !kept.contains(Fixture.keyOf(evidence.ref().fixture()));
    }

    /** What can go on without some of what it refers to does. */
    private static Element keeping(Element element, Set<ElementKey> kept) {
        if (element instanceof Group group) {
            return group.keeping(kept);
        }
        if (element instanceof Line line) {
            return line.keeping(kept);
        }
        return element instanceof Box box ? box.keeping(kept) : element;
    }

    /** The keys of the elements that differ; costs what was touched where one of the plans was made from the other. */
    Set<ElementKey> differingFrom(Plan other) {
        Set<ElementKey> possible = lineage.mayDiffer(other.lineage).orElseGet(() -> allKeys(elements, other.elements));
        return differing(elements, other.elements, possible);
    }

    private static Set<ElementKey> allKeys(Map<ElementKey, Element> one, Map<ElementKey, Element> other) {
        Set<ElementKey> keys = new HashSet<>(one.keySet());
        keys.addAll(other.keySet());
        return keys;
    }

    private static Set<ElementKey> differing(
            Map<ElementKey, Element> one, Map<ElementKey, Element> other, Set<ElementKey> possible) {
        return possible.stream()
                .filter(k -> !Objects.equals(one.get(k), other.get(k)))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** What is said of the job as a whole. */
    public JobSheet sheet() {
        return (JobSheet) element(JobSheet.KEY).orElseThrow();
    }

    /** The types that its fixtures may be of. */
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

    /** The folder or group of that number. */
    public Optional<Group> group(int number) {
        return element(Group.keyOf(number)).map(Group.class::cast);
    }

    /** Where a fixture of this plan hangs. */
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

    /** Those of every position that has some, by its number; each in the same order. Worth it where all are asked for. */
    public SortedMap<Integer, List<Fixture>> fixturesByPosition() {
        SortedMap<Integer, List<Fixture>> hanging = new TreeMap<>();
        fixtures.forEach(f ->
                hanging.computeIfAbsent(f.position(), p -> new ArrayList<>()).add(f));
        return hanging;
    }

    /** The fixture of that key. */
    public Optional<Fixture> fixture(FixtureKey key) {
        return element(Fixture.keyOf(key)).map(Fixture.class::cast);
    }

    /** The blocks of all fixtures whose mode exists, in the order of the fixtures. */
    public List<PlannedBlock> blocks() {
        return blocks;
    }

    /** The blocks of a fixture, which need not be one of this plan as it is, but of a type of it. */
    public List<PlannedBlock> blocksOf(Fixture fixture) {
        List<PlannedBlock> known = blocksByFixture.getOrDefault(fixture.key(), List.of());
        return !known.isEmpty() && known.get(0).fixture().equals(fixture) ? known : newBlocksOf(fixture);
    }

    private List<PlannedBlock> newBlocksOf(Fixture fixture) {
        FixtureType type = type(fixture);
        return type.mode(fixture.mode()).map(m -> blocksOf(fixture, type, m)).orElse(List.of());
    }

    /** Fixtures whose mode is not one of their type, in the same order as all. */
    public List<Fixture> fixturesWithoutMode() {
        return fixtures.stream()
                .filter(f -> blocksByFixture.getOrDefault(f.key(), List.of()).isEmpty())
                .toList();
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

    /** True when anything is known of any real unit. */
    public boolean knowsUnits() {
        return !evidence.isEmpty();
    }

    /** What is known of the real unit behind a block; nothing where nothing is. */
    public BlockEvidence evidence(BlockRef ref) {
        return evidence.isEmpty() ? BlockEvidence.none(ref) : known(ref);
    }

    private BlockEvidence known(BlockRef ref) {
        return element(BlockEvidence.keyOf(ref)).map(BlockEvidence.class::cast).orElse(BlockEvidence.none(ref));
    }

    /** What was seen of units, by fixture and check. */
    public List<UnitCheck> checks() {
        return all(Kind.CHECK, UnitCheck.class);
    }

    /** What was seen when one thing of a unit was checked; empty where nobody has looked. */
    public Optional<UnitCheck> check(FixtureKey fixture, CheckItem item) {
        return element(UnitCheck.keyOf(fixture, item)).map(UnitCheck.class::cast);
    }

    /** The boxes of the network and of the lines, by number. */
    public List<Box> boxes() {
        return all(Kind.BOX, Box.class);
    }

    /** The box of that number. */
    public Optional<Box> box(int number) {
        return element(Box.keyOf(number)).map(Box.class::cast);
    }

    /** The lines, by number. */
    public List<Line> lines() {
        return all(Kind.LINE, Line.class);
    }

    /** How receivers are known to be linked, those of boxes and fixtures by number. */
    public List<RadioLink> radioLinks() {
        return all(Kind.LINK, RadioLink.class);
    }

    /** How a receiver is known to be linked; empty where nobody has said. */
    public Optional<RadioLink> radioLink(RadioLink.Receiver receiver) {
        return element(RadioLink.keyOf(receiver)).map(RadioLink.class::cast);
    }

    /** The line of that number. */
    public Optional<Line> line(int number) {
        return element(Line.keyOf(number)).map(Line.class::cast);
    }

    /** The runs of slots that nothing may be placed on, by number. */
    public List<ReservedRun> reservedRuns() {
        return all(Kind.RESERVED_RUN, ReservedRun.class);
    }

    /** Which blocks share an address on purpose, by number. */
    public List<Share> shares() {
        return all(Kind.SHARE, Share.class);
    }

    /** The wish in force, against which addresses are checked; empty when nobody has stated one. */
    public Optional<Wish> wish() {
        return wishInForce().map(KeptWish::wish);
    }

    /** As {@link #wish}, with its name. */
    public Optional<KeptWish> wishInForce() {
        return element(KeptWish.keyOf(KeptWish.IN_FORCE)).map(KeptWish.class::cast);
    }

    /** The wishes that are kept by name, by number. */
    public List<KeptWish> keptWishes() {
        return all(Kind.WISH, KeptWish.class).stream()
                .filter(w -> w.number() != KeptWish.IN_FORCE)
                .toList();
    }

    /** The universes of which the plan says something beside what sits in them, in order. */
    public List<Universe> describedUniverses() {
        return all(Kind.UNIVERSE, Universe.class);
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

    /** What is said of a universe; without label and route where nothing is. */
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
        return this == other || (other instanceof Plan plan && elements.equals(plan.elements));
    }

    @Override
    public int hashCode() {
        return elements.hashCode();
    }
}
