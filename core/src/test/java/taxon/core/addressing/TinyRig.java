package taxon.core.addressing;

import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.type;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Order;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/**
 * A rig of a few long fixtures with few starts, so small that every plan there is can be tried. Of each: who is left out, how many
 * universes are in use, and who is moved at what price.
 */
final class TinyRig {
    private static final int EVERY = 64;
    private static final int UNIVERSES = 2;

    private final Plan plan;
    private final Wish wish;
    private final List<Fixture> asked;
    private final List<Run> fixed = new ArrayList<>();

    /** Slots of a fixture, one after the other. */
    private record Run(int universe, int first, int length, String word) {}

    /**
     * The best of all plans.
     *
     * @param out how many fixtures are left out at least
     * @param universes of those that leave no more out, the fewest in use by the whole rig
     * @param points of those, the least price
     */
    record Best(int out, int universes, int points) {}

    private TinyRig(Plan plan, Wish wish) {
        this.plan = plan;
        this.wish = wish;
        asked = plan.fixtures().stream().filter(f -> !f.traits().locked()).toList();
        plan.fixtures().stream()
                .filter(f -> f.traits().locked())
                .forEach(f -> fixed.add(standing(f).orElseThrow()));
    }

    static TinyRig of(long seed) {
        Random random = new Random(seed);
        int first = 1 + random.nextInt(3);
        Plan plan = add(empty(), type("a", 40 + random.nextInt(160)), first, 101);
        plan = add(plan, type("b", 60 + random.nextInt(100), 40), 1 + random.nextInt(first > 2 ? 1 : 2), 201);
        plan = random.nextBoolean() ? plan : add(plan, type("c", 100 + random.nextInt(160)), 1, 301);
        for (Fixture fixture : plan.fixtures()) {
            plan = random.nextInt(3) == 0 ? plan : placed(plan, fixture, random);
        }
        if (random.nextBoolean()) {
            int kept = 1 + random.nextInt(400);
            SlotRange slots = new SlotRange(kept, kept + random.nextInt(100));
            plan = plan.with(new ReservedRun(1, UniverseNumber.of(1), slots, "kept"));
        }
        return new TinyRig(plan, wish(random));
    }

    /** On a start or beside one, set on the unit or only planned, and one in six is locked. */
    private static Plan placed(Plan plan, Fixture fixture, Random random) {
        int length = plan.blocksOf(fixture).stream()
                .mapToInt(PlannedBlock::footprint)
                .sum();
        int start = 1 + EVERY * random.nextInt((512 - length) / EVERY + 1);
        int slot = random.nextInt(4) == 0 ? Math.min(513 - length, start + 1 + random.nextInt(9)) : start;
        int universe = 1 + random.nextInt(UNIVERSES);
        Fixture there = fixture;
        for (PlannedBlock block : plan.blocksOf(fixture)) {
            there = there.withAddress(block.ref().block(), Optional.of(StartAddress.of(universe, slot)));
            slot += block.footprint();
        }
        Plan now = plan.with(there.withTraits(there.traits().withLocked(random.nextInt(6) == 0)));
        if (random.nextInt(3) > 0) {
            return now;
        }
        BlockRef first = new BlockRef(fixture.key(), 1);
        Mark mark = new Mark(there.address(1).orElseThrow(), "only", Instant.EPOCH, "crew");
        return now.with(BlockEvidence.none(first).withProved(mark, "7FF0:00000001"));
    }

    private static Wish wish(Random random) {
        return new Wish(
                new Wish.Aim(Order.FIXTURE_ID, Style.IN_ORDER),
                new Wish.Apart(random.nextInt(3) == 0 ? Split.TYPE : Split.NONE, false, Blocks.FOLLOW_ON),
                new Spacing(random.nextInt(3) * 10, Starts.ROUND, EVERY, false),
                new Wish.Bounds(
                        Headroom.ofSlots(random.nextInt(2) * 12),
                        StartAddress.of(1, 1),
                        UniverseSet.of(1, UNIVERSES),
                        Optional.of(1 + random.nextInt(3)).filter(k -> random.nextBoolean())));
    }

    Plan plan() {
        return plan;
    }

    Wish wish(Style style) {
        return wish.withStyle(style);
    }

    PlacementRequest request(Style style) {
        return new PlacementRequest(Scope.ALL, Set.of(), wish(style));
    }

    private int length(Fixture fixture) {
        return plan.blocksOf(fixture).stream().mapToInt(PlannedBlock::footprint).sum();
    }

    private Optional<Run> standing(Fixture fixture) {
        return fixture.address(1)
                .map(a -> new Run(a.universe().number(), a.slot().number(), length(fixture), word(fixture)));
    }

