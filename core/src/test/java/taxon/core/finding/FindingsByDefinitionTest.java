package taxon.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Facts;
import taxon.core.network.Ipv4;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.KeptWish;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Share;
import taxon.core.rig.Universe;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Wish;
import taxon.core.testing.Rigs;

/** What the rules find on random rigs, against what each rule says, pair by pair and slot by slot. */
class FindingsByDefinitionTest {

    static LongStream seeds() {
        return Rigs.seeds(150);
    }

    /** Crowded on three universes, some of it shared on purpose, some routed, under a wish with gap and headroom. */
    private static Plan rig(long seed) {
        Random random = new Random(seed);
        Plan plan = Rigs.hung(seed);
        List<Fixture> moved = new ArrayList<>();
        for (Fixture fixture : plan.fixtures()) {
            Fixture now = fixture;
            for (PlannedBlock block : plan.blocksOf(fixture)) {
                if (random.nextInt(3) > 0) {
                    StartAddress at = StartAddress.of(1 + random.nextInt(3), 1 + random.nextInt(500));
                    now = now.withAddress(block.ref().block(), Optional.of(at));
                }
            }
            moved.add(now);
        }
        plan = plan.with(moved);
        plan = shared(plan, random);
        Wish wish = Wish.USUAL
                .withSpacing(Spacing.ofGap(random.nextInt(4)))
                .withHeadroom(Headroom.ofSlots(random.nextInt(3) * 15));
        plan = plan.with(List.of(KeptWish.inForce("", wish), Box.node(1, "Quay", Ipv4.of(10, 0, 0, 1), 2)));
        return random.nextBoolean()
                ? plan.with(new Universe(
                        UniverseNumber.of(2), "two", List.of(new Route.Sacn(new SacnUniverse(2), new PortRef(1, 1)))))
                : plan;
    }

    private static Plan shared(Plan plan, Random random) {
        List<PlannedBlock> placed =
                plan.blocks().stream().filter(b -> b.start().isPresent()).toList();
        if (placed.size() < 4) {
            return plan;
        }
        PlannedBlock one = placed.get(random.nextInt(placed.size()));
        PlannedBlock two = placed.stream()
                .filter(b -> !b.fixture().key().equals(one.fixture().key()))
                .findFirst()
                .orElse(one);
        if (two.equals(one)) {
            return plan;
        }
        Fixture follower = two.fixture().withAddress(two.ref().block(), one.start());
        TreeSet<BlockRef> both = new TreeSet<>(Set.of(one.ref(), two.ref()));
        return plan.with(List.of(follower, new Share(1, both, "twins")));
    }

    private static int first(PlannedBlock block) {
        return block.start().orElseThrow().slot().number();
    }

    private static int last(PlannedBlock block) {
        return Math.min(512, first(block) + block.footprint() - 1);
    }

    /** By universe, in the order of the slots, then of the plan. */
    private static Map<Integer, List<PlannedBlock>> byUniverse(Plan plan) {
        Map<Integer, List<PlannedBlock>> byUniverse = new TreeMap<>();
        plan.blocks().stream()
                .filter(b -> b.start().isPresent())
                .sorted(Comparator.comparingInt(FindingsByDefinitionTest::first))
                .forEach(b -> byUniverse
                        .computeIfAbsent(b.start().orElseThrow().universe().number(), u -> new ArrayList<>())
                        .add(b));
        return byUniverse;
    }

    private static boolean isMeant(Plan plan, PlannedBlock one, PlannedBlock two) {
        return one.start().equals(two.start())
                && plan.shares().stream()
                        .anyMatch(s ->
                                s.blocks().contains(one.ref()) && s.blocks().contains(two.ref()));
    }

