package taxon.core.rigtable;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.RigPart;
import taxon.core.rig.RigView;
import taxon.core.rig.edit.Edit;
import taxon.core.testing.Rigs;

class TableWorkTest {
    private static final Plan RIG = Rigs.add(Rigs.empty(), Rigs.type("pair", 4, 2), 4, 101);

    static LongStream seeds() {
        return Rigs.seeds(40);
    }

    private static FieldChange cell(int key, FixtureColumn column, String text) {
        return new FieldChange(FixtureKey.of(key), column, text);
    }

    private static Fixture changed(int key, FixtureColumn column, String text) {
        TableWork work = TableWork.of(RIG, List.of(cell(key, column, text)));
        assertThat(work.faults()).isEmpty();
        return work.plan().fixture(FixtureKey.of(key)).orElseThrow();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyCellTypedAsItReadsChangesNothing(long seed) {
        Plan plan = Rigs.hung(seed);
        for (LengthUnit unit : LengthUnit.values()) {
            Plan shown =
                    plan.with(plan.sheet().withView(new RigView(unit, RigView.Front.AUDIENCE, RigView.Side.BELOW)));
            List<FieldChange> all = new ArrayList<>();
            for (RigPart row : Rigs.rows(shown)) {
                for (FixtureColumn column : FixtureColumn.values()) {
                    all.add(new FieldChange(row.ref(), column, FieldText.of(shown, row, column)));
                }
            }
            TableWork work = TableWork.of(shown, all);
            assertThat(work.faults()).isEmpty();
            assertThat(work.moves()).isEmpty();
            assertThat(work.plan()).isEqualTo(shown);
        }
    }

    @Test
    void aLockedFixtureTakesItsOwnAddressAndNoOther() {
        Fixture fixture = RIG.fixture(FixtureKey.of(1)).orElseThrow();
        Plan locked = RIG.with(fixture.withTraits(fixture.traits().withLocked(true)));
        String own = FieldText.of(locked, fixture, FixtureColumn.ADDRESS);
        assertThat(TableWork.of(locked, List.of(cell(1, FixtureColumn.ADDRESS, own)))
                        .faults())
                .isEmpty();
        assertThat(TableWork.of(locked, List.of(cell(1, FixtureColumn.ADDRESS, "9.001")))
                        .faults())
                .extracting(f -> f.reason().sentence())
                .containsExactly("The fixture 101 is locked at no address; unlock it first.");
    }

    @Test
    void eachColumnTakesWhatPeopleTypeThere() {
        assertThat(changed(1, FixtureColumn.ID, "").id()).isEmpty();
        assertThat(changed(1, FixtureColumn.UNIT, "12").unit()).isEqualTo(12);
        assertThat(changed(1, FixtureColumn.OFFSET, "-3,2").offset()).contains(Length.metres("-3.2"));
        assertThat(changed(1, FixtureColumn.ADDRESS, "2.73 none").addresses())
                .containsOnly(Map.entry(1, StartAddress.of(2, 73)));
        assertThat(changed(1, FixtureColumn.ADDRESS, "").addresses()).isEmpty();
        assertThat(changed(1, FixtureColumn.PAN_REVERSED, "x").traits().panReversed())
                .isTrue();
        assertThat(changed(1, FixtureColumn.MIRRORS, "103").traits().mirrors()).contains(FixtureKey.of(3));
        assertThat(changed(1, FixtureColumn.COLOUR, "amber").traits().colour()).isEqualTo("amber");
    }

    @ParameterizedTest
    @CsvSource({
        "ID, 0, The fixture ID cannot be 0; it takes a whole number",
        "ID, many, it takes a whole number",
        "UNIT, 10000, '1 to 9999'",
        "MODE, longer, There is no mode longer (only).",
        "POSITION, '', it takes",
        "OFFSET, wide, it takes metres such as",
        "ADDRESS, 2.513, slots 1 to 512",
        "ADDRESS, 1.1 1.5 1.9, 'at most 2 addresses, one for each block'",
        "PAN_REVERSED, perhaps, yes or no",
        "MIRRORS, 101, the ID of another fixture",
    })
    void whatACellCannotTakeIsToldWithTheWayOut(FixtureColumn column, String text, String sentence) {
        TableWork work = TableWork.of(RIG, List.of(cell(1, column, text)));
        assertThat(work.faults()).hasSize(1);
        assertThat(work.faults().get(0).reason().sentence()).contains(sentence);
        assertThat(work.plan()).isEqualTo(RIG);
    }

    @Test
    void oneCellAtFaultRefusesTheWholeEditButIsToldApartFromTheOthers() {
        List<FieldChange> changes = List.of(
                cell(1, FixtureColumn.NAME, "Bow"),
                cell(2, FixtureColumn.UNIT, "none"),
                cell(9, FixtureColumn.UNIT, "1"));
        TableWork work = TableWork.of(RIG, changes);
        assertThat(work.moves()).hasSize(1);
        assertThat(work.faults()).extracting(FieldFault::change).containsExactly(changes.get(1), changes.get(2));
        assertThat(TableWork.edit("paste", changes).applyTo(RIG)).isInstanceOf(Edit.Refused.class);
    }

    @Test
    void aNewPositionIsMadeOnceAndStandsLast() {
        TableWork work = TableWork.of(
                RIG, List.of(cell(1, FixtureColumn.POSITION, "Gantry"), cell(2, FixtureColumn.POSITION, "gantry")));
        assertThat(work.newPositions()).containsExactly("Gantry");
        assertThat(work.plan().positions()).extracting(Position::name).containsExactly("Pipe", "Gantry");
        assertThat(work.plan().fixturesOn(work.plan().positions().get(1))).hasSize(2);
    }

    @Test
    void aBareNumberIsInTheUnitOfTheJob() {
        Plan feet = RIG.with(
                RIG.sheet().withView(new RigView(LengthUnit.FEET, RigView.Front.AUDIENCE, RigView.Side.BELOW)));
        TableWork work = TableWork.of(feet, List.of(cell(1, FixtureColumn.OFFSET, "-10")));
        Fixture after = work.plan().fixture(FixtureKey.of(1)).orElseThrow();
        assertThat(after.offset()).isEqualTo(Optional.of(new Length(-10 * Length.FOOT)));
        assertThat(FieldText.of(work.plan(), after, FixtureColumn.OFFSET)).isEqualTo("-10′ 0″");
    }
}
