package taxon.bench;

import java.util.List;
import java.util.Random;
import java.util.Set;
import taxon.core.addressing.Planner;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;
import taxon.oracle.Oracle;
import taxon.oracle.Oracle.Rules;
import taxon.oracle.OracleRig;
import taxon.oracle.OracleRig.Unit;

/**
 * "Fewest universes" against OR-Tools CP-SAT on the same rigs in the same run. Both must find a plan and prove that one
 * universe fewer does not do; the solver is told how many universes to prove, which spares it the search for the number.
 */
public final class OracleRace {
    private static final int RIGS = 60;
    private static final int WARM = 3;
    private static final int WARM_RIGS = 200;
    private static final double NANOS_PER_MS = 1e6;

    private OracleRace() {}

    /** Takes no arguments; prints to standard output. */
    public static void main(String[] arguments) {
        warmUp();
        for (int units : new int[] {20, 40, 60}) {
            race(units);
        }
    }

    /** Rigs of other lengths, so that the first line is not the first code that runs. */
    private static void warmUp() {
        for (int seed = 1; seed <= WARM_RIGS; seed++) {
            OracleRig rig = new OracleRig(OracleRig.units(new Random(-seed), 30, 8, 3, 200), List.of(), List.of());
            int universes = universes(rig);
            int used = ((Optimum.Universes)
                            Planner.propose(rig.plan(), request(universes)).optimum())
                    .used();
            if (seed <= WARM) {
                Oracle.fitsOn(rig, Rules.close(universes), used);
            }
        }
    }

    private static int universes(OracleRig rig) {
        return rig.units().stream().mapToInt(Unit::length).sum() / 256 + 2;
    }

    private static PlacementRequest request(int universes) {
        Wish wish = Wish.USUAL
                .withStyle(Style.FEWEST_UNIVERSES)
                .within(StartAddress.of(1, 1), UniverseSet.of(1, universes));
        return new PlacementRequest(Scope.ALL, Set.of(), wish);
    }

    private static void race(int units) {
        double mine = 0;
        double solver = 0;
        int proved = 0;
        int ended = 0;
        for (int seed = 1; seed <= RIGS; seed++) {
            Random random = new Random(seed);
            OracleRig rig = new OracleRig(OracleRig.units(random, units, 8, 3, 200), List.of(), List.of());
            int universes = universes(rig);
            Plan plan = rig.plan();
            PlacementRequest request = request(universes);
            for (int i = 0; i < WARM; i++) {
                Planner.propose(plan, request);
            }
            long start = System.nanoTime();
            AddressProposal proposal = Planner.propose(plan, request);
            mine += (System.nanoTime() - start) / NANOS_PER_MS;
            Optimum.Universes proof = (Optimum.Universes) proposal.optimum();
            proved += proof.isCertain() ? 1 : 0;
            start = System.nanoTime();
            Oracle.Word fits = Oracle.fitsOn(rig, Rules.close(universes), proof.used());
            Oracle.Word fewer = Oracle.fitsOn(rig, Rules.close(universes), proof.used() - 1);
            solver += (System.nanoTime() - start) / NANOS_PER_MS;
            ended += fits == Oracle.Word.YES && fewer == Oracle.Word.NO ? 1 : 0;
        }
        System.out.printf(
                "fewest universes, %d units: Taxon %.2f ms, %d of %d proved; CP-SAT %.1f ms, %d ended within 2 s; ratio %.0f%n",
                units, mine / RIGS, proved, RIGS, solver / RIGS, ended, solver / mine);
    }
}
