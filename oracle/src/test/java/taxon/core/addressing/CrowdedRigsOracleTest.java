package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;
import taxon.core.testing.Rigs;
import taxon.oracle.Oracle;
import taxon.oracle.Oracle.Rules;
import taxon.oracle.Oracle.Word;
import taxon.oracle.OracleRig;
import taxon.oracle.OracleRig.Taken;
import taxon.oracle.OracleRig.Unit;

/**
 * Nearly full and impossible rigs against another solver (OR-Tools, CP-SAT): splits, pitch, gaps across narrow reserved runs,
 * locked units. Whatever the proposal says must be so: who is left out, that nobody else could be placed, the fewest, the
 * least; and nothing is taken from anybody. More rigs with {@code -Dtaxon.oracle.rigs=N}.
 */
class CrowdedRigsOracleTest {
    private static final int RIGS = Integer.getInteger("taxon.oracle.rigs", 4);

    private int all;
    private int whole;
    private int left;
    private int certain;
    private int missed;
    private int optimal;
    private int unknown;

    @Test
    void splitsPackedTogether() {
        run("splits", 1_000, Style.FEWEST_UNIVERSES, r -> rules(r, 0, 1, 1).inSplit());
    }

    @Test
    void splitsWithTheLeastChange() {
        run(
                "splits, least change",
                2_000,
                Style.LEAST_CHANGE,
                r -> rules(r, 0, 1, 1).inSplit());
    }

    @Test
    void gapsAcrossNarrowReservedRuns() {
        run("gaps across reserved runs", 3_000, Style.FEWEST_UNIVERSES, r -> rules(r, 4 + r.nextInt(20), 1, 1));
        run(
                "gaps across reserved runs, least change",
                4_000,
                Style.LEAST_CHANGE,
                r -> rules(r, 4 + r.nextInt(20), 1, 1));
    }

    @Test
    void pitchThatIsHeededByWhatStaysToo() {
        run("pitch", 5_000, Style.FEWEST_UNIVERSES, r -> rules(r, r.nextInt(3), 1, 2 + r.nextInt(40)));
        run("pitch, least change", 6_000, Style.LEAST_CHANGE, r -> rules(r, r.nextInt(3), 1, 2 + r.nextInt(40)));
    }

    @Test
    void roundStartsThatAreHeededByWhatStaysToo() {
        run("round starts, least change", 7_000, Style.LEAST_CHANGE, r -> rules(r, r.nextInt(3), 2 + r.nextInt(20), 1));
    }

    /** Fewest universes places all but two of this rig, and no plan places more; least change by itself leaves out three. */
    @ParameterizedTest
    @EnumSource(mode = EnumSource.Mode.EXCLUDE, names = "IN_ORDER")
    void whatOneStylePlacesAnotherDoesNotLeaveOut(Style style) {
        Random random = new Random(6_128);
        Rules rules = rules(random, random.nextInt(3), 1, 2 + random.nextInt(40));
        OracleRig rig = crowded(random, rules);
        AddressProposal proposal = Planner.propose(rig.plan(), request(rules, style));
        assertThat(proposal.leftOut()).hasSize(2);
        assertThat(proposal.certain()).isTrue();
        Legality.checkAllButLeftOut(rig, rules, proposal, style.toString());
        nothingIsTaken(rig, proposal, style.toString());
    }

    private static Rules rules(Random random, int gap, int round, int pitch) {
        return new Rules(gap, 512 - random.nextInt(40), round, pitch, 1 + random.nextInt(3));
    }

    private interface RuleMaker {
        Rules of(Random random);
    }

    private void run(String what, int firstSeed, Style style, RuleMaker maker) {
        for (int seed = firstSeed; seed < firstSeed + RIGS; seed++) {
            Random random = new Random(seed);
            Rules rules = maker.of(random);
            check(what + ", seed " + seed + " " + rules, crowded(random, rules), rules, style);
        }
        System.out.println(what + ": " + all + " rigs; all placed in " + whole + ", of those the best there can be in "
                + optimal + "; left out for certain in " + certain + " of " + left + ", more could be placed in "
                + missed
                + "; the oracle came to no end on " + unknown);
        assertThat(unknown).as(what + ": questions without an answer").isLessThanOrEqualTo(all / 2);
        // Whom to leave out of a rig that is too large is searched, not proved, unless the proposal says so.
        assertThat(missed).as(what + ": rigs of which more could be placed").isLessThanOrEqualTo(all / 20);
        assertThat(optimal).as(what + ": best there can be").isGreaterThanOrEqualTo(whole * 9 / 10);
    }

