package taxon.core.testing;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Block;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.fixture.TypeId;
import taxon.core.length.Length;
import taxon.core.network.Delivery;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Box;
import taxon.core.rig.CheckItem;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.JobSheet;
import taxon.core.rig.KeptWish;
import taxon.core.rig.Mark;
import taxon.core.rig.PartRef;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.RigPart;
import taxon.core.rig.Share;
import taxon.core.rig.Traits;
import taxon.core.rig.UnitCheck;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.wish.Wish;

/** Small rigs for tests, by hand or at random from a seed. */
public final class Rigs {
    private static final int FEWEST_SEEDS = 16;

    private Rigs() {}

    /**
     * Seeds from 0 on: a quarter of so many but no fewer than sixteen, so that the tests that run before every commit end soon; all of them with
     * {@code ./taxon test --thorough}; at most N with {@code -Dtaxon.seeds=N}, as mutation tests have it.
     */
    public static LongStream seeds(int count) {
        int most = Integer.getInteger("taxon.seeds", Math.max(FEWEST_SEEDS, count / 4));
        return LongStream.range(0, Math.min(count, most));
    }

    public static Plan empty() {
        return Plan.empty(JobSheet.named("Test job"));
    }

    /** A type with one mode; one block for each footprint. */
    public static FixtureType type(String name, int... footprints) {
        List<Block> blocks = new ArrayList<>();
        for (int footprint : footprints) {
            blocks.add(ChannelScript.block("Block " + (blocks.size() + 1), "Dimmer ".repeat(footprint)));
        }
        return typeOf(name, blocks.toArray(Block[]::new));
    }

    /** One mode of these blocks. */
    public static FixtureType typeOf(String name, Block... blocks) {
        Mode mode = new Mode("only", Optional.of(1), List.of(blocks));
        return FixtureType.of(TypeId.of(name), "Test", name, name, Facts.onALine(), List.of(mode));
    }

    /** One block, reached so. */
    public static FixtureType typeReachedBy(Facts.Reach reach, String name, int... footprints) {
        FixtureType made = type(name, footprints);
        return FixtureType.of(made.id(), made.maker(), name, name, Facts.of(Facts.Hazard.NONE, reach), made.modes());
    }

    public static Plan add(Plan plan, FixtureType type, int count, int firstId) {
        return add(plan, type, count, Optional.of(firstId), Optional.empty());
    }

    public static Plan add(
            Plan plan, FixtureType type, int count, Optional<Integer> firstId, Optional<StartAddress> address) {
        Added added = Added.of(type, type.modes().get(0), count, Added.Words.on("Pipe"))
                .withIds(firstId.map(FixtureId::of))
                .from(address);
        return apply(plan, FixtureEdits.add("add", List.of(added)));
    }

    public static Plan place(Plan plan, int key, int block, StartAddress at) {
        Fixture fixture = plan.fixture(FixtureKey.of(key)).orElseThrow();
        return plan.with(fixture.withAddress(block, Optional.of(at)));
    }

    /** @param keysAndSlots fixture, slot, fixture, slot and so on, of the first blocks */
    public static Plan placeAll(Plan plan, int universe, int... keysAndSlots) {
        Plan placed = plan;
        for (int i = 0; i < keysAndSlots.length; i += 2) {
            placed = place(placed, keysAndSlots[i], 1, StartAddress.of(universe, keysAndSlots[i + 1]));
        }
        return placed;
    }

