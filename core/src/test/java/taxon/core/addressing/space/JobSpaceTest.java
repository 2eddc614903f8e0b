package taxon.core.addressing.space;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.request.SharingClasses;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.wish.Wish;
import taxon.core.testing.Rigs;

/** The space of a job against the words of the wish, and against itself when fixtures are lifted and put down. */
class JobSpaceTest {
    static LongStream seeds() {
        return Rigs.seeds(60);
    }

    /** A plan and a wish of one seed, with some blocks lifted off. */
    private record Case(SpaceByWord words, SharingClasses classes, JobSpace space, List<PlannedBlock> blocks) {
        static Case of(long seed) {
            Random random = new Random(seed);
            Plan plan = Rigs.hung(seed);
            Wish wish = SpaceByWord.wish(random);
            Set<BlockRef> lifted = plan.blocks().stream()
                    .map(PlannedBlock::ref)
                    .filter(b -> random.nextInt(3) == 0)
                    .collect(Collectors.toSet());
            SharingClasses classes = new SharingClasses(plan, wish);
            JobSpace space = JobSpace.of(plan, wish, classes, b -> lifted.contains(b.ref()));
            List<PlannedBlock> asked =
                    plan.blocks().stream().filter(b -> lifted.contains(b.ref())).toList();
            return new Case(
                    new SpaceByWord(plan, wish, lifted), classes, space, asked.subList(0, Math.min(4, asked.size())));
        }

        SharingClass sharingClass(PlannedBlock block) {
            return classes.of(block.fixture(), block.ref().block());
        }

        boolean isPlace(int universe, int slot, PlannedBlock block, int load) {
            return words.isAllowed(universe)
                    && !words.isBeforeFrom(universe, slot)
                    && words.mayJoin(universe, block)
                    && words.lineTakes(universe, load)
                    && words.isFree(universe, slot, block.footprint());
        }

        Optional<StartAddress> first(StartAddress from, PlannedBlock block, int load) {
            return IntStream.rangeClosed(from.universe().number(), SpaceByWord.HIGHEST)
                    .mapToObj(u -> firstOn(
                            u, u == from.universe().number() ? from.slot().number() : 1, block, load))
                    .flatMap(Optional::stream)
                    .findFirst();
        }

