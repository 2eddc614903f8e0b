package taxon.core.rig;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
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
    private final PlanElements elements;
    private final Lineage lineage;
    private final PlannedFixtures fixtures;
    private final SortedMap<ElementKey, Element> evidence;

    private Plan(PlanElements elements, Lineage lineage, PlannedFixtures fixtures) {
        this.elements = elements;
        this.lineage = lineage;
        this.fixtures = fixtures;
        evidence = elements.of(Kind.EVIDENCE);
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
        PlanElements all = PlanElements.of(elements);
        return new Plan(all, Lineage.begun(), PlannedFixtures.of(all, Optional.empty()));
    }

    /** Everything that it holds, by key. Cannot be changed. */
    public SortedMap<ElementKey, Element> elements() {
        return elements.asMap();
    }

    /** What it holds under a key. */
    public Optional<Element> element(ElementKey key) {
        return elements.at(key);
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

    private Plan grown(Collection<? extends Element> changed) {
        Map<ElementKey, Element> different = elements.differentAmong(changed);
        if (different.isEmpty()) {
            return this;
        }
        PlanElements grown = elements.with(different);
        return new Plan(grown, lineage.touching(different.keySet()), fixturesWith(different.values(), grown));
    }

    private PlannedFixtures fixturesWith(Collection<Element> different, PlanElements grown) {
        return different.stream().allMatch(this::keepsItsPlace)
                ? fixtures.with(different.stream().map(Fixture.class::cast).toList())
                : PlannedFixtures.of(grown, Optional.of(fixtures));
    }

    /** True for a fixture that stands in this plan under the same number. */
    private boolean keepsItsPlace(Element element) {
        return element instanceof Fixture fixture
                && fixture(fixture.key()).map(Fixture::id).equals(Optional.of(fixture.id()));
    }

    private Plan cut(Collection<ElementKey> removed, Collection<? extends Element> changed) {
        PlanElements cut = elements.without(removed, changed);
        Set<ElementKey> touched = elements.differingFrom(cut, elements.keysWith(cut));
        return touched.isEmpty()
                ? this
                : new Plan(cut, lineage.touching(touched), PlannedFixtures.of(cut, Optional.of(fixtures)));
    }

    /** The keys of the elements that differ; costs what was touched where one of the plans was made from the other. */
    Set<ElementKey> differingFrom(Plan other) {
        Set<ElementKey> possible = lineage.mayDiffer(other.lineage).orElseGet(() -> elements.keysWith(other.elements));
        return elements.differingFrom(other.elements, possible);
    }

    /** What is said of the job as a whole. */
    public JobSheet sheet() {
        return (JobSheet) element(JobSheet.KEY).orElseThrow();
    }

    /** The types that its fixtures may be of. */
    public TypeBook types() {
        return TypeBook.of(fixtures.types().values());
    }

    /** The type of a fixture of this plan. */
    public FixtureType type(Fixture fixture) {
        return fixtures.type(fixture);
    }

    /** The mode of a fixture of this plan; empty when its type has no mode of that name. */
    public Optional<Mode> mode(Fixture fixture) {
        return type(fixture).mode(fixture.mode());
    }

    /** All positions, in the order in which the rig is read. */
    public List<Position> positions() {
        return elements.all(Kind.POSITION, Position.class).stream()
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
        return elements.all(Kind.GROUP, Group.class);
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
        return fixtures.inOrder();
    }

    /** Those of a type, in the same order. */
    public List<Fixture> fixturesOf(TypeId type) {
        return fixtures().stream().filter(f -> f.type().equals(type)).toList();
    }

    /** Those on a position, in the same order. */
    public List<Fixture> fixturesOn(Position position) {
        return fixtures().stream()
                .filter(f -> f.position() == position.number())
                .toList();
    }

    /** Those of every position that has some, by its number; each in the same order. Worth it where all are asked for. */
    public SortedMap<Integer, List<Fixture>> fixturesByPosition() {
        SortedMap<Integer, List<Fixture>> hanging = new TreeMap<>();
        fixtures()
                .forEach(f -> hanging.computeIfAbsent(f.position(), p -> new ArrayList<>())
                        .add(f));
        return hanging;
    }

    /** The fixture of that key. */
    public Optional<Fixture> fixture(FixtureKey key) {
        return element(Fixture.keyOf(key)).map(Fixture.class::cast);
    }

    /** The blocks of all fixtures whose mode exists, in the order of the fixtures. */
    public List<PlannedBlock> blocks() {
        return fixtures.blocks();
    }

    /** The blocks of a fixture, which need not be one of this plan as it is, but of a type of it. */
    public List<PlannedBlock> blocksOf(Fixture fixture) {
        return fixtures.blocksOf(fixture);
    }

    /** Fixtures whose mode is not one of their type, in the same order as all. */
    public List<Fixture> fixturesWithoutMode() {
        return fixtures().stream().filter(f -> blocksOf(f).isEmpty()).toList();
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
        return elements.all(Kind.CHECK, UnitCheck.class);
    }

    /** What was seen when one thing of a unit was checked; empty where nobody has looked. */
    public Optional<UnitCheck> check(FixtureKey fixture, CheckItem item) {
        return element(UnitCheck.keyOf(fixture, item)).map(UnitCheck.class::cast);
    }

    /** The boxes of the network and of the lines, by number. */
    public List<Box> boxes() {
        return elements.all(Kind.BOX, Box.class);
    }

    /** The box of that number. */
    public Optional<Box> box(int number) {
        return element(Box.keyOf(number)).map(Box.class::cast);
    }

    /** The lines, by number. */
    public List<Line> lines() {
        return elements.all(Kind.LINE, Line.class);
    }

    /** How receivers are known to be linked, those of boxes and fixtures by number. */
    public List<RadioLink> radioLinks() {
        return elements.all(Kind.LINK, RadioLink.class);
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
        return elements.all(Kind.RESERVED_RUN, ReservedRun.class);
    }

    /** Which blocks share an address on purpose, by number. */
    public List<Share> shares() {
        return elements.all(Kind.SHARE, Share.class);
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
        return elements.all(Kind.WISH, KeptWish.class).stream()
                .filter(w -> w.number() != KeptWish.IN_FORCE)
                .toList();
    }

    /** The universes of which the plan says something beside what sits in them, in order. */
    public List<Universe> describedUniverses() {
        return elements.all(Kind.UNIVERSE, Universe.class);
    }

    /** The universes that are described, hold a fixture or a reserved run, in order. */
    public List<Universe> universes() {
        TreeMap<UniverseNumber, Universe> found = new TreeMap<>();
        elements.all(Kind.UNIVERSE, Universe.class).forEach(u -> found.put(u.number(), u));
        fixtures().stream()
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
        SortedMap<ElementKey, Element> ofKind = elements.of(kind);
        return ofKind.isEmpty() ? 1 : ofKind.lastKey().number() + 1;
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
