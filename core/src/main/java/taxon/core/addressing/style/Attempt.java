package taxon.core.addressing.style;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.dmx.StartAddress;
import taxon.core.packing.Effort;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.wish.Wish.Style;

/** To lay a request on a plan: who would lose an address stays where it is, and the others are laid round it. */
record Attempt(Plan plan, PlacementRequest request) {
    /** What laying one piece takes beside the searches, about, in numbers. */
    private static final int LAYS_A_FIXTURE = 10 * Task.NUMBERS_OF_A_FIXTURE;

    /** How often those who find no place are taken as fixed before all who have an address are. */
    private static final int MOST_ROUNDS = 6;

    /** For so many layings there must be effort to begin. */
    private static final int LAYINGS = 3;

    /** With some of them apart, who are offered a place when the others have theirs. */
    Laid lay(Style style, Set<FixtureKey> apart, Effort effort) {
        Set<FixtureKey> held = new HashSet<>(apart);
        int leftAtLeast = 0;
        for (int round = 0; ; round++) {
            Task task = Task.of(plan, request, held, effort);
            Layout layout = WholeFixtures.of(task, lay(task, style));
            leftAtLeast = held.isEmpty() ? layout.leftAtLeast() : leftAtLeast;
            Set<FixtureKey> losing = losing(task.request(), layout);
            if (losing.isEmpty()) {
                return new Laid(task, layout, HeldFixtures.of(task, layout, held), leftAtLeast);
            }
            held.addAll(
                    round < MOST_ROUNDS && !effort.isSpent()
                            ? losing
                            : addressed(task.request().fixtures()));
        }
    }

    private static Layout lay(Task task, Style style) {
        // Seating all and looking for places is counted at a flat rate, so that laying again and again comes to an end.
        task.effort().spend((long) LAYS_A_FIXTURE * task.request().pieces().size());
        return switch (style) {
            case IN_ORDER -> InOrder.lay(task);
            case FEWEST_UNIVERSES -> FewestUniverses.lay(task);
            case LEAST_CHANGE -> LeastChange.lay(task);
            case COMPACT_BY_PORT -> FewestUniverses.layByPort(task);
        };
    }

    /** Those who would lose an address. */
    private static Set<FixtureKey> losing(ResolvedRequest request, Layout layout) {
        Set<FixtureKey> losing = addressed(request.fixtures());
        losing.retainAll(layout.unplaced(request.pieces()));
        return losing;
    }

    private static Set<FixtureKey> addressed(List<Fixture> fixtures) {
        Set<FixtureKey> keys = new HashSet<>();
        fixtures.stream().filter(f -> !f.addresses().isEmpty()).forEach(f -> keys.add(f.key()));
        return keys;
    }

    /** True when so much effort would do to search and not only to lay, which may have to be done again and again. */
    boolean isEnough(long numbers) {
        return numbers > layings(LAYINGS);
    }

    /** What so many layings of the whole rig take without any search, about, in numbers. */
    long layings(int count) {
        return (long) count * LAYS_A_FIXTURE * plan.fixtures().size();
    }

    /** Where the blocks of a fixture are in the plan, by block. */
    Map<Integer, StartAddress> addresses(FixtureKey key) {
        return plan.fixture(key).orElseThrow().addresses();
    }

    int slots(FixtureKey key) {
        return plan.fixture(key).map(plan::blocksOf).orElse(List.of()).stream()
                .mapToInt(PlannedBlock::footprint)
                .sum();
    }
}
