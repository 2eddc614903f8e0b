package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
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
 * "Fewest universes" against another solver (OR-Tools, CP-SAT): where Taxon says proved, no plan with one universe fewer may
 * exist; what it says is at least needed must be needed. More rigs with {@code -Dtaxon.oracle.rigs=N}.
 */
class FewestOracleTest {
    private static final int RIGS = Integer.getInteger("taxon.oracle.rigs", 8);

    private int proved;
    private int unknown;
    private int all;

    @Test
    void neverUsesMoreUniversesThanNeededOnRandomRigs() {
        for (int seed = 1; seed <= RIGS; seed++) {
            Random random = new Random(seed);
            int count = 1 + random.nextInt(60);
            int high = 20 + random.nextInt(300);
            List<Unit> units = OracleRig.units(random, count, 1 + random.nextInt(count), 1, high);
            check("seed " + seed, new OracleRig(units, List.of(), List.of()), Rules.close(universes(units)));
        }
        report("random rigs of 1 to 60 units");
    }

    @Test
    void neverUsesMoreWithGapsHeadroomRoundStartsAndPitch() {
        for (int seed = 1; seed <= RIGS / 4; seed++) {
            Random random = new Random(10_000 + seed);
            int gap = random.nextInt(5);
            int last = 512 - random.nextInt(120);
            int step = List.of(1, 5, 8, 10, 16, 20).get(random.nextInt(6));
            boolean round = random.nextBoolean();
            List<Unit> units = OracleRig.units(random, 1 + random.nextInt(40), 1 + random.nextInt(8), 1, 150);
            Rules rules = new Rules(gap, last, round ? step : 1, round ? 1 : step, universes(units) + 2);
            check("seed " + seed + " " + rules, new OracleRig(units, List.of(), List.of()), rules);
        }
        report("gaps, headroom, round starts, pitch");
    }

    @Test
    void neverUsesMoreBesideReservedRunsAndLockedFixtures() {
        for (int seed = 1; seed <= RIGS / 4; seed++) {
            Random random = new Random(20_000 + seed);
            List<Unit> units = OracleRig.units(random, 1 + random.nextInt(30), 1 + random.nextInt(6), 1, 200);
            List<Unit> locked = IntStream.range(0, random.nextInt(4))
                    .mapToObj(i -> new Unit(20, 1 + random.nextInt(2), 1 + 60 * i + random.nextInt(40), false))
                    .toList();
            List<Taken> reserved = IntStream.range(0, random.nextInt(3))
                    .mapToObj(i -> new Taken(1 + i, 300 + random.nextInt(50), 360 + random.nextInt(100)))
                    .toList();
            check("seed " + seed, new OracleRig(units, locked, reserved), Rules.close(universes(units) + 3));
        }
        report("reserved runs and locked fixtures");
    }

    @Test
    void findsTheFewestWhereLongestFirstFails() {
        // Exactly full: found by drawing pieces from whole universes; longest first does not pack many of these.
        for (int seed = 1; seed <= Math.min(60, RIGS); seed++) {
            Random random = new Random(30_000 + seed);
            int universes = 2 + random.nextInt(8);
            int[] lengths = IntStream.range(0, universes)
                    .flatMap(u -> pieces(random, 2 + random.nextInt(5)))
                    .toArray();
            AddressProposal proposal =
                    check("exactly full, seed " + seed, OracleRig.of(lengths), Rules.close(universes + 3));
            assertThat(((Optimum.Universes) proposal.optimum()).used()).isEqualTo(universes);
        }
        structured("all 16s", 6, fill(190, 16));
        structured("3s with 27s", 5, join(fill(170, 3), fill(72, 27)));
        structured("511s and 1s", 20, join(fill(20, 511), fill(20, 1)));
        structured("257s with 255s", 25, join(fill(25, 257), fill(25, 255)));
        structured("a third and a bit", 15, fill(30, 171));
        structured("halves and a bit with 1s", 12, join(fill(12, 257), fill(200, 1)));
        structured("quarters and a bit", 14, fill(40, 129));
        report("structured rigs");
    }

    private void structured(String what, int fewest, int... lengths) {
        AddressProposal proposal = check(what, OracleRig.of(lengths), Rules.close(fewest + 2));
        Optimum.Universes proof = (Optimum.Universes) proposal.optimum();
        assertThat(proof.used()).as(what).isEqualTo(fewest);
        assertThat(proof.isCertain()).as(what).isTrue();
    }

    private static IntStream pieces(Random random, int count) {
        TreeSet<Integer> cuts = new TreeSet<>(Set.of(512));
        while (cuts.size() < count) {
            cuts.add(1 + random.nextInt(511));
        }
        List<Integer> ends = new ArrayList<>(cuts);
        return IntStream.range(0, count).map(i -> ends.get(i) - (i == 0 ? 0 : ends.get(i - 1)));
    }

    private static int[] fill(int count, int length) {
        int[] lengths = new int[count];
        Arrays.fill(lengths, length);
        return lengths;
    }

    private static int[] join(int[] one, int[] two) {
        return IntStream.concat(IntStream.of(one), IntStream.of(two)).toArray();
    }

    private static int universes(List<Unit> units) {
        return units.stream().mapToInt(Unit::length).sum() / 256 + 2;
    }

    private AddressProposal check(String what, OracleRig rig, Rules rules) {
        AddressProposal proposal = Planner.propose(rig.plan(), new PlacementRequest(Scope.ALL, Set.of(), wish(rules)));
        List<Unit> now = Legality.check(rig, rules, proposal, what);
        Optimum.Universes proof = (Optimum.Universes) proposal.optimum();
        assertThat(now.stream().map(Unit::universe).distinct().count()).as(what).isEqualTo(proof.used());
        all++;
        proved += proof.isCertain() ? 1 : 0;
        Word fewer = Oracle.fitsOn(rig, rules, proof.atLeast() - 1);
        unknown += fewer == Word.UNKNOWN ? 1 : 0;
        assertThat(fewer)
                .as(what + ": the oracle needs fewer than " + proof.atLeast())
                .isNotEqualTo(Word.YES);
        return proposal;
    }

    private static Wish wish(Rules rules) {
        Starts starts = rules.round() > 1 ? Starts.ROUND : rules.pitch() > 1 ? Starts.PITCH : Starts.ANYWHERE;
        return Wish.USUAL
                .withStyle(Style.FEWEST_UNIVERSES)
                .withSpacing(new Spacing(rules.gap(), starts, Math.max(rules.round(), rules.pitch()), false))
                .withHeadroom(Headroom.ofSlots(512 - rules.last()))
                .within(StartAddress.of(1, 1), UniverseSet.of(1, rules.universes()))
                .withUnitsPerLine(Optional.empty());
    }

    private void report(String what) {
        System.out.println("fewest universes, " + what + ": " + proved + " of " + all
                + " proved; the oracle came to no end on " + unknown);
        assertThat(unknown).as("questions without an answer").isLessThanOrEqualTo(all / 2);
        assertThat(proved).as("proved").isGreaterThanOrEqualTo(all - all / 500);
    }
}
