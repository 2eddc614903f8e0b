package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.AddressProposal.Move;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.request.SharingClasses;
import taxon.core.addressing.text.ProposalText;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Order;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;
import taxon.core.testing.Rigs;

/** What holds in every style and with every option, on random rigs with positions, traits, groups and reserved runs. */
class PlannerPropertyTest {

    static LongStream seeds() {
        return Rigs.seeds(120);
    }

    private static Wish wish(Random random) {
        Starts starts = Starts.values()[random.nextInt(3)];
        return new Wish(
                new Wish.Aim(Order.values()[random.nextInt(3)], Style.values()[random.nextInt(4)]),
                new Wish.Apart(
                        Split.values()[random.nextInt(6)], random.nextBoolean(), Blocks.values()[random.nextInt(4)]),
                new Spacing(random.nextInt(4), starts, 1 + random.nextInt(20), random.nextBoolean()),
                new Wish.Bounds(
                        Headroom.ofSlots(random.nextInt(60)),
                        StartAddress.of(1 + random.nextInt(3), 1 + random.nextInt(100)),
                        random.nextInt(3) == 0 ? UniverseSet.of(1, 2 + random.nextInt(5)) : UniverseSet.ALL,
                        Optional.of(1 + random.nextInt(20)).filter(k -> random.nextBoolean())));
    }

    private static PlacementRequest asking(Plan plan, Random random) {
        Set<FixtureKey> chosen = new HashSet<>();
        plan.fixtures().stream().filter(f -> random.nextBoolean()).forEach(f -> chosen.add(f.key()));
        return new PlacementRequest(Scope.values()[random.nextInt(3)], chosen, wish(random));
    }

    /** One case: a rig, a request, and what became of it. */
    private record Case(Plan plan, PlacementRequest request, AddressProposal proposal, Plan after) {
        private static final Map<Long, Case> MADE = new ConcurrentHashMap<>();

        /** The same case serves all that is asked of it. */
        static Case of(long seed) {
            return MADE.computeIfAbsent(seed, Case::made);
        }

        private static Case made(long seed) {
            Random random = new Random(seed);
            Plan plan = Rigs.hung(seed);
            PlacementRequest request = asking(plan, random);
            AddressProposal proposal = Planner.propose(plan, request);
            return new Case(plan, request, proposal, Rigs.apply(plan, proposal.edit()));
        }

        Wish wish() {
            return request.wish();
        }

        PlannedBlock after(Move move) {
            return after.block(move.ref()).orElseThrow();
        }