    /** Fixtures of one block each, as many on each universe as fit, from universe 1 on. */
    public static Plan full(FixtureType type, int count, int firstId) {
        Plan plan = add(empty(), type, count, firstId);
        int footprint = type.modes().get(0).footprint();
        int each = Slot.LAST / footprint;
        List<Fixture> placed = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            StartAddress at = StartAddress.of(1 + i / each, 1 + i % each * footprint);
            placed.add(plan.fixtures().get(i).withAddress(1, Optional.of(at)));
        }
        return plan.with(placed);
    }

    /** The plan after an edit that must succeed. */
    public static Plan apply(Plan plan, Edit edit) {
        Edit.Outcome outcome = edit.applyTo(plan);
        if (outcome instanceof Edit.Changed changed) {
            return changed.plan();
        }
        throw new AssertionError("refused: " + outcome);
    }

    /** Up to 60 fixtures of a few types with one to three blocks, some placed anywhere, with reserved runs. */
    public static Plan random(long seed) {
        Random random = new Random(seed);
        Plan plan = empty();
        for (int t = 0; t < 1 + random.nextInt(5); t++) {
            plan = add(plan, type("t" + t, footprints(random)), 1 + random.nextInt(12), 1 + 100 * t);
        }
        for (int r = 0; r < random.nextInt(4); r++) {
            plan = plan.with(reserved(random, r + 1));
        }
        for (Fixture fixture : plan.fixtures()) {
            plan = random.nextInt(3) == 0 ? plan.with(scattered(fixture, plan, random)) : plan;
        }
        return plan;
    }

    /** {@link #random}, hung on up to four positions anywhere, with numbers in a mess and something special about some. */
    public static Plan hung(long seed) {
        Random random = new Random(seed);
        Plan plan = random(seed);
        for (int p = 1; p <= 4; p++) {
            plan = plan.with(new Position(
                    p,
                    "Truss " + p,
                    PositionKind.values()[random.nextInt(PositionKind.values().length)],
                    new PositionGeometry(
                            Optional.of(new Length(1 + random.nextInt(20_000_000)))
                                    .filter(l -> random.nextBoolean()),
                            length(random),
                            length(random),
                            length(random),
                            random.nextInt(3601) - 1800)));
        }
        List<Fixture> hung = new ArrayList<>();
        for (Fixture fixture : plan.fixtures()) {
            hung.add(fixture.withPlace(1 + random.nextInt(4), 1 + random.nextInt(9))
                    .withOffset(Optional.of(length(random)).filter(o -> random.nextInt(4) > 0))
                    .withId(Optional.of(FixtureId.of(1 + random.nextInt(400))).filter(i -> random.nextInt(5) > 0))
                    .withTraits(random.nextInt(3) == 0 ? traits(random) : Traits.NONE));
        }
        return grouped(plan.with(hung), random);
    }

    /** {@link #hung} with an element of every kind that there is. */
    public static Plan ofEveryKind(long seed) {
        Random random = new Random(seed);
        Plan plan = add(hung(seed), type("pair", 5), 2, 901);
        LocalDate from = LocalDate.of(2026, 5, 1 + random.nextInt(28));
        Mark mark = new Mark(StartAddress.of(1, 7), "only", Instant.ofEpochMilli(random.nextInt()), "crew");
        Route route = random.nextBoolean()
                ? new Route.ArtNet(
                        new PortAddress(random.nextInt(32_768)),
                        random.nextBoolean() ? Delivery.TO_ALL : Delivery.TO_BOX,
                        new PortRef(1, 2))
                : new Route.Sacn(
                        new SacnUniverse(1 + random.nextInt(63_999)),
                        random.nextBoolean() ? Delivery.TO_BOX : Delivery.TO_GROUP,
                        random.nextInt(201),
                        new PortRef(1, 1));
        TreeSet<BlockRef> pair = plan.fixtures().stream()
                .filter(f -> f.type().value().equals("pair"))
                .map(f -> new BlockRef(f.key(), 1))
                .collect(Collectors.toCollection(TreeSet::new));
        Plan some = plan.with(List.of(
                new JobSheet("Ænima “" + seed, "Dry dock", Optional.of(from), Optional.of(from.plusDays(3)), "a\nb")
                        .with(RigBoxes.rules(random)),
                Box.node(1, "Quay node", Ipv4.of(10, 0, 0, random.nextInt(255)), 4),
                new Universe(
                        UniverseNumber.of(1),
                        "quay",
                        List.of(route, new Route.Direct(new PortRef(1, 4))),
                        List.of(new Universe.Source(1, random.nextInt(201)))),
                reserved(random, 9),
                new Share(1, pair, "one does as the other"),
                new KeptWish(1, "touring " + seed, Wish.USUAL),
                KeptWish.inForce("", Wish.USUAL),
                new UnitCheck(
                        plan.fixtures().get(0).key(),
                        new CheckItem(CheckItem.Kind.PART, "cell 3"),
                        UnitCheck.Seen.WRONG_ONE,
                        "cell 4 moved",
                        "only, 1.001 “" + seed,
                        Instant.ofEpochMilli(random.nextInt()),
                        "crew"),
                BlockEvidence.none(plan.blocks().get(0).ref())
                        .withProved(mark, "7FF0:00000001")
                        .withMenu("fan = quiet")));
        Plan full = RigBoxes.into(some, random);
        Set<Kind> missing = EnumSet.allOf(Kind.class);
        full.elements().keySet().forEach(k -> missing.remove(k.kind()));
        if (!missing.isEmpty()) {
            throw new AssertionError("a kind of element that no test has: " + missing);
        }
        return full;
    }

    /** With folders in folders, groups by hand and by rule, positions in another order, and some UUIDs. */
    private static Plan grouped(Plan plan, Random random) {
        List<Element> elements = new ArrayList<>();
        for (Position position : plan.positions()) {
            elements.add(position.withRank(1 + random.nextInt(4)));
        }
        plan.fixtures().stream()
                .filter(f -> random.nextBoolean())
                .forEach(f -> elements.add(f.withUuid(Optional.of(new UUID(random.nextLong(), random.nextLong())))));
        elements.add(Group.folder(1, "Outer", Optional.empty()));
        elements.add(Group.folder(2, "Inner", Optional.of(1)).withMembers(some(plan, random)));
        elements.add(new Group(
                        3,
                        Group.GroupKind.GROUP,
                        "Mixed",
                        Optional.of(FixtureId.of(1 + random.nextInt(900))),
                        Optional.of(2),
                        new TreeSet<>(some(plan, random)),
                        List.of(Group.Rule.onPosition(1 + random.nextInt(4))))
                .withParts(some(plan, random).stream()
                        .map(k -> new PartRef(k, Part.cell(1 + random.nextInt(3))))
                        .toList()));
        return plan.with(elements);
    }

    /** All fixtures as rows of the table. */
    public static List<RigPart> rows(Plan plan) {
        return plan.fixtures().stream().map(RigPart::whole).toList();
    }

    private static Set<FixtureKey> some(Plan plan, Random random) {
        return plan.fixtures().stream()
                .map(Fixture::key)
                .filter(k -> random.nextInt(3) == 0)
                .collect(Collectors.toSet());
    }

    private static final Traits.OwnMenu MENU = new Traits.OwnMenu(new TreeMap<>(Map.of(
            "fan",
            new Traits.OwnValue("quiet", "near the choir"),
            "white point",
            new Traits.OwnValue("5600 K (cold)", ""))));

    private static Length length(Random random) {
        return new Length(random.nextInt(20_000_001) - 10_000_000);
    }

    private static Traits traits(Random random) {
        Traits traits = new Traits(
                new Traits.Look(random.nextBoolean() ? "front" : "", random.nextBoolean() ? "amber gel" : ""),
                new Traits.Axes(
                        random.nextBoolean(),
                        random.nextBoolean(),
                        random.nextBoolean(),
                        Optional.of(FixtureKey.of(1 + random.nextInt(9))).filter(k -> random.nextBoolean())),
                new Traits.Care(
                        random.nextBoolean() ? "hot" : "",
                        random.nextBoolean()
                                ? List.of(new Traits.Parked(
                                        1, 1 + random.nextInt(512), random.nextInt(256), "house light"))
                                : List.of()),
                new Traits.Service(random.nextBoolean() ? "quay left" : "", random.nextBoolean()),
                new Traits.PartNames(
                        random.nextBoolean()
                                ? new TreeMap<>(Map.of(Part.cell(1 + random.nextInt(4)), "hub", Part.layer(2), "ring"))
                                : new TreeMap<>()),
                Traits.OwnMenu.NONE);
        // Not by chance, so that rigs of one seed stay what they were.
        return traits.panReversed() ? traits.withMenu(MENU) : traits;
    }

    private static int[] footprints(Random random) {
        return random.ints(1 + random.nextInt(3), 1, random.nextInt(6) == 0 ? 171 : 40)
                .toArray();
    }

    private static ReservedRun reserved(Random random, int number) {
        int first = 1 + random.nextInt(400);
        SlotRange slots = new SlotRange(first, first + random.nextInt(100));
        return new ReservedRun(number, UniverseNumber.of(1 + random.nextInt(3)), slots, "kept");
    }

    private static Fixture scattered(Fixture fixture, Plan plan, Random random) {
        TreeMap<Integer, StartAddress> addresses = new TreeMap<>();
        plan.blocksOf(fixture)
                .forEach(b -> addresses.put(
                        b.ref().block(), StartAddress.of(1 + random.nextInt(3), 1 + random.nextInt(512))));
        return fixture.withAddresses(addresses);
    }
}