    private String word(Fixture fixture) {
        return wish.split() == Split.TYPE ? fixture.type().value() : "";
    }

    /** The best of all plans of a style; only "port by port" counts the units of a line. */
    Best best(Style style) {
        Search search = new Search(wish(style));
        search.from(0, 0, 0);
        return new Best(search.out, search.universes, search.points);
    }

    /** Goes through all plans: each fixture at each start, or left out where it is. */
    private final class Search {
        private final Optional<Integer> line;
        private final List<Run> placed = new ArrayList<>();
        /** Who is left out with an address: others keep away, whatever mess these stand in. */
        private final List<Run> kept = new ArrayList<>(fixed);

        private int out = Integer.MAX_VALUE;
        private int universes;
        private int points;

        Search(Wish styled) {
            line = styled.lineLimit();
        }

        private List<Run> here() {
            List<Run> here = new ArrayList<>(kept);
            here.addAll(placed);
            return here;
        }

        void from(int at, int left, int price) {
            if (left > out) {
                return;
            }
            if (at == asked.size()) {
                note(left, price);
                return;
            }
            Fixture fixture = asked.get(at);
            for (int universe = 1; universe <= UNIVERSES; universe++) {
                for (int slot = 1; slot <= 512; slot += EVERY) {
                    Run run = new Run(universe, slot, length(fixture), word(fixture));
                    if (isPlace(run)) {
                        placed.add(run);
                        from(at + 1, left, price + price(fixture, run));
                        placed.remove(placed.size() - 1);
                    }
                }
            }
            leaveOut(fixture, at, left, price);
        }

        private void leaveOut(Fixture fixture, int at, int left, int price) {
            Optional<Run> stays = standing(fixture);
            if (stays.stream().allMatch(s -> placed.stream().allMatch(r -> mayStandBeside(s, r)))) {
                stays.ifPresent(kept::add);
                if (stays.isEmpty() || lineHolds(stays.get().universe())) {
                    from(at + 1, left + 1, price);
                }
                stays.ifPresent(r -> kept.remove(kept.size() - 1));
            }
        }

        private void note(int left, int price) {
            int inUse = (int) here().stream().map(Run::universe).distinct().count();
            boolean fewer = left < out;
            out = left;
            universes = fewer ? inUse : Math.min(universes, inUse);
            points = fewer ? price : Math.min(points, price);
        }

        private boolean isPlace(Run run) {
            int last = run.first() + run.length() - 1;
            boolean reserved = plan.reservedRuns().stream()
                    .anyMatch(r -> r.universe().number() == run.universe()
                            && r.slots().first() <= last
                            && run.first() <= r.slots().last());
            return last <= 512 - wish.headroom().slots()
                    && !reserved
                    && here().stream().allMatch(r -> mayStandBeside(run, r))
                    && line.map(k -> units(run.universe()) < k).orElse(true);
        }

        private long units(int universe) {
            return here().stream().filter(r -> r.universe() == universe).count();
        }

        /** With somebody placed there no line is overfull; nobody being placed there it may be. */
        private boolean lineHolds(int universe) {
            return placed.stream().noneMatch(r -> r.universe() == universe)
                    || line.map(k -> units(universe) <= k).orElse(true);
        }
    }

    private boolean mayStandBeside(Run one, Run two) {
        int gap = wish.spacing().gap();
        boolean apart =
                one.first() >= two.first() + two.length() + gap || two.first() >= one.first() + one.length() + gap;
        return one.universe() != two.universe() || (apart && one.word().equals(two.word()));
    }

    private int price(Fixture fixture, Run run) {
        boolean stays = standing(fixture).filter(run::equals).isPresent();
        boolean wasSet = plan.evidence(new BlockRef(fixture.key(), 1)).proved().isPresent();
        return stays || fixture.addresses().isEmpty() ? 0 : wasSet ? 10 : 1;
    }

    /** What came of it in the same words as {@link #best}. */
    Best of(Plan after, int out) {
        int universes = (int) IntStream.rangeClosed(1, UNIVERSES)
                .filter(u -> after.blocks().stream()
                        .anyMatch(b -> b.start()
                                .filter(a -> a.universe().number() == u)
                                .isPresent()))
                .count();
        int points = asked.stream()
                .filter(f -> !after.fixture(f.key()).map(Fixture::addresses).equals(Optional.of(f.addresses())))
                .mapToInt(f -> price(f, new Run(0, 0, 0, "")))
                .sum();
        return new Best(out, universes, points);
    }
}