        boolean isShared(BlockRef one, BlockRef other) {
            return after.shares().stream()
                    .anyMatch(s -> s.blocks().contains(one) && s.blocks().contains(other));
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatMovesMeetsNothingAndHeedsTheWish(long seed) {
        Case c = Case.of(seed);
        for (Move move : c.proposal().moves()) {
            PlannedBlock block = c.after(move);
            StartAddress start = block.start().orElseThrow();
            int last = start.slot().number() + block.footprint() - 1;
            assertThat(last)
                    .as(move.toString())
                    .isLessThanOrEqualTo(c.wish().headroom().lastSlot());
            assertThat(c.wish().universes().holds(start.universe()))
                    .as(move.toString())
                    .isTrue();
            assertThat(c.plan().reservedRuns())
                    .as(move.toString())
                    .noneMatch(r -> r.universe().equals(start.universe())
                            && r.slots().overlaps(block.slots().orElseThrow()));
            for (PlannedBlock other : c.after().blocks()) {
                assertThat(meets(c, block, other))
                        .as(move + " meets " + other.label())
                        .isFalse();
            }
        }
    }

    private static boolean meets(Case c, PlannedBlock block, PlannedBlock other) {
        if (other.start().isEmpty()
                || other.ref().equals(block.ref())
                || c.isShared(block.ref(), other.ref())
                || !other.start()
                        .get()
                        .universe()
                        .equals(block.start().orElseThrow().universe())) {
            return false;
        }
        boolean sameUnit = other.fixture().key().equals(block.fixture().key());
        int gap = sameUnit ? 0 : c.wish().spacing().gap();
        return other.slots().orElseThrow().first()
                        <= block.slots().orElseThrow().last() + gap
                && block.slots().orElseThrow().first()
                        <= other.slots().orElseThrow().last() + gap;
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void onlyWhatIsAskedForAndNotLockedMovesAndEveryFixtureIsWholeOrNot(long seed) {
        Case c = Case.of(seed);
        Set<FixtureKey> moved = new HashSet<>();
        c.proposal().moves().forEach(m -> moved.add(m.ref().fixture()));
        Set<FixtureKey> lost = new HashSet<>();
        c.proposal().leftOut().forEach(n -> lost.add(n.fixture().key()));
        for (Fixture before : c.plan().fixtures()) {
            Fixture now = c.after().fixture(before.key()).orElseThrow();
            if (!now.addresses().equals(before.addresses())) {
                assertThat(before.traits().locked()).as(before.label()).isFalse();
                assertThat(moved.contains(before.key()) || lost.contains(before.key()))
                        .as(before.label())
                        .isTrue();
                int placed = now.addresses().size();
                int blocks = c.plan().blocksOf(before).size();
                assertThat(placed == blocks || lost.contains(before.key()))
                        .as(before.label())
                        .isTrue();
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theSameRequestGivesTheSameProposal(long seed) {
        Case c = Case.of(seed);
        AddressProposal again = Planner.propose(c.plan(), c.request());
        assertThat(again.moves()).isEqualTo(c.proposal().moves());
        assertThat(again.breaks()).isEqualTo(c.proposal().breaks());
        assertThat(again.optimum()).isEqualTo(c.proposal().optimum());
    }

    /** A rig that lies as it was proposed is not turned over again. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whoAsksAgainAfterAllWerePlacedIsToldThatNothingMoves(long seed) {
        Case c = Case.of(seed);
        if (c.proposal().leftOut().isEmpty()) {
            assertThat(Planner.propose(c.after(), c.request()).moves()).isEmpty();
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theUniversesThatSomethingMovesToHoldOneSharingClass(long seed) {
        Case c = Case.of(seed);
        SharingClasses classes = new SharingClasses(c.plan(), c.wish());
        for (Move move : c.proposal().moves()) {
            SharingClass mine = classes.of(move.block().fixture(), move.ref().block());
            List<SharingClass> others = new ArrayList<>();
            c.after().blocks().stream()
                    .filter(b -> b.start()
                            .filter(a -> a.universe().equals(move.after().universe()))
                            .isPresent())
                    .filter(b -> !c.isShared(b.ref(), move.ref()))
                    .filter(b -> c.plan().shares().isEmpty() && c.wish().blocks() != Blocks.SHARE)
                    .forEach(b -> others.add(classes.of(b.fixture(), b.ref().block())));
            assertThat(others).as(move.toString()).allMatch(o -> o.equals(mine));
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void blocksDoWhatTheWishSays(long seed) {
        Case c = Case.of(seed);
        Set<FixtureKey> moved = new HashSet<>();
        c.proposal().moves().forEach(m -> moved.add(m.ref().fixture()));
        for (FixtureKey key : moved) {
            List<PlannedBlock> blocks =
                    c.after().blocksOf(c.after().fixture(key).orElseThrow());
            if (blocks.size() < 2 || blocks.stream().anyMatch(b -> b.start().isEmpty())) {
                continue;
            }
            StartAddress first = blocks.get(0).start().orElseThrow();
            StartAddress second = blocks.get(1).start().orElseThrow();
            if (c.wish().blocks() == Blocks.OWN_UNIVERSE) {
                assertThat(second.universe()).as(key.toString()).isNotEqualTo(first.universe());
            }
            if (c.wish().blocks() == Blocks.FOLLOW_ON && c.wish().style() != Style.LEAST_CHANGE) {
                assertThat(second)
                        .as(key.toString())
                        .isEqualTo(first.after(blocks.get(0).footprint()).orElseThrow());
            }
        }
        if (c.wish().blocks() == Blocks.SHARE) {
            c.after()
                    .shares()
                    .forEach(s -> assertThat(s.blocks().stream()
                                    .map(b -> c.after().block(b).orElseThrow().start())
                                    .distinct())
                            .as(s.toString())
                            .hasSize(1));
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void leastChangeAfterLeastChangeCostsNothing(long seed) {
        Random random = new Random(seed);
        Plan plan = Rigs.hung(seed);
        Wish wish = wish(random).withStyle(Style.LEAST_CHANGE);
        PlacementRequest request = new PlacementRequest(Scope.ALL, Set.of(), wish);
        Plan once = Rigs.apply(plan, Planner.propose(plan, request).edit());
        AddressProposal again = Planner.propose(once, request);
        assertThat(again.price().points()).isZero();
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void movesBeginAtRoundStartsWhereThatIsAsked(long seed) {
        Case c = Case.of(seed);
        boolean round = c.wish().spacing().starts() == Starts.ROUND && c.wish().blocks() == Blocks.OWN_RUN;
        for (Move move : round ? c.proposal().moves() : List.<Move>of()) {
            int over = (move.after().slot().number() - 1) % c.wish().spacing().every();
            assertThat(over).as(move.toString()).isZero();
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theProofIsNeverBelowItsBoundAndEveryBreakHasAReason(long seed) {
        Case c = Case.of(seed);
        if (c.proposal().optimum() instanceof Optimum.Universes u) {
            assertThat(u.atLeast()).isLessThanOrEqualTo(u.used());
            assertThat(u.used()).isEqualTo(c.proposal().totals().universes());
        }
        if (c.proposal().optimum() instanceof Optimum.Least l) {
            assertThat(l.atLeast()).isLessThanOrEqualTo(l.points());
        }
        c.proposal().breaks().forEach(b -> assertThat(ProposalText.sentence(b)).contains("Universe " + b.begun()));
        c.proposal()
                .moves()
                .forEach(m -> assertThat(ProposalText.sentence(m.reason())).isNotBlank());
        c.proposal().leftOut().forEach(n -> assertThat(ProposalText.sentence(n)).isNotBlank());
    }
}