        Optional<StartAddress> firstOn(int universe, int from, PlannedBlock block, int load) {
            return IntStream.rangeClosed(from, 512)
                    .filter(s -> isPlace(universe, s, block, load))
                    .mapToObj(s -> StartAddress.of(universe, s))
                    .findFirst();
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aPlaceIsWhatTheWordsOfTheWishCallOne(long seed) {
        Case c = Case.of(seed);
        for (PlannedBlock block : c.blocks()) {
            for (int universe = 1; universe <= SpaceByWord.HIGHEST; universe++) {
                for (int slot = 1; slot <= 512; slot += 5) {
                    int load = slot % 3;
                    StartAddress at = StartAddress.of(universe, slot);
                    assertThat(c.space().isPlace(at, block.footprint(), c.sharingClass(block), load))
                            .as(block.label() + " of " + block.footprint() + " at " + at)
                            .isEqualTo(c.isPlace(universe, slot, block, load));
                }
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theFirstFitIsTheFirstPlaceOnAUniverseAndOnAllOfThem(long seed) {
        Case c = Case.of(seed);
        Random random = new Random(seed);
        for (PlannedBlock block : c.blocks()) {
            int load = random.nextInt(3);
            StartAddress from = StartAddress.of(1 + random.nextInt(3), 1 + random.nextInt(512));
            Optional<StartAddress> found = c.space().firstFit(from, block.footprint(), c.sharingClass(block), load);
            assertThat(found.filter(a -> a.universe().number() <= SpaceByWord.HIGHEST))
                    .as(block.label() + " from " + from)
                    .isEqualTo(c.first(from, block, load));
            int universe = 1 + random.nextInt(4);
            assertThat(c.space().firstFitOn(universe, 1, block.footprint(), c.sharingClass(block), load))
                    .isEqualTo(c.firstOn(universe, 1, block, load));
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatIsKnownOfUniversesIsWhatStandsOnThem(long seed) {
        Case c = Case.of(seed);
        List<Integer> inUse = IntStream.rangeClosed(1, SpaceByWord.HIGHEST)
                .filter(u ->
                        IntStream.rangeClosed(1, 512).anyMatch(s -> c.words().isTaken(u, s)))
                .boxed()
                .toList();
        assertThat(c.space().inUse()).isEqualTo(inUse);
        for (int universe = 1; universe <= SpaceByWord.HIGHEST; universe++) {
            assertThat(c.space().isInUse(universe)).isEqualTo(inUse.contains(universe));
            assertThat(c.space().universe(universe).load()).isEqualTo(c.words().units(universe));
            if (!c.words().isAllowed(universe)) {
                assertThat(c.space().holes(universe)).isEmpty();
            }
        }
        List<Integer> allowed = IntStream.rangeClosed(1, SpaceByWord.HIGHEST)
                .filter(c.words()::isAllowed)
                .boxed()
                .toList();
        assertThat(c.space().firstAllowed()).contains(allowed.get(0));
        assertThat(c.space().highest()).isGreaterThanOrEqualTo(inUse.stream().reduce(0, Math::max));
    }

    /** Reads what is to be told of a universe, so that two spaces can be held against each other. */
    private static String told(JobSpace space) {
        return IntStream.rangeClosed(1, SpaceByWord.HIGHEST)
                .mapToObj(space::universe)
                .map(u -> u.freeRuns() + " " + u.holes(1) + " " + u.load() + " " + u.used() + " "
                        + u.classes().stream().sorted().toList())
                .collect(Collectors.joining("\n"));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aSpaceWithSomeLiftedOffIsTheSpaceOfThePlanWithoutThem(long seed) {
        Case c = Case.of(seed);
        Plan plan = c.words().plan();
        ResolvedRequest request = ResolvedRequest.of(
                plan, new PlacementRequest(Scope.ALL, Set.of(), c.words().wish()));
        FilledSpace filled = new FilledSpace(plan, request);
        List<PlannedBlock> lifted = plan.blocks().stream()
                .filter(b -> c.words().lifted().contains(b.ref()))
                .toList();
        assertThat(told(filled.without(lifted))).isEqualTo(told(c.space()));
        // Nothing of that is left behind.
        assertThat(told(filled.without(List.of())))
                .isEqualTo(told(JobSpace.of(plan, c.words().wish(), c.classes(), b -> false)));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aSpaceFollowsFixturesThatMove(long seed) {
        Random random = new Random(seed);
        Plan plan = Rigs.hung(seed);
        Wish wish = SpaceByWord.wish(random);
        FilledSpace filled =
                new FilledSpace(plan, ResolvedRequest.of(plan, new PlacementRequest(Scope.ALL, Set.of(), wish)));
        Plan now = plan;
        for (Fixture fixture : plan.fixtures()) {
            if (random.nextInt(4) == 0) {
                StartAddress to = StartAddress.of(1 + random.nextInt(4), 1 + random.nextInt(480));
                Plan then = now.with(fixture.withAddress(1, Optional.of(to)));
                filled.moved(
                        now.blocksOf(now.fixture(fixture.key()).orElseThrow()),
                        then.blocksOf(then.fixture(fixture.key()).orElseThrow()));
                now = then;
            }
        }
        assertThat(told(filled.without(List.of())))
                .isEqualTo(told(JobSpace.of(now, wish, new SharingClasses(now, wish), b -> false)));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aCopyIsFilledWithoutATraceInItsOriginal(long seed) {
        Case c = Case.of(seed);
        String before = told(c.space());
        JobSpace copy = c.space().copy();
        assertThat(told(copy)).isEqualTo(before);
        for (PlannedBlock block : c.blocks()) {
            copy.take(StartAddress.of(2, 7), block.footprint(), c.sharingClass(block), 1);
            assertThat(copy.universe(2).used()).isPositive();
        }
        JobSpace second = copy.copy();
        assertThat(told(second)).isEqualTo(told(copy));
        second.take(StartAddress.of(3, 500), 3, new SharingClass("other", false, false), 1);
        assertThat(told(second)).isNotEqualTo(told(copy));
        assertThat(told(c.space())).isEqualTo(before);
    }
}
