package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.Obstacle;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.finding.PlanCheck;
import taxon.core.finding.Severity;
import taxon.core.library.Shop;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Share;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Order;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;
import taxon.core.testing.Rigs;
import taxon.core.testing.WishVerifier;

/** Rigs that are nearly full or too large, with locks, shares and reserved runs, and every part of a wish in every style. */
class CrowdedWishesTest {
    /** One case: a rig, who is asked for, and as how many universes may be used. */
    private record Case(Plan plan, PlacementRequest request) {
        static Case of(long seed) {
            Random random = new Random(seed);
            Plan plan = sharing(locked(Rigs.hung(seed), random), random);
            int slots = plan.blocks().stream().mapToInt(PlannedBlock::footprint).sum();
            // From half of what is needed to a little more.
            int universes = Math.max(1, (slots + 511) / 512 + random.nextInt(3) - 1);
            Set<FixtureKey> chosen = plan.fixtures().stream()
                    .map(Fixture::key)
                    .filter(k -> random.nextInt(4) > 0)
                    .collect(Collectors.toCollection(HashSet::new));
            Scope scope = Scope.values()[random.nextInt(Scope.values().length)];
            return new Case(plan, new PlacementRequest(scope, chosen, wish(random, universes)));
        }

        private static Plan locked(Plan plan, Random random) {
            List<Fixture> some = new ArrayList<>();
            plan.fixtures().stream()
                    .filter(f -> random.nextInt(8) == 0)
                    .forEach(f -> some.add(f.withTraits(f.traits().withLocked(true))));
            return plan.with(some);
        }

        /** Two fixtures of one type have one address on purpose; where they are placed they stand together. */
        private static Plan sharing(Plan plan, Random random) {
            List<PlannedBlock> first = plan.blocks().stream()
                    .filter(b -> b.ref().block() == 1 && !b.fixture().traits().locked())
                    .toList();
            for (PlannedBlock one : first) {
                Optional<PlannedBlock> other = first.stream()
                        .filter(b -> b.type().equals(one.type()) && b.ref().compareTo(one.ref()) > 0)
                        .findFirst();
                if (random.nextInt(6) == 0
                        && other.isPresent()
                        && one.mode().blocks().size() == 1) {
                    Fixture follower = other.get().fixture().withAddress(1, one.start());
                    TreeSet<BlockRef> both =
                            new TreeSet<>(Set.of(one.ref(), other.get().ref()));
                    return plan.with(List.of(follower, new Share(1, both, "twins")));
                }
            }
            return plan;
        }

        private static Wish wish(Random random, int universes) {
            Starts starts = random.nextInt(3) == 0 ? Starts.ROUND : Starts.ANYWHERE;
            return new Wish(
                    new Wish.Aim(
                            Order.values()[random.nextInt(Order.values().length)],
                            Style.values()[random.nextInt(Style.values().length)]),
                    new Wish.Apart(
                            Split.values()[random.nextInt(Split.values().length)],
                            random.nextInt(3) == 0,
                            Blocks.values()[random.nextInt(Blocks.values().length)]),
                    new Spacing(random.nextInt(3), starts, 1 + random.nextInt(12), false),
                    new Wish.Bounds(
                            Headroom.ofSlots(random.nextInt(3) * 10),
                            StartAddress.of(1, random.nextBoolean() ? 1 : 1 + random.nextInt(200)),
                            UniverseSet.of(1, universes),
                            Optional.of(5 + random.nextInt(20)).filter(k -> random.nextBoolean())));
        }

        Set<FixtureKey> asked() {
            return plan.fixtures().stream()
                    .filter(f -> switch (request.scope()) {
                        case ALL -> true;
                        case CHOSEN -> request.chosen().contains(f.key());
                        case UNPLACED ->
                            plan.blocksOf(f).stream().anyMatch(b -> b.start().isEmpty());
                    })
                    .map(Fixture::key)
                    .collect(Collectors.toSet());
        }
    }

