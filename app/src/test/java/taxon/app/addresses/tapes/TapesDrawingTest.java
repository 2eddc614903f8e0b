package taxon.app.addresses.tapes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.app.addresses.tapes.Tape.Box;
import taxon.app.addresses.tapes.Tape.Caption;
import taxon.app.edit.JobState;
import taxon.app.form.Selection;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.PlanCheck;
import taxon.core.library.Shop;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Traits;
import taxon.core.rig.Traits.Parked;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.LockEdits;
import taxon.core.rig.edit.ShareEdits;
import taxon.core.testing.Rigs;

class TapesDrawingTest {
    private static final double LETTER = 7.1;

    @Test
    void slotsAreDrawnToScale() {
        Tape tape = only(
                Rigs.add(Rigs.empty(), Rigs.type("t", 128), 4, Optional.of(1), Optional.of(StartAddress.of(3, 1))));
        assertThat(tape.universe()).isEqualTo(3);
        assertThat(tape.boxes()).extracting(Box::width).containsOnly(128 * Tape.SLOT);
        assertThat(tape.boxes().get(1).x() - tape.boxes().get(0).x()).isEqualTo(128 * Tape.SLOT);
        assertThat(tape.boxes().get(3).x() + tape.boxes().get(3).width()).isEqualTo(Tape.x(513));
        assertThat(tape.free()).isEmpty();
        assertThat(tape.used()).isEqualTo("512 used");
    }

