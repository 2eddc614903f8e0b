package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;
import taxon.oracle.Oracle;
import taxon.oracle.Oracle.Rules;
import taxon.oracle.Oracle.Word;
import taxon.oracle.OracleRig;
import taxon.oracle.OracleRig.Taken;
import taxon.oracle.OracleRig.Unit;

/**
 * "Least change" against another solver (OR-Tools, CP-SAT): the price is what the definition says, and where Taxon says
 * proved, no plan costs less. More rigs with {@code -Dtaxon.oracle.rigs=N}.
 */
class LeastChangeOracleTest {
    private static final int RIGS = Integer.getInteger("taxon.oracle.rigs", 8);

    private int proved;
    private int unknown;
    private int all;

    @Test
    void costsNoMoreThanNeededWhereThereIsRoomEnough() {
        for (int seed = 1; seed <= RIGS; seed++) {
            Random random = new Random(seed);
            int count = 1 + random.nextInt(60);
            OracleRig rig = scattered(random, count, 1 + count / 12, 60);
            Rules rules = new Rules(
                    random.nextInt(3), 512 - random.nextInt(60), random.nextInt(4) == 0 ? 8 : 1, 1, 2 * count / 5 + 8);
            check("seed " + seed + " " + rules, rig, rules);
        }
        report("room enough, 1 to 60 units");
    }

    @Test
    void costsNoMoreThanNeededWhereOthersMustMakeRoom() {
        for (int seed = 1; seed <= RIGS; seed++) {
            Random random = new Random(50_000 + seed);
            int universes = 1 + random.nextInt(3);
            OracleRig rig = tight(random, universes);
            Rules rules = Rules.close(universes);
            AddressProposal proposal = propose(rig, rules);
            if (proposal.leftOut().isEmpty()) {
                check("seed " + seed + " " + rules, rig, rules);
            } else {
                // Whatever the price: there is no plan that places all of them.
                assertThat(Oracle.costsAtMost(rig, rules, Integer.MAX_VALUE / 2))
                        .as("seed " + seed + ": the oracle places all of " + rig)
                        .isNotEqualTo(Word.YES);
            }
        }
        report("tight, others must make room");
    }

    /** Units on any slots of so many universes, some set, some without address, with a locked one and a reserved run. */
    private static OracleRig scattered(Random random, int count, int universes, int high) {
        List<Unit> units = new ArrayList<>();
        int[] lengths = random.ints(1 + random.nextInt(5), 1, high).toArray();
        for (int i = 0; i < count; i++) {
            int length = lengths[random.nextInt(lengths.length)];
            units.add(
                    random.nextInt(6) == 0
                            ? Unit.unplaced(length)
                            : new Unit(
                                    length,
                                    1 + random.nextInt(universes),
                                    1 + random.nextInt(512),
                                    random.nextBoolean()));
        }
        List<Unit> locked = random.nextBoolean() ? List.of(new Unit(24, 1, 1 + random.nextInt(400), true)) : List.of();
        List<Taken> reserved =
                random.nextBoolean() ? List.of(new Taken(1 + random.nextInt(universes), 97, 140)) : List.of();
        return new OracleRig(units, locked, reserved);
    }

    /** Universes nearly full of units with holes between them, and some more units that must find a place. */
    private static OracleRig tight(Random random, int universes) {
        List<Unit> units = new ArrayList<>();
        for (int u = 1; u <= universes; u++) {
            int slot = 1;
            while (slot <= 512) {
                int length = 20 + random.nextInt(90);
                if (slot + length - 1 <= 512 && random.nextInt(5) > 0) {
                    units.add(new Unit(length, u, slot, random.nextInt(3) == 0));
                }
                slot += length;
            }
        }
        int free = universes * 512 - units.stream().mapToInt(Unit::length).sum();
        while (free > 30 && random.nextInt(4) > 0) {
            int length = 10 + random.nextInt(Math.min(90, free - 10));
            units.add(Unit.unplaced(length));
            free -= length;
        }
        return new OracleRig(units, List.of(), List.of());
    }

    private void check(String what, OracleRig rig, Rules rules) {
        AddressProposal proposal = propose(rig, rules);
        List<Unit> now = Legality.check(rig, rules, proposal, what);
        Optimum.Least proof = (Optimum.Least) proposal.optimum();
        assertThat(points(rig, now)).as(what).isEqualTo(proof.points());
        assertThat(proposal.price().points()).as(what).isEqualTo(proof.points());
        all++;
        proved += proof.isCertain() ? 1 : 0;
        Word cheaper = proof.atLeast() == 0 ? Word.NO : Oracle.costsAtMost(rig, rules, proof.atLeast() - 1);
        unknown += cheaper == Word.UNKNOWN ? 1 : 0;
        assertThat(cheaper).as(what + ": cheaper than " + proof + " " + rig).isNotEqualTo(Word.YES);
    }

    /** The price by the definition, from where things were and are. */
    private static int points(OracleRig rig, List<Unit> now) {
        int points = 0;
        for (int i = 0; i < rig.units().size(); i++) {
            Unit before = rig.units().get(i);
            Unit after = now.get(i);
            boolean moved = before.universe() != after.universe() || before.slot() != after.slot();
            points += !moved || before.universe() == 0 ? 0 : before.set() ? 10 : 1;
        }
        return points;
    }

    private static AddressProposal propose(OracleRig rig, Rules rules) {
        Starts starts = rules.round() > 1 ? Starts.ROUND : Starts.ANYWHERE;
        Wish wish = Wish.USUAL
                .withStyle(Style.LEAST_CHANGE)
                .withSpacing(new Spacing(rules.gap(), starts, rules.round(), false))
                .withHeadroom(Headroom.ofSlots(512 - rules.last()))
                .within(StartAddress.of(1, 1), UniverseSet.of(1, rules.universes()));
        return Planner.propose(rig.plan(), new PlacementRequest(Scope.ALL, Set.of(), wish));
    }

    private void report(String what) {
        System.out.println("least change, " + what + ": " + proved + " of " + all
                + " proved; the oracle came to no end on " + unknown);
        assertThat(unknown).as("questions without an answer").isLessThanOrEqualTo(all / 2);
        assertThat(proved).as("proved").isGreaterThanOrEqualTo(all - all / 200);
    }
}
