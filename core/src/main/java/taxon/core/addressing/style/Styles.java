package taxon.core.addressing.style;

import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.dmx.StartAddress;
import taxon.core.packing.Effort;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.wish.Wish.Style;

/**
 * Lays a request in the style that its wish names, and sees to what holds in every style: a fixture is placed whole or not at
 * all; who finds no place keeps the address that it has, and the others are laid round it; where a style leaves fixtures out,
 * another is tried, and those first who have an address, and the one that leaves out fewer is taken.
 */
public final class Styles {
    /** How often those who find no place are taken as fixed before all who have an address are. */
    private static final int MOST_ROUNDS = 6;

    /** What laying one piece takes beside the searches, about, in numbers. */
    private static final int LAYS_A_FIXTURE = 10 * Task.NUMBERS_OF_A_FIXTURE;

    /** How often another style lays anew until nobody loses an address, in most rigs. */
    private static final int ROUNDS_INSTEAD = 4;

    /** For so many layings there must be effort to begin an attempt. */
    private static final int LAYINGS_OF_AN_ATTEMPT = 3;

    /** Of those who are left out, how many parts are tried apart from the others: a third, two thirds, all. */
    private static final int PARTS = 3;

    /** Where no more than so many are left out, they are taken apart one by one, each with a part of the effort. */
    private static final int MOST_ALONE = 8;

    private static final int PARTS_OF_FEW = 6;

    /** New ones times all fixtures of the rig: each of the first is offered what the others leave. */
    private static final long MOST_OFFERS = 400_000;

    private static final Map<Style, Style> INSTEAD = Map.of(
            Style.FEWEST_UNIVERSES, Style.IN_ORDER,
            Style.COMPACT_BY_PORT, Style.IN_ORDER,
            Style.LEAST_CHANGE, Style.FEWEST_UNIVERSES);

    private Styles() {}

    /**
     * A layout and what it belongs to.
     *
     * @param held what became of those who found no place in the layout and were fixed where they are; no part of the task
     * @param leftAtLeast no layout of the whole request leaves fewer fixtures out
     */
    public record Laid(Task task, Layout layout, List<HeldFixtures.Outcome> held, int leftAtLeast) {
        public Laid {
            held = List.copyOf(held);
        }

        /** The fixtures that are left out. */
        public Set<FixtureKey> leftOut() {
            Set<FixtureKey> all = layout.unplaced(task.request().pieces());
            held.stream()
                    .filter(HeldFixtures.Outcome::isLeftOut)
                    .forEach(o -> all.add(o.fixture().key()));
            return all;
        }

        public int left() {
            return leftOut().size();
        }

        Laid atLeast(int fixtures) {
            return new Laid(task, layout, held, Math.max(leftAtLeast, fixtures));
        }
    }

    /** The layout in the wanted style. */
    public static Laid lay(Plan plan, PlacementRequest request, Effort effort) {
        Laid best = once(plan, request, effort);
        boolean mayImprove = request.wish().style() != Style.IN_ORDER;
        for (int round = 0; round < MOST_ROUNDS && mayImprove && best.left() > 0; round++) {
            long part = effort.left() / 2;
            if (!isEnough(part, plan)) {
                return best;
            }
            // A rig that lies better already shows the way to who is still left out.
            Plan after = HeldFixtures.placed(best);
            Laid next = effort.within(part, e -> once(after, request, e));
            if (next.left() >= best.left()) {
                return best;
            }
            best = carried(plan, request, next, effort).atLeast(best.leftAtLeast());
        }
        return best;
    }

    /** True when an attempt with so much effort could search and not only lay, which it may have to do again and again. */
    private static boolean isEnough(long part, Plan plan) {
        return part
                > (long) LAYINGS_OF_AN_ATTEMPT
                        * LAYS_A_FIXTURE
                        * plan.fixtures().size();
    }

    /** Half of what is left; more where that is too little to lay a large rig as often as it may take. */
    private static long forInstead(Effort effort, Plan plan) {
        long lays = (long) ROUNDS_INSTEAD * LAYS_A_FIXTURE * plan.fixtures().size();
        return Math.max(effort.left() / 2, Math.min(effort.left(), lays));
    }

    private static Laid once(Plan plan, PlacementRequest request, Effort effort) {
        Style style = request.wish().style();
        Laid own = effort.within(effort.left() / 2, e -> attempt(plan, request, style, Set.of(), e));
        Optional<Style> instead = Optional.ofNullable(INSTEAD.get(style));
        if (own.left() == 0 || effort.isSpent()) {
            return own;
        }
        if (instead.isEmpty()) {
            return withoutNewOnes(own, plan, request, effort);
        }
        Laid other = effort.within(forInstead(effort, plan), e -> attempt(plan, request, instead.get(), Set.of(), e));
        int bound = Math.max(own.leftAtLeast(), other.leftAtLeast());
        return improved(other.left() < own.left() ? other : own, plan, request, effort)
                .atLeast(bound);
    }

