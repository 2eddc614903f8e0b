package taxon.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.compare.RowDifference.Kind;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeBook;
import taxon.core.fixture.TypeId;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.testing.Rigs;

class TakeTheirsTest {
    private static final FixtureType SPOT = FixtureType.of(
            TypeId.of("spot"),
            "Fernglass",
            "Spot",
            "Spot",
            Facts.of(Facts.Hazard.NONE, Facts.Reach.LINE),
            List.of(
                    mode("short", "Dimmer Pan=128 Tilt=128"),
                    mode("long", "Dimmer:2 Pan:2=32768 Tilt:2=32768 Zoom=128 Shutter1=32")));
    private static final FixtureType PAR = Rigs.typeOf("par", ChannelScript.block("Main", "Dimmer"));
    private static final TypeBook TYPES = TypeBook.of(List.of(SPOT, PAR));

    private static Mode mode(String name, String channels) {
        return new Mode(name, Optional.empty(), List.of(ChannelScript.block("Main", channels)));
    }

    private static Plan plan(int spots) {
        Plan plan = Rigs.add(Rigs.empty(), SPOT, spots, 101);
        for (int i = 1; i <= spots; i++) {
            plan = Rigs.place(plan, i, 1, StartAddress.of(1 + (i - 1) / 20, 1 + (i - 1) % 20 * 12));
        }
        return plan;
    }

    private static Plan after(Plan plan, Edit edit) {
        return ((Edit.Changed) edit.applyTo(plan)).plan();
    }

    /** Somebody else's copy of a rig, with as many things done to it. */
    private static Plan changed(Plan plan, Random random, int things) {
        Plan now = plan;
        for (int i = 0; i < things; i++) {
            Fixture one = now.fixtures().get(random.nextInt(now.fixtures().size()));
            now = switch (random.nextInt(5)) {
                case 0 ->
                    now.with(one.withAddress(
                            1, Optional.of(StartAddress.of(1 + random.nextInt(4), 1 + random.nextInt(500)))));
                case 1 -> now.with(one.withMode(one.mode().equals("short") ? "long" : "short"));
                case 2 -> now.with(one.withWords("Name " + random.nextInt(1_000_000), one.note()));
                case 3 -> now.without(List.of(Fixture.keyOf(one.key())));
                default -> Rigs.add(now, SPOT, 1, 1_000 + i);
            };
        }
        return now;
    }

    @Test
    void whatDiffersTakenOverMakesOneSideTheOther() {
        Random random = new Random(18);
        for (int round = 0; round < 60; round++) {
            Plan ours = plan(30);
            Plan theirs = changed(ours, random, 1 + random.nextInt(12));
            List<PatchRow> there = PlanPatch.of(theirs);
            Comparison comparison = Comparison.of(PlanPatch.of(ours), there);
            TakeTheirs.Proposal proposal = TakeTheirs.propose(ours, comparison, Taken.all(comparison), TYPES);
            assertThat(proposal.omissions()).isEmpty();
            Comparison again = Comparison.of(PlanPatch.of(after(ours, proposal.edit())), there);
            assertThat(again.onlyOurs()).isEmpty();
            assertThat(again.onlyTheirs()).isEmpty();
            assertThat(again.differences().values())
                    .as("round %d", round)
                    .allSatisfy(
                            d -> assertThat(d).extracting(RowDifference::kind).containsOnly(Kind.ORDER));
        }
    }

    @Test
    void nothingChosenIsNothingDone() {
        Plan ours = plan(8);
        Comparison comparison = Comparison.of(PlanPatch.of(ours), PlanPatch.of(changed(ours, new Random(1), 8)));
        TakeTheirs.Proposal proposal = TakeTheirs.propose(ours, comparison, Taken.NOTHING, TYPES);
        assertThat(after(ours, proposal.edit())).isEqualTo(ours);
        assertThat(proposal.staying()).isPositive();
    }

    @Test
    void aPatternIsTakenForAllOfItsRowsAndNothingElse() {
        Plan bare = plan(20);
        Plan ours = bare.with(bare.fixtures().get(3).withWords("Wash left", ""));
        List<PatchRow> there = new ArrayList<>(PlanPatch.of(ours));
        there.replaceAll(r -> row(
                r, r.name(), StartAddress.of(4, r.start().orElseThrow().slot().number())));
        there.set(3, row(there.get(3), "Renamed", there.get(3).start().orElseThrow()));
        Comparison comparison = Comparison.of(PlanPatch.of(ours), there);
        Taken taken = Taken.NOTHING.with(comparison, comparison.patterns().get(0));
        Plan after =
                after(ours, TakeTheirs.propose(ours, comparison, taken, TYPES).edit());
        assertThat(after.fixtures())
                .allSatisfy(
                        f -> assertThat(f.address(1).orElseThrow().universe().number())
                                .isEqualTo(4));
        assertThat(after.fixtures().get(3).name())
                .isEqualTo(ours.fixtures().get(3).name());
        assertThat(NoteForThem.of(comparison, TheirPatch.of(there), taken))
                .singleElement()
                .satisfies(l -> {
                    assertThat(l.what()).isEqualTo("name");
                    assertThat(l.now()).isEqualTo("Renamed");
                });
    }

