package taxon.core.addressing.style;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.PlacementRequest;
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
    /** How often what lies better is the start for another look. */
    private static final int MOST_ROUNDS = 6;

    /** How often another style lays anew until nobody loses an address, in most rigs. */
    private static final int LAYINGS_INSTEAD = 4;

    /** Where the wanted style took no more than this part of the effort, another may take as much at last. */
    private static final int PARTS_AT_LAST = 8;

    private static final Map<Style, Style> INSTEAD = Map.of(
            Style.FEWEST_UNIVERSES, Style.IN_ORDER,
            Style.COMPACT_BY_PORT, Style.IN_ORDER,
            Style.LEAST_CHANGE, Style.FEWEST_UNIVERSES);

    /**
     * Where a style still leaves somebody out who might be placed, this one is asked with all that it tries itself. None for port
     * by port: the others know nothing of the units that a line may have.
     */
    private static final Map<Style, Style> AT_LAST =
            Map.of(Style.FEWEST_UNIVERSES, Style.LEAST_CHANGE, Style.LEAST_CHANGE, Style.FEWEST_UNIVERSES);

    private Styles() {}

    /** The layout in the wanted style. */
    public static Laid lay(Plan plan, PlacementRequest request, Effort effort) {
        Attempt attempt = new Attempt(plan, request);
        long given = effort.left();
        Laid own = inRounds(attempt, effort);
        long taken = given - effort.left();
        Optional<Style> last = Optional.ofNullable(AT_LAST.get(request.wish().style()));
        boolean mayImprove = own.left() > own.leftAtLeast() && taken <= given / PARTS_AT_LAST;
        if (last.isEmpty() || !mayImprove || !attempt.isEnough(taken)) {
            return own;
        }
        Attempt inLast = new Attempt(plan, request.withStyle(last.get()));
        Laid other = effort.within(taken, e -> inRounds(inLast, e));
        Optional<Laid> fewer =
                Optional.of(other).filter(o -> o.left() < own.left()).flatMap(o -> asWished(attempt, o, effort));
        return fewer.orElse(own).atLeast(Math.max(own.leftAtLeast(), other.leftAtLeast()));
    }

    /**
     * What was laid in another style as a layout of this request; nothing where it lets blocks stay or lie apart that this
     * request wants to follow each other.
     */
    static Optional<Laid> asWished(Attempt attempt, Laid other, Effort effort) {
        Laid carried = carried(attempt, other, effort);
        boolean mayStayApart = attempt.request().wish().style() == Style.LEAST_CHANGE;
        boolean together = carried.task().request().pieces().stream()
                .filter(carried.layout()::keeps)
                .allMatch(p -> mayStayApart || p.isTogether());
        List<Fixture> wanted = HeldFixtures.placed(other).fixtures();
        return Optional.of(carried)
                .filter(c -> together && HeldFixtures.placed(c).fixtures().equals(wanted));
    }

    private static Laid inRounds(Attempt attempt, Effort effort) {
        PlacementRequest request = attempt.request();
        Laid best = once(attempt, effort);
        boolean mayImprove = request.wish().style() != Style.IN_ORDER;
        for (int round = 0; round < MOST_ROUNDS && mayImprove && best.left() > 0; round++) {
            long part = effort.left() / 2;
            if (!attempt.isEnough(part)) {
                return best;
            }
            // A rig that lies better already shows the way to who is still left out.
            Plan after = HeldFixtures.placed(best);
            Laid next = effort.within(part, e -> once(new Attempt(after, request), e));
            if (next.left() >= best.left()) {
                return best;
            }
            best = carried(attempt, next, effort).atLeast(best.leftAtLeast());
        }
        return best;
    }

    private static Laid once(Attempt attempt, Effort effort) {
        Style style = attempt.request().wish().style();
        Laid own = effort.within(effort.left() / 2, e -> attempt.lay(style, Set.of(), e));
        Optional<Style> instead = Optional.ofNullable(INSTEAD.get(style));
        if (own.left() == 0 || effort.isSpent()) {
            return own;
        }
        FewerLeftOut fewer = new FewerLeftOut(attempt, effort);
        if (instead.isEmpty()) {
            return fewer.withoutNewOnes(own);
        }
        Laid other = effort.within(forInstead(attempt, effort), e -> attempt.lay(instead.get(), Set.of(), e));
        int bound = Math.max(own.leftAtLeast(), other.leftAtLeast());
        return fewer.than(other.left() < own.left() ? other : own).atLeast(bound);
    }

    /** Half of what is left; more where that is too little to lay a large rig as often as it may take. */
    private static long forInstead(Attempt attempt, Effort effort) {
        return Math.max(effort.left() / 2, Math.min(effort.left(), attempt.layings(LAYINGS_INSTEAD)));
    }

    /** What was laid on a plan that lay better already, as a layout for the plan as it is. */
    static Laid carried(Attempt attempt, Laid next, Effort effort) {
        Plan after = HeldFixtures.placed(next);
        Set<FixtureKey> apart = next.leftOut();
        // Who was moved before and is left out of the next step lies where that put him: others keep away from there.
        Attempt moved = new Attempt(after, attempt.request());
        apart.removeIf(k -> !attempt.addresses(k).equals(moved.addresses(k)));
        Task task = Task.of(attempt.plan(), attempt.request(), apart, effort);
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

    /** How many ports of a plan there are to which a universe can be routed. */
    public static int ports(Plan plan) {
        return FewestUniverses.ports(plan);
    }
}