    private static List<Finding> found(Plan plan, Rule rule) {
        return PlanCheck.of(plan).byRule().get(rule);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whoBeginsInsideAnotherIsAnOverlapWithTheOneThatReachesFurthest(long seed) {
        Plan plan = rig(seed);
        Set<String> expected = new HashSet<>();
        byUniverse(plan).values().forEach(blocks -> {
            for (int i = 1; i < blocks.size(); i++) {
                PlannedBlock later = blocks.get(i);
                blocks.subList(0, i).stream()
                        .filter(b -> !isMeant(plan, b, later))
                        .mapToInt(FindingsByDefinitionTest::last)
                        .max()
                        .stream()
                        .filter(reach -> reach >= first(later))
                        .forEach(reach -> expected.add(later.ref() + " to " + Math.min(reach, last(later))));
            }
        });
        Set<String> seen = found(plan, Rule.OVERLAP).stream()
                .map(f -> (Grounds.Overlap) f.grounds())
                .peek(o -> assertThat(isMeant(plan, o.earlier(), o.later())).isFalse())
                .peek(o -> assertThat(first(o.earlier())).isLessThanOrEqualTo(first(o.later())))
                .map(o -> o.later().ref() + " to " + o.shared().last())
                .collect(Collectors.toSet());
        assertThat(seen).isEqualTo(expected);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void gapsHeadroomAndHazardsAreFoundWhereTheWishSaysSo(long seed) {
        Plan plan = rig(seed);
        Wish wish = plan.wish().orElseThrow();
        int gap = wish.spacing().gap();
        Set<String> near = new HashSet<>();
        Set<String> over = new HashSet<>();
        Set<Integer> hazards = new HashSet<>();
        byUniverse(plan).forEach((universe, blocks) -> {
            for (int i = 1; i < blocks.size(); i++) {
                PlannedBlock later = blocks.get(i);
                PlannedBlock furthest = blocks.get(0);
                for (PlannedBlock b : blocks.subList(1, i)) {
                    furthest = last(b) > last(furthest) ? b : furthest;
                }
                int free = first(later) - last(furthest) - 1;
                if (free >= 0
                        && free < gap
                        && !furthest.fixture().key().equals(later.fixture().key())) {
                    near.add(furthest.ref() + " " + later.ref() + " " + free);
                }
            }
            blocks.stream()
                    .filter(b -> wish.headroom().slots() > 0
                            && last(b) > 512 - wish.headroom().slots())
                    .forEach(b -> over.add(universe + ": " + b.ref()));
            long hot = blocks.stream().filter(b -> isHot(plan, b)).count();
            if (hot > 0 && hot < blocks.size()) {
                hazards.add(universe);
            }
        });
        assertThat(found(plan, Rule.GAP_SHORT).stream()
                        .map(f -> (Grounds.GapShort) f.grounds())
                        .map(g -> g.earlier().ref() + " " + g.later().ref() + " " + g.free())
                        .collect(Collectors.toSet()))
                .isEqualTo(near);
        assertThat(found(plan, Rule.HEADROOM_USED).stream()
                        .map(f -> (Grounds.HeadroomUsed) f.grounds())
                        .flatMap(g -> g.blocks().stream().map(b -> g.universe() + ": " + b.ref()))
                        .collect(Collectors.toSet()))
                .isEqualTo(over);
        assertThat(found(plan, Rule.HAZARD_SHARES).stream()
                        .map(f ->
                                ((Grounds.HazardShares) f.grounds()).universe().number())
                        .collect(Collectors.toSet()))
                .isEqualTo(hazards);
    }

    private static boolean isHot(Plan plan, PlannedBlock block) {
        return !block.fixture().traits().hazard().isBlank()
                || plan.type(block.fixture()).hazard() != Facts.Hazard.NONE;
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatHasNoAddressOrOnlyPartOfOneIsFoundAndCounted(long seed) {
        Plan plan = rig(seed);
        Set<FixtureKey> none = new TreeSet<>();
        Set<FixtureKey> some = new TreeSet<>();
        for (Fixture fixture : plan.fixtures()) {
            long open = plan.blocksOf(fixture).stream()
                    .filter(b -> b.start().isEmpty())
                    .count();
            if (open > 0) {
                (open == plan.blocksOf(fixture).size() ? none : some).add(fixture.key());
            }
        }
        assertThat(keys(found(plan, Rule.NO_ADDRESS))).isEqualTo(none);
        assertThat(keys(found(plan, Rule.BLOCK_NOT_ADDRESSED))).isEqualTo(some);
        found(plan, Rule.NO_ADDRESS).forEach(f -> {
            Grounds.NoAddress grounds = (Grounds.NoAddress) f.grounds();
            assertThat(grounds.slots())
                    .isEqualTo(grounds.blocks().stream()
                            .mapToInt(PlannedBlock::footprint)
                            .sum());
            assertThat(grounds.blocks()).hasSameSizeAs(plan.blocksOf(grounds.fixture()));
        });
    }

    private static Set<FixtureKey> keys(List<Finding> findings) {
        return findings.stream().flatMap(f -> f.fixtures().stream()).collect(Collectors.toCollection(TreeSet::new));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void anIdThatSeveralHaveIsFoundOnceWithAllOfThemAndTheNextFreeOne(long seed) {
        Plan plan = rig(seed);
        Map<Integer, Set<FixtureKey>> byId = new HashMap<>();
        plan.fixtures()
                .forEach(f -> f.id().ifPresent(i ->
                        byId.computeIfAbsent(i.number(), n -> new TreeSet<>()).add(f.key())));
        Map<Integer, Set<FixtureKey>> seen = new HashMap<>();
        for (Finding finding : found(plan, Rule.DUPLICATE_ID)) {
            Grounds.DuplicateId grounds = (Grounds.DuplicateId) finding.grounds();
            seen.put(grounds.id().number(), new TreeSet<>(finding.fixtures()));
            int next = grounds.id().number() + 1;
            while (byId.containsKey(next)) {
                next++;
            }
            assertThat(grounds.free().orElseThrow().number()).isEqualTo(next);
            assertThat(grounds.places()).allMatch(p -> p.contains(", unit "));
        }
        byId.values().removeIf(keys -> keys.size() < 2);
        assertThat(seen).isEqualTo(byId);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aUniverseThatNothingCarriesIsFoundWithItsSlotsCountedOnce(long seed) {
        Plan plan = rig(seed);
        Map<Integer, Integer> expected = new TreeMap<>();
        byUniverse(plan).forEach((universe, blocks) -> {
            if (plan.universe(UniverseNumber.of(universe)).routes().isEmpty()) {
                BitSet used = new BitSet();
                blocks.forEach(b -> used.set(first(b), last(b) + 1));
                expected.put(universe, used.cardinality());
            }
        });
        Map<Integer, Integer> seen = new TreeMap<>();
        boolean oneIsUsed = plan.universe(UniverseNumber.of(2)).isRouted();
        for (Finding finding : found(plan, Rule.UNIVERSE_UNROUTED)) {
            Grounds.UniverseUnrouted grounds = (Grounds.UniverseUnrouted) finding.grounds();
            seen.put(grounds.universe().number(), grounds.slots());
            assertThat(finding.remedy().orElseThrow().label()).contains("to Quay port " + (oneIsUsed ? 2 : 1));
        }
        assertThat(seen).isEqualTo(expected);
    }

    /** Whoever shares an address on purpose goes along with the way out of an overlap: applied, it parts nobody. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theWayOutOfAnOverlapPartsNoShareAndBringsNoOther(long seed) {
        Plan plan = rig(seed);
        PlanCheck before = PlanCheck.of(plan);
        for (Finding finding : found(plan, Rule.OVERLAP).stream().limit(6).toList()) {
            if (finding.remedy().orElse(null) instanceof Remedy.Apply apply) {
                PlanCheck then = PlanCheck.of(Rigs.apply(plan, apply.edit()));
                assertThat(then.byRule().get(Rule.SHARE_BROKEN))
                        .as(apply.label())
                        .hasSameSizeAs(before.byRule().get(Rule.SHARE_BROKEN));
                assertThat(then.byRule().get(Rule.OVERLAP).size())
                        .as(apply.label())
                        .isLessThanOrEqualTo(before.byRule().get(Rule.OVERLAP).size());
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aCheckFindsWhatItHoldsByIdByFixtureAndBySeverity(long seed) {
        PlanCheck check = PlanCheck.of(rig(seed));
        assertThat(check.findings()).hasSize((int)
                Arrays.stream(Severity.values()).mapToLong(check::count).sum());
        for (Severity severity : Severity.values()) {
            assertThat(check.count(severity))
                    .isEqualTo(check.findings().stream()
                            .filter(f -> f.severity() == severity)
                            .count());
        }
        check.findings().forEach(f -> assertThat(check.find(f.id())).contains(f));
        assertThat(check.find("overlap:none")).isEmpty();
        FixtureKey key = FixtureKey.of(1);
        assertThat(check.of(key))
                .isEqualTo(check.findings().stream()
                        .filter(f -> f.fixtures().contains(key))
                        .toList());
    }
}