    private static PatchRow row(PatchRow row, String name, StartAddress start) {
        return new PatchRow(
                row.place(), row.id(), row.uuid(), name, row.type(), row.mode(), row.footprint(), List.of(start));
    }

    private static PatchRow theirs(int place, int id, String type, String mode, OptionalInt footprint) {
        return new PatchRow(place, OptionalInt.of(id), Optional.empty(), "", type, mode, footprint, List.of(), false);
    }

    @Test
    void aModeThatTheTypeLacksIsLeftOutWithTheModesThatItHas() {
        Plan ours = plan(1);
        Comparison comparison =
                Comparison.of(PlanPatch.of(ours), List.of(theirs(0, 101, "Spot", "Extended", OptionalInt.of(99))));
        TakeTheirs.Proposal proposal = TakeTheirs.propose(ours, comparison, Taken.all(comparison), TYPES);
        assertThat(proposal.omissions()).singleElement().satisfies(o -> {
            assertThat(o.who()).isEqualTo("101");
            assertThat(o.sentence()).contains("“Extended”, is none of Fernglass Spot, which has short, long.");
        });
        assertThat(after(ours, proposal.edit())).isEqualTo(ours);
    }

    @Test
    void aModeIsKnownByItsLengthWhereItIsCalledOtherwise() {
        Plan ours = plan(1);
        Comparison comparison =
                Comparison.of(PlanPatch.of(ours), List.of(theirs(0, 101, "Spot", "8bit big", OptionalInt.of(8))));
        Plan after = after(
                ours,
                TakeTheirs.propose(ours, comparison, Taken.all(comparison), TYPES)
                        .edit());
        assertThat(after.fixtures().get(0).mode()).isEqualTo("long");
    }

    @Test
    void anotherLengthOfTheSameModeIsNoSettingAndSaidSo() {
        Plan ours = plan(1);
        String mode = ours.fixtures().get(0).mode();
        Comparison comparison =
                Comparison.of(PlanPatch.of(ours), List.of(theirs(0, 101, "Spot", mode, OptionalInt.of(99))));
        TakeTheirs.Proposal proposal = TakeTheirs.propose(ours, comparison, Taken.all(comparison), TYPES);
        assertThat(after(ours, proposal.edit())).isEqualTo(ours);
        assertThat(proposal.done()).isZero();
        assertThat(proposal.omissions())
                .singleElement()
                .satisfies(o -> assertThat(o.sentence())
                        .contains("99 slots there", "one of the profiles is not that of the unit"));
    }

    @Test
    void whatOnlyTheyHaveOfAnUnknownTypeIsLeftOut() {
        Plan ours = plan(1);
        Comparison comparison = Comparison.of(
                PlanPatch.of(ours),
                List.of(
                        theirs(0, 101, "Spot", "short", OptionalInt.empty()),
                        theirs(1, 900, "Strange thing", "x", OptionalInt.empty())));
        assertThat(TakeTheirs.propose(ours, comparison, Taken.all(comparison), TYPES)
                        .omissions())
                .extracting(NotTaken::who)
                .containsExactly("900");
    }

    @Test
    void twoThatAreSwappedAreTakenInOneStep() {
        Plan ours = plan(6);
        List<PatchRow> there = new ArrayList<>(PlanPatch.of(ours));
        StartAddress one = there.get(1).start().orElseThrow();
        StartAddress other = there.get(4).start().orElseThrow();
        there.set(1, row(there.get(1), "", other));
        there.set(4, row(there.get(4), "", one));
        Comparison comparison = Comparison.of(PlanPatch.of(ours), there);
        assertThat(comparison.patterns()).singleElement().isInstanceOf(Pattern.Swapped.class);
        Plan after = after(
                ours,
                TakeTheirs.propose(
                                ours,
                                comparison,
                                Taken.NOTHING.with(
                                        comparison, comparison.patterns().get(0)),
                                TYPES)
                        .edit());
        assertThat(after.fixtures().get(1).address(1)).contains(other);
        assertThat(after.fixtures().get(4).address(1)).contains(one);
    }

    @Test
    void whatWasSaidOfARowHolds() {
        List<PatchRow> ours = PlanPatch.of(plan(2));
        List<PatchRow> there = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            there.add(new PatchRow(
                    i, OptionalInt.empty(), Optional.empty(), "", "Spot", "", OptionalInt.empty(), List.of(), false));
        }
        Comparison guessed = Comparison.of(ours, there);
        assertThat(guessed.matches()).allMatch(m -> m.reason().isGuess());
        Told told = Told.NOTHING.with(0, Optional.of(1)).with(1, Optional.empty());
        Comparison said = Comparison.of(ours, there, told);
        assertThat(said.matches()).singleElement().satisfies(m -> {
            assertThat(m.theirs().place()).isEqualTo(1);
            assertThat(m.reason()).isEqualTo(Match.Reason.TOLD);
        });
        assertThat(said.onlyOurs()).containsExactly(ours.get(1));
        assertThat(said.onlyTheirs()).containsExactly(there.get(0));
        Set<Kind> all = EnumSet.allOf(Kind.class);
        assertThat(Taken.NOTHING.with(said, said.matches(), all).fields()).isEqualTo(Collections.emptyMap());
    }
}
