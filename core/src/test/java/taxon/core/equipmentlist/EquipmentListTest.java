package taxon.core.equipmentlist;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.fixture.TypeId;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.edit.Added;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class EquipmentListTest {
    private static final Map<Column, String> HERONS = Map.of(
            Column.QUANTITY, "8",
            Column.MAKER, "Fernglass",
            Column.TYPE, "Heron 380",
            Column.MODE, "24-channel",
            Column.POSITION, "Crane rail",
            Column.FIRST_ID, "201");

    @Test
    void aPlainRowBecomesItsFixtures() {
        Added added = ready(Map.of());
        assertThat(added.count()).isEqualTo(8);
        assertThat(added.type().fullName()).isEqualTo("Fernglass Heron 380");
        assertThat(added.firstId()).contains(FixtureId.of(201));
    }

    @ParameterizedTest
    @ValueSource(strings = {"24", "24ch", "24 channels", "24-CHANNEL"})
    void aModeIsKnownByNameOrByItsNumberOfChannels(String mode) {
        assertThat(ready(Map.of(Column.MODE, mode)).mode().name()).isEqualTo("24-channel");
    }

    @ParameterizedTest
    @ValueSource(strings = {"201-208", "201 – 208", "201 to 208"})
    void anIdRangeGivesTheQuantity(String range) {
        Added added = ready(Map.of(Column.QUANTITY, "", Column.FIRST_ID, range));
        assertThat(added.count()).isEqualTo(8);
        assertThat(added.firstId()).contains(FixtureId.of(201));
    }

    @Test
    void aListWithoutAQuantityColumnNamesOneFixtureARow() {
        Map<Column, String> cells = new EnumMap<>(HERONS);
        cells.remove(Column.QUANTITY);
        EquipmentLine line = EquipmentList.of(List.of(new EquipmentRow(2, cells)), DemoTypes.withGeneric(), Map.of())
                .lines()
                .get(0);
        assertThat(line.added().orElseThrow().count()).isEqualTo(1);
        assertThat(faults(Map.of(Column.QUANTITY, ""))).containsExactly("The quantity is empty; it takes 1 to 1000.");
    }

    @ParameterizedTest
    @CsvSource({"3.127, '', ''", "3/127, '', ''", "1151, '', ''", "127, 3, ''", "'', 3, 127"})
    void anAddressIsUnderstoodHoweverItIsWritten(String address, String universe, String slot) {
        Added added = ready(Map.of(Column.ADDRESS, address, Column.UNIVERSE, universe, Column.SLOT, slot));
        assertThat(added.firstAddress().orElseThrow()).hasToString("3.127");
    }

    @ParameterizedTest
    @CsvSource({
        "QUANTITY, 0, The quantity is 0; it takes 1 to 1000.",
        "QUANTITY, -3, The quantity is -3; it takes 1 to 1000.",
        "QUANTITY, −3, The quantity is −3; it takes 1 to 1000.",
        "QUANTITY, few, 'The quantity reads “few”; it takes a whole number, 1 to 1000.'",
        "FIRST_ID, 0, The first fixture ID is 0; it takes 1 to 99999.",
        "FIRST_ID, 99995, The first fixture ID is 99995; it takes a first ID with room for 8 up to 99999.",
        "ADDRESS, 0.1, The universe is 0; it takes 1 to 63999.",
        "ADDRESS, 64000.1, The universe is 64000; it takes 1 to 63999.",
        "ADDRESS, 1.0, The slot is 0; it takes 1 to 512.",
        "ADDRESS, 1.513, The slot is 513; it takes 1 to 512.",
        "FIRST_ID, 201-203, 'The quantity is 8, but the fixture IDs 201-203 are 3.'"
    })
    void aFaultNamesTheValueAndWhatWouldDo(Column column, String value, String sentence) {
        assertThat(faults(Map.of(column, value))).containsExactly(sentence);
    }

    @Test
    void anUnknownTypeIsOfferedTheClosestKnownOnes() {
        EquipmentLine line = read(Map.of(Column.TYPE, "Heron 308"));
        assertThat(line.faults().get(0).sentence()).contains("“Heron 308” is not known", "Fernglass Heron 380");
        assertThat(line.offered().get(0).name()).isEqualTo("Heron 380");
    }

    @Test
    void anUnknownModeIsOfferedTheModesOfItsType() {
        EquipmentLine line = read(Map.of(Column.MODE, "99"));
        assertThat(line.faults().get(0).sentence()).contains("18-channel, 24-channel");
        assertThat(line.offered()).hasSize(1);
    }

    @Test
    void aChoiceTakesThePlaceOfWhatWasNotUnderstood() {
        EquipmentRow row = row(4, Map.of(Column.TYPE, "Heron 308", Column.MODE, "?"));
        Choice choice = new Choice(TypeId.of("fernglass-heron-380"), "18-channel");
        EquipmentList intake = EquipmentList.of(List.of(row), DemoTypes.withGeneric(), Map.of(4, choice));
        assertThat(intake.ready())
                .singleElement()
                .extracting(a -> a.mode().name())
                .isEqualTo("18-channel");
    }

    @Test
    void allFaultsOfARowAreToldAtOnce() {
        assertThat(faults(Map.of(Column.QUANTITY, "0", Column.TYPE, "", Column.ADDRESS, "x")))
                .hasSize(3);
    }

    @Test
    void aBadRowCostsNoGoodOne() {
        EquipmentList intake = EquipmentList.of(
                List.of(
                        row(2, Map.of()),
                        row(3, Map.of(Column.QUANTITY, "-3")),
                        row(4, Map.of(Column.FIRST_ID, "301"))),
                DemoTypes.withGeneric(),
                Map.of());
        assertThat(intake.fixtures()).isEqualTo(16);
        assertThat(intake.faulty())
                .singleElement()
                .extracting(l -> l.row().line())
                .isEqualTo(3);
        assertThat(Rigs.apply(Rigs.empty(), intake.edit()).fixtures())
                .extracting(Fixture::label)
                .startsWith("201")
                .endsWith("308")
                .hasSize(16);
    }

    @Test
    void aNoteThatIsTooLongIsAFaultAndNoCrash() {
        assertThat(faults(Map.of(Column.NOTE, "x".repeat(10_000))))
                .singleElement()
                .asString()
                .contains("at most 1000");
    }

    private static Added ready(Map<Column, String> changed) {
        EquipmentLine line = read(changed);
        assertThat(line.faults()).isEmpty();
        return line.added().orElseThrow();
    }

    private static List<String> faults(Map<Column, String> changed) {
        return read(changed).faults().stream().map(EquipmentFault::sentence).toList();
    }

    private static EquipmentLine read(Map<Column, String> changed) {
        return EquipmentList.of(List.of(row(2, changed)), DemoTypes.withGeneric(), Map.of())
                .lines()
                .get(0);
    }

    private static EquipmentRow row(int line, Map<Column, String> changed) {
        Map<Column, String> cells = new EnumMap<>(HERONS);
        cells.putAll(changed);
        return new EquipmentRow(line, cells);
    }
}