    static LongStream seeds() {
        return Rigs.seeds(200);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatIsProposedHeedsTheWishAndTakesNobodysAddress(long seed) {
        Case c = Case.of(seed);
        AddressProposal proposal = Planner.propose(c.plan(), c.request());
        Plan after = Rigs.apply(c.plan(), proposal.edit());
        assertThat(WishVerifier.violations(c.plan(), after, c.request().wish(), c.asked()))
                .as(c.request().wish().toString())
                .isEmpty();
        // Whoever was asked for is placed, or told to be left out and as it was.
        Set<FixtureKey> out =
                proposal.leftOut().stream().map(l -> l.fixture().key()).collect(Collectors.toSet());
        for (FixtureKey key : c.asked()) {
            Fixture was = c.plan().fixture(key).orElseThrow();
            Fixture is = after.fixture(key).orElseThrow();
            if (out.contains(key)) {
                assertThat(is.addresses()).as("left out: " + was.label()).isEqualTo(was.addresses());
            } else if (!was.traits().locked()) {
                assertThat(is.addresses())
                        .as("placed: " + was.label())
                        .hasSize(after.blocksOf(is).size());
            }
        }
    }

    private static PlacementRequest onOneUniverse(Wish.Aim aim, Blocks blocks, Optional<Integer> unitsPerLine) {
        Wish wish = new Wish(
                aim,
                new Wish.Apart(Split.NONE, false, blocks),
                new Spacing(0, Starts.ANYWHERE, 1, false),
                new Wish.Bounds(Headroom.ofSlots(0), StartAddress.of(1, 1), UniverseSet.of(1, 1), unitsPerLine));
        return new PlacementRequest(Scope.ALL, Set.of(), wish);
    }

    /** Room there is; whichever style steps in for another heeds the line as well. */
    @Test
    void aLineTakesNoMoreUnitsThanTheWishSaysThoughOthersAreLeftOut() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 10), 20, 1);
        AddressProposal proposal = Planner.propose(
                plan,
                onOneUniverse(new Wish.Aim(Order.FIXTURE_ID, Style.COMPACT_BY_PORT), Blocks.SHARE, Optional.of(8)));
        assertThat(proposal.moves()).hasSize(8);
        assertThat(proposal.leftOut())
                .hasSize(12)
                .allSatisfy(l -> assertThat(l.obstacle()).isInstanceOf(Obstacle.LineFull.class));
    }

    /** They lie well but for the line, and there is no other: whoever is left out stays there, so neither lies as wished. */
    @Test
    void nobodyIsSaidToStayOnALineThatCarriesTooMany() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 10), 2, 1);
        plan = Rigs.place(Rigs.place(plan, 1, 1, StartAddress.of(1, 1)), 2, 1, StartAddress.of(1, 101));
        AddressProposal proposal = Planner.propose(
                plan,
                onOneUniverse(new Wish.Aim(Order.FIXTURE_ID, Style.COMPACT_BY_PORT), Blocks.FOLLOW_ON, Optional.of(1)));
        assertThat(proposal.stays()).isEmpty();
        assertThat(proposal.moves()).isEmpty();
        assertThat(proposal.leftOut())
                .hasSize(2)
                .allSatisfy(l -> assertThat(l.obstacle()).isInstanceOf(Obstacle.LineFull.class));
    }

    /** One universe takes five of 100 slots beside the 10 in which they act as one. */
    @ParameterizedTest
    @EnumSource(Style.class)
    void whoIsLeftOutKeepsWhatItHasThoughABlockOfItWouldActAsOneWithOthers(Style style) {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 100, 10), 8, 1);
        AddressProposal proposal = Planner.propose(
                plan, onOneUniverse(new Wish.Aim(Order.FIXTURE_ID, style), Blocks.SHARE, Optional.empty()));
        Plan after = Rigs.apply(plan, proposal.edit());
        Set<FixtureKey> out =
                proposal.leftOut().stream().map(l -> l.fixture().key()).collect(Collectors.toSet());
        assertThat(out).hasSize(3);
        assertThat(after.fixtures()).allSatisfy(f -> assertThat(f.addresses()).hasSize(out.contains(f.key()) ? 0 : 2));
        assertThat(after.shares())
                .singleElement()
                .satisfies(s -> assertThat(s.blocks()).hasSize(5).noneMatch(b -> out.contains(b.fixture())));
        assertThat(PlanCheck.of(after, Shop.EMPTY).count(Severity.STOP)).isZero();
    }

    /**
     * A fixture whose blocks lie apart could stay so. Where others need one of its universes it has to go together; it does not
     * count as staying where others are laid over it.
     */
    @Test
    void whoLiesApartDoesNotStayWhereOthersAreLaid() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("a", 30, 28), 1, 1);
        plan = plan.with(
                plan.fixtures().get(0).withAddresses(Map.of(1, StartAddress.of(1, 100), 2, StartAddress.of(2, 100))));
        plan = Rigs.add(plan, Rigs.type("b", 100), 5, 101);
        Wish wish = new Wish(
                new Wish.Aim(Order.FIXTURE_ID, Style.LEAST_CHANGE),
                new Wish.Apart(Split.TYPE, false, Blocks.FOLLOW_ON),
                new Spacing(0, Starts.ANYWHERE, 1, false),
                new Wish.Bounds(Headroom.ofSlots(0), StartAddress.of(1, 1), UniverseSet.of(1, 2), Optional.empty()));
        AddressProposal proposal = Planner.propose(plan, new PlacementRequest(Scope.ALL, Set.of(), wish));
        Plan after = Rigs.apply(plan, proposal.edit());
        Set<FixtureKey> all = plan.fixtures().stream().map(Fixture::key).collect(Collectors.toSet());
        assertThat(proposal.leftOut()).isEmpty();
        assertThat(WishVerifier.violations(plan, after, wish, all)).isEmpty();
        assertThat(PlanCheck.of(after, Shop.EMPTY).count(Severity.STOP)).isZero();
    }

    /** So that the test above is not empty: most rigs move much, and many have no room for all. */
    @Test
    void theRigsAreCrowded() {
        long moves = 0;
        long leftOut = 0;
        long shared = 0;
        for (long seed = 0; seed < 40; seed++) {
            Case c = Case.of(seed);
            AddressProposal proposal = Planner.propose(c.plan(), c.request());
            moves += proposal.moves().size();
            leftOut += proposal.leftOut().size();
            shared += c.plan().shares().size();
        }
        assertThat(moves).isGreaterThan(400);
        assertThat(leftOut).isGreaterThan(60);
        assertThat(shared).isGreaterThan(4);
    }
}
