package taxon.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import taxon.core.dmx.StartAddress;
import taxon.core.finding.PlanCheck;
import taxon.core.length.Length;
import taxon.core.lines.LineProposal;
import taxon.core.lines.LineProposal.Sum;
import taxon.core.lines.LineWish;
import taxon.core.network.CableRules;
import taxon.core.network.Ipv4;
import taxon.core.rig.Box;
import taxon.core.rig.BoxPlace;
import taxon.core.rig.Element;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.rig.edit.Edit;
import taxon.core.routing.RouteProposal;
import taxon.core.routing.RouteWish;
import taxon.core.testing.Rigs;

/**
 * How long routes and lines of large rigs take: the middle of several runs after a warm-up, and how near the lines are to their
 * bound. Prints a table.
 */
public final class LineFigures {
    private static final double NANOS_PER_MS = 1e6;
    private static final int RUNS = 7;
    private static final int WARM_UP = 6;
    private static final int ON_A_TRUSS = 25;

    private LineFigures() {}

    /** Takes no arguments; prints to standard output. */
    public static void main(String[] arguments) {
        System.out.printf(
                Locale.ROOT,
                "%9s %9s %12s %12s %12s %12s %7s %9s %10s %12s%n",
                "fixtures",
                "universes",
                "routes, ms",
                "nearest, ms",
                "lines, ms",
                "findings, ms",
                "lines",
                "not fewer",
                "proved",
                "cable/bound");
        measure(400, 13);
        measure(2_000, 64);
        measure(10_000, 400);
    }

    /** Fixtures on trusses of 25 in rows across a hall, a universe along each stretch, and a node of eight ports at every second truss. */
    private static Plan rig(int fixtures, int universes) {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 12), 1, 1);
        Fixture one = plan.fixtures().get(0);
        plan = plan.with(IntStream.rangeClosed(1, fixtures)
                .mapToObj(
                        key -> Fixture.of(FixtureKey.of(key), Optional.of(FixtureId.of(key)), one.model(), one.place()))
                .toList());
        List<Element> all = new ArrayList<>();
        int trusses = (fixtures + ON_A_TRUSS - 1) / ON_A_TRUSS;
        for (int truss = 1; truss <= trusses; truss++) {
            all.add(new Position(
                    truss,
                    "Truss " + truss,
                    PositionKind.TRUSS,
                    new PositionGeometry(
                            Optional.of(Length.metres("26")),
                            Length.metres("" + (truss % 4 * 30)),
                            Length.metres("" + (truss / 4 * 3)),
                            Length.metres("" + (6 + truss % 3)),
                            0)));
            if (truss % 2 == 0) {
                all.add(Box.node(truss, "Node " + truss, Ipv4.of(10, 0, truss / 200, truss % 200 + 1), 8)
                        .at(BoxPlace.at(truss)));
            }
        }
        List<Fixture> hung = plan.fixtures();
        for (int i = 0; i < hung.size(); i++) {
            int universe = 1 + (int) ((long) i * universes / fixtures);
            int before = (int) (((long) (universe - 1) * fixtures + universes - 1) / universes);
            all.add(hung.get(i)
                    .withAddress(1, Optional.of(StartAddress.of(universe, 1 + 12 * (i - before))))
                    .withPlace(1 + i / ON_A_TRUSS, 1 + i % ON_A_TRUSS)
                    .withOffset(Optional.of(Length.metres("" + (i % ON_A_TRUSS - 12)))));
        }
        return plan.with(all);
    }

    private static void measure(int fixtures, int universes) {
        Plan plan = rig(fixtures, universes);
        double routes = middle(() ->
                RouteProposal.of(plan, new RouteWish(RouteWish.Aim.FEWEST_BOXES, RouteWish.Protocol.ART_NET, false)));
        RouteWish least = new RouteWish(RouteWish.Aim.LEAST_CABLE, RouteWish.Protocol.ART_NET, false);
        double nearest = middle(() -> RouteProposal.of(plan, least));
        Plan routed = applied(RouteProposal.of(plan, least).edit(), plan);
        LineWish wish = new LineWish(CableRules.USUAL, false, Set.of());
        double lines = middle(() -> LineProposal.of(routed, wish));
        LineProposal proposal = LineProposal.of(routed, wish);
        Plan lined = applied(proposal.edit(), routed);
        double findings = middle(() -> PlanCheck.of(lined));
        List<Sum> sums = proposal.sums();
        System.out.printf(
                Locale.ROOT,
                "%9d %9d %12.0f %12.0f %12.0f %12.0f %7d %9s %10s %12.3f%n",
                fixtures,
                universes,
                routes,
                nearest,
                lines,
                findings,
                sums.stream().mapToInt(Sum::lines).sum(),
                sums.stream().filter(s -> s.lines() == s.fewest()).count() + "/" + sums.size(),
                sums.stream().filter(Sum::isProved).count() + "/" + sums.size(),
                sums.stream().mapToDouble(Sum::cable).sum()
                        / sums.stream().mapToDouble(s -> s.least().orElse(0.0)).sum());
    }

    private static Plan applied(Edit edit, Plan plan) {
        if (edit.applyTo(plan) instanceof Edit.Changed changed) {
            return changed.plan();
        }
        throw new IllegalStateException(edit.title());
    }

    private static double middle(Supplier<?> work) {
        List<Double> times = new ArrayList<>();
        for (int run = 0; run < RUNS + WARM_UP; run++) {
            long begun = System.nanoTime();
            Object done = work.get();
            double ms = (System.nanoTime() - begun) / NANOS_PER_MS;
            if (run >= WARM_UP && done != null) {
                times.add(ms);
            }
        }
        return times.stream().sorted().toList().get(RUNS / 2);
    }
}