    @Test
    void wideUnitsCarryTheirIdAndNarrowOnesAreNamedAboveAsARun() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 40), 2, Optional.of(101), Optional.of(StartAddress.of(1, 1)));
        plan = Rigs.add(plan, Rigs.type("n", 4), 6, Optional.of(201), Optional.of(StartAddress.of(1, 101)));
        Tape tape = only(plan);
        assertThat(tape.boxes()).extracting(Box::label).startsWith("101", "102").endsWith("");
        assertThat(tape.captions()).extracting(Caption::words).containsExactly("201 to 206 n, 4 each");
    }

    @Test
    void freeAndReservedRunsAreDrawnWithTheirWords() {
        Plan plan = Rigs.empty().with(new ReservedRun(1, UniverseNumber.of(1), new SlotRange(1, 96), "dimmer racks"));
        Tape tape = only(plan);
        assertThat(tape.reserved()).extracting(Tape.Run::label).containsExactly("dimmer racks");
        assertThat(tape.free()).extracting(Tape.Run::label).containsExactly("416 free");
        Plan more = plan.with(List.of(
                new ReservedRun(2, UniverseNumber.of(1), new SlotRange(117, 400), "x"),
                new ReservedRun(3, UniverseNumber.of(1), new SlotRange(411, 512), "y")));
        assertThat(only(more).free()).extracting(Tape.Run::label).containsExactly("20", "");
    }

    @Test
    void anOverlapIsMarkedOverItsSlotsAndNamesBoth() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 2, Optional.of(101), Optional.of(StartAddress.of(1, 1)));
        Tape tape = only(Rigs.place(plan, 2, 1, StartAddress.of(1, 9)));
        assertThat(tape.clashes()).containsExactly(new Tape.Clash(Tape.x(9), 8 * Tape.SLOT));
        assertThat(tape.captions().get(0)).isEqualTo(new Caption(Tape.x(16) + 6, "101 and 102, 9 to 16", true));
    }

    @Test
    void whatSharesOnPurposeIsNamedAndNoClash() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 3, Optional.of(101), Optional.of(StartAddress.of(1, 1)));
        List<BlockRef> two = List.of(new BlockRef(FixtureKey.of(1), 1), new BlockRef(FixtureKey.of(2), 1));
        Tape tape = only(((Edit.Changed) ShareEdits.share(two, "").applyTo(plan)).plan());
        assertThat(tape.clashes()).isEmpty();
        assertThat(tape.captions()).extracting(Caption::words).contains("101 and 102 share");
        assertThat(tape.captions()).extracting(Caption::isClash).containsOnly(false);
    }

    @Test
    void whatIsLockedIsMarkedAndSaysSo() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 2, Optional.of(101), Optional.of(StartAddress.of(1, 1)));
        Tape tape = only(
                ((Edit.Changed) LockEdits.lock(List.of(FixtureKey.of(2)), true).applyTo(plan)).plan());
        assertThat(tape.boxes()).extracting(Box::locked).containsExactly(false, true);
        assertThat(tape.boxes().get(1).title()).endsWith(", locked");
    }

    @Test
    void aPageBeginsWithTheFirstTapesAndLeavesRoomForAll() {
        Plan plan = Rigs.full(Rigs.type("t", 512), 20, 101);
        JobState state = state(plan);
        TapesDrawing first = TapesDrawing.first(state, Selection.NONE, TintBy.of(plan, ""));
        TapesDrawing all = drawing(plan, Selection.NONE);
        assertThat(first.isWhole()).isFalse();
        assertThat(all.isWhole()).isTrue();
        assertThat(first.height()).isEqualTo(all.height());
        assertThat(all.tapes()).hasSize(20).startsWith(first.tapes().toArray(Tape[]::new));
    }

    @Test
    void aUnitPastTheEndIsNamedInsideTheDrawing() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 1, 101);
        Tape tape = only(Rigs.place(plan, 1, 1, StartAddress.of(1, 505)));
        assertThat(tape.captions()).extracting(Caption::words).contains("101 past the end");
        assertThat(tape.boxes().get(0).x() + tape.boxes().get(0).width()).isEqualTo(Tape.x(513));
    }

    @Test
    void aParkedSlotIsMarkedWhereItIsAndSaysItsValueAndWhy() {
        Plan plan =
                Rigs.add(Rigs.empty(), Rigs.type("t", 16), 1, Optional.of(101), Optional.of(StartAddress.of(1, 33)));
        Fixture fixture = plan.fixtures().get(0);
        List<Parked> parked = List.of(new Parked(1, 5, 255, "house light"), new Parked(1, 40, 1, "beyond"));
        Tape tape = only(plan.with(fixture.withTraits(Traits.NONE.withParked(parked))));
        assertThat(tape.parked())
                .containsExactly(new Tape.Parked(Tape.x(37), "101: slot 37 parked at 255, house light"));
    }

    @Test
    void theChosenUnitIsMarkedOnEveryTape() {
        Plan plan =
                Rigs.add(Rigs.empty(), Rigs.type("t", 6, 20), 2, Optional.of(1), Optional.of(StartAddress.of(1, 1)));
        TapesDrawing drawing = drawing(plan, Selection.of(List.of(FixtureKey.of(2))));
        assertThat(drawing.tapes().get(0).boxes())
                .filteredOn(Box::chosen)
                .hasSize(2)
                .extracting(Box::key)
                .containsOnly(2);
    }

    static LongStream seeds() {
        return Rigs.seeds(60);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void noWordsAboveATapeRunIntoEachOtherOrOutOfIt(long seed) {
        for (Tape tape : drawing(Rigs.random(seed), Selection.NONE).tapes()) {
            List<Caption> captions = tape.captions();
            for (int i = 0; i < captions.size(); i++) {
                Caption one = captions.get(i);
                assertThat(one.x() + one.words().length() * LETTER).isLessThanOrEqualTo(Tape.x(513));
                for (Caption other : captions.subList(i + 1, captions.size())) {
                    boolean apart = one.x() + one.words().length() * LETTER <= other.x()
                            || other.x() + other.words().length() * LETTER <= one.x();
                    assertThat(apart).as("%s and %s", one, other).isTrue();
                }
            }
        }
    }

    private static Tape only(Plan plan) {
        TapesDrawing drawing = drawing(plan, Selection.NONE);
        assertThat(drawing.tapes()).hasSize(1);
        return drawing.tapes().get(0);
    }

    private static JobState state(Plan plan) {
        return new JobState(1, 1, plan, PlanCheck.of(plan), Shop.EMPTY);
    }

    private static TapesDrawing drawing(Plan plan, Selection selection) {
        return TapesDrawing.of(state(plan), selection, TintBy.of(plan, ""));
    }
}