    /**
     * Looks for fewer who must be left out: who is, is taken apart, all of them or the longest, so that they take no room with
     * a part of them; when the others are placed they are offered what is left. Where they are few, each is taken apart alone,
     * all but each, and those who have no address yet, who are in nobody's way.
     */
    private static Laid improved(Laid found, Plan plan, PlacementRequest request, Effort effort) {
        List<FixtureKey> longestFirst = longestFirst(found, plan);
        Laid best = withoutNewOnes(found, plan, request, effort);
        for (int part = 1; part <= PARTS && isEnough(effort.left() / PARTS, plan); part++) {
            Set<FixtureKey> apart = new HashSet<>(longestFirst.subList(0, longestFirst.size() * part / PARTS));
            Laid again = again(apart, PARTS, plan, request, effort);
            boolean asWished = part == PARTS && again.left() == best.left();
            best = again.left() < best.left() || asWished ? again : best;
        }
        List<Set<FixtureKey>> few = best.left() > MOST_ALONE ? List.of() : fewApart(best, plan);
        for (Set<FixtureKey> apart : few) {
            // Where somebody with an address was left out, the new ones were apart before, with more effort.
            boolean known = leavesOutAddressed(found, plan) && apart.equals(newOnes(found));
            if (!known && best.left() > best.leftAtLeast() && isEnough(effort.left() / PARTS_OF_FEW, plan)) {
                Laid again = again(apart, PARTS_OF_FEW, plan, request, effort);
                best = again.left() < best.left() ? again : best;
            }
        }
        return best;
    }

    /**
     * Who has no address yet is in nobody's way while it waits. So where others would stay where they cannot lie, those alone
     * are laid first, and the new ones are offered what is left.
     */
    private static Laid withoutNewOnes(Laid found, Plan plan, PlacementRequest request, Effort effort) {
        Set<FixtureKey> apart = newOnes(found);
        if (!leavesOutAddressed(found, plan) || !areFew(apart, plan) || !isEnough(effort.left() / PARTS, plan)) {
            return found;
        }
        Laid again = again(apart, PARTS, plan, request, effort);
        return again.left() < found.left() ? again.atLeast(found.leftAtLeast()) : found;
    }

    private static boolean leavesOutAddressed(Laid found, Plan plan) {
        return found.leftOut().stream().anyMatch(k -> !addresses(plan, k).isEmpty());
    }

    private static Laid again(Set<FixtureKey> apart, int parts, Plan plan, PlacementRequest request, Effort effort) {
        return effort.within(
                effort.left() / parts,
                e -> attempt(plan, request, request.wish().style(), apart, e));
    }

    /** So few that each can be offered what the others leave. */
    private static boolean areFew(Set<FixtureKey> apart, Plan plan) {
        return !apart.isEmpty() && (long) apart.size() * plan.fixtures().size() <= MOST_OFFERS;
    }

    private static Set<FixtureKey> newOnes(Laid found) {
        return Stream.concat(
                        found.task().request().fixtures().stream(),
                        found.held().stream().map(HeldFixtures.Outcome::fixture))
                .filter(f -> f.addresses().isEmpty())
                .map(Fixture::key)
                .collect(Collectors.toSet());
    }

    private static List<FixtureKey> longestFirst(Laid found, Plan plan) {
        return found.leftOut().stream()
                .sorted(Comparator.comparingInt((FixtureKey k) -> -slots(plan, k))
                        .thenComparing(k -> k))
                .toList();
    }

    private static List<Set<FixtureKey>> fewApart(Laid found, Plan plan) {
        Set<Set<FixtureKey>> apart = new LinkedHashSet<>();
        apart.add(Optional.of(newOnes(found)).filter(n -> areFew(n, plan)).orElse(Set.of()));
        List<FixtureKey> longestFirst = longestFirst(found, plan);
        longestFirst.forEach(k -> apart.add(Set.of(k)));
        for (FixtureKey key : longestFirst) {
            Set<FixtureKey> others = new HashSet<>(longestFirst);
            others.remove(key);
            apart.add(others);
        }
        apart.remove(Set.<FixtureKey>of());
        return List.copyOf(apart);
    }

    /** What was laid on a plan that lay better already, as a layout for the plan as it is. */
    private static Laid carried(Plan plan, PlacementRequest request, Laid next, Effort effort) {
        Plan after = HeldFixtures.placed(next);
        Set<FixtureKey> apart = next.leftOut();
        // Who was moved before and is left out of the next step lies where that put him: others keep away from there.
        apart.removeIf(k -> !addresses(plan, k).equals(addresses(after, k)));
        Task task = Task.of(plan, request, apart, effort);
        Map<Integer, StartAddress> starts = new TreeMap<>();
        Set<Integer> kept = new HashSet<>();
        for (Piece piece : task.request().pieces()) {
            boolean same = piece.blocks().stream()
                    .allMatch(b -> b.start().isPresent()
                            && after.block(b.ref()).flatMap(PlannedBlock::start).equals(b.start()));
            if (same && !piece.shares()) {
                kept.add(piece.index());
            }
            after.block(piece.blocks().get(0).ref())
                    .flatMap(PlannedBlock::start)
                    .ifPresent(a -> starts.put(piece.index(), a));
        }
        Layout layout = new Layout(
                Layout.starts(task.request().pieces(), starts),
                kept,
                Map.of(),
                new Optimum.Unclaimed(),
                next.layout().leftAtLeast());
        return new Laid(task, layout, HeldFixtures.of(task, layout, apart), 0);
    }

    private static Map<Integer, StartAddress> addresses(Plan plan, FixtureKey key) {
        return plan.fixture(key).orElseThrow().addresses();
    }

    private static int slots(Plan plan, FixtureKey key) {
        return plan.fixture(key).map(plan::blocksOf).orElse(List.of()).stream()
                .mapToInt(PlannedBlock::footprint)
                .sum();
    }

    private static Laid attempt(
            Plan plan, PlacementRequest request, Style style, Set<FixtureKey> apart, Effort effort) {
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

    /** How many ports of a plan there are to which a universe can be routed. */
    public static int ports(Plan plan) {
        return FewestUniverses.ports(plan);
    }
}