    /** A little more or less than there is room for, some of it placed at random, with narrow reserved runs. */
    private static OracleRig crowded(Random random, Rules rules) {
        int[] lengths = random.ints(1 + random.nextInt(4), 8, 90).toArray();
        List<Unit> units = new ArrayList<>();
        int room = rules.universes() * rules.last() * (70 + random.nextInt(40)) / 100;
        for (int used = 0; used < room && units.size() < 40; ) {
            int length = lengths[random.nextInt(lengths.length)];
            boolean placed = random.nextBoolean();
            units.add(
                    placed
                            ? new Unit(
                                    length,
                                    1 + random.nextInt(rules.universes()),
                                    1 + random.nextInt(512),
                                    random.nextBoolean())
                            : Unit.unplaced(length));
            used += rules.pace(length);
        }
        List<Taken> reserved = new ArrayList<>();
        for (int u = 1; u <= rules.universes(); u++) {
            int first = 30 + random.nextInt(400);
            reserved.add(new Taken(u, first, first + random.nextInt(6)));
        }
        List<Unit> locked =
                random.nextInt(3) == 0 ? List.of(new Unit(lengths[0], 1, 1 + random.nextInt(400), true)) : List.of();
        return new OracleRig(units, locked, reserved);
    }

    private void check(String what, OracleRig rig, Rules rules, Style style) {
        AddressProposal proposal = Planner.propose(rig.plan(), request(rules, style));
        List<Integer> out = Legality.checkAllButLeftOut(rig, rules, proposal, what);
        nothingIsTaken(rig, proposal, what);
        all++;
        if (out.isEmpty()) {
            whole++;
            bestThereCanBe(rig, rules, proposal.optimum(), what);
        } else {
            left++;
            Word more = Oracle.placesAtLeast(rig, rules, rig.units().size() - out.size() + 1);
            certain += proposal.certain() ? 1 : 0;
            missed += more == Word.YES ? 1 : 0;
            unknown += more == Word.UNKNOWN ? 1 : 0;
            assertThat(proposal.certain() && more == Word.YES)
                    .as(what + ": said to be certain, though more can be placed: " + rig)
                    .isFalse();
        }
    }

    private static void nothingIsTaken(OracleRig rig, AddressProposal proposal, String what) {
        Plan after = Rigs.apply(rig.plan(), proposal.edit());
        rig.plan().fixtures().stream()
                .filter(f -> !f.addresses().isEmpty())
                .forEach(f -> assertThat(after.fixture(f.key()).orElseThrow().addresses())
                        .as(what + ": " + f.label() + " lost its address")
                        .isNotEmpty());
        proposal.leftOut()
                .forEach(l -> assertThat(
                                after.fixture(l.fixture().key()).orElseThrow().addresses())
                        .as(what + ": left out, so as it was")
                        .isEqualTo(l.fixture().addresses()));
    }

    private void bestThereCanBe(OracleRig rig, Rules rules, Optimum optimum, String what) {
        Word better = Word.NO;
        if (optimum instanceof Optimum.Universes u) {
            optimal += u.isCertain() ? 1 : 0;
            better = Oracle.fitsOn(rig, rules, u.atLeast() - 1);
        } else if (optimum instanceof Optimum.Least l) {
            optimal += l.isCertain() ? 1 : 0;
            better = l.atLeast() == 0 ? Word.NO : Oracle.costsAtMost(rig, rules, l.atLeast() - 1);
        }
        unknown += better == Word.UNKNOWN ? 1 : 0;
        assertThat(better).as(what + ": better than " + optimum + " " + rig).isNotEqualTo(Word.YES);
    }

    private static PlacementRequest request(Rules rules, Style style) {
        Starts starts = rules.round() > 1 ? Starts.ROUND : rules.pitch() > 1 ? Starts.PITCH : Starts.ANYWHERE;
        Wish wish = Wish.USUAL
                .withStyle(style)
                .withSplit(rules.split() ? Split.TYPE : Split.NONE, false)
                .withSpacing(new Spacing(rules.gap(), starts, Math.max(rules.round(), rules.pitch()), false))
                .withHeadroom(Headroom.ofSlots(512 - rules.last()))
                .within(StartAddress.of(1, 1), UniverseSet.of(1, rules.universes()))
                .withUnitsPerLine(Optional.empty());
        return new PlacementRequest(Scope.ALL, Set.<FixtureKey>of(), wish);
    }
}
