package taxon.core.equipmentlist;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.dmx.StartAddress;
import taxon.core.finding.PlanCheck;
import taxon.core.fixture.TypeId;
import taxon.core.listing.CellFault;
import taxon.core.listing.Column;
import taxon.core.listing.ColumnMap;
import taxon.core.listing.ListReading;
import taxon.core.listing.ListRow;
import taxon.core.listing.NumberDoubt;
import taxon.core.listing.NumberDoubt.Answer;
import taxon.core.packing.Effort;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Plan;
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
        EquipmentLine line = listOf(ListRow.of(2, cells)).lines().get(0);
        assertThat(line.added().orElseThrow().count()).isEqualTo(1);
        assertThat(faults(Map.of(Column.QUANTITY, ""))).containsExactly("The quantity is empty; it takes 1 to 1000.");
    }

    @ParameterizedTest
    @CsvSource({"3.127, '', ''", "3/127, '', ''", "1151, '', ''", "127, 3, ''", "'', 3, 127"})
    void anAddressIsUnderstoodHoweverItIsWritten(String address, String universe, String slot) {
        Added added = ready(Map.of(Column.ADDRESS, address, Column.UNIVERSE, universe, Column.SLOT, slot));
        assertThat(added.run().orElseThrow().first()).hasToString("3.127");
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
        "ADDRESS, 1/0, The slot is 0; it takes 1 to 512.",
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
        ListRow row = row(4, Map.of(Column.TYPE, "Heron 308", Column.MODE, "?"));
        Choice choice = new Choice(TypeId.of("fernglass-heron-380"), "18-channel");
        EquipmentList intake = listOf(ListChoices.NONE.withTypes(Map.of(TypeWords.of(row), choice)), Rigs.empty(), row);
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
        EquipmentList intake =
                listOf(row(2, Map.of()), row(3, Map.of(Column.QUANTITY, "-3")), row(4, Map.of(Column.FIRST_ID, "301")));
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

    @Test
    void whatRunsPastTheEndStaysWhereItWasWritten() {
        EquipmentList list = listOf(row(2, Map.of(Column.ADDRESS, "1.450")));
        Plan plan = Rigs.apply(Rigs.empty(), list.edit());
        assertThat(plan.fixtures())
                .extracting(f -> f.addresses().toString())
                .as("24 channels each: the third begins at 498 and passes 512, the others have no slot to begin at")
                .containsExactly("{1=1.450}", "{1=1.474}", "{1=1.498}", "{}", "{}", "{}", "{}", "{}");
        assertThat(remarks(list))
                .containsExactly(
                        "1 fixture runs past slot 512: 1.498.",
                        "5 fixtures would begin behind slot 512 of universe 1 and stay without an address.");
    }

    @Test
    void whatRunsPastTheEndIsPlacedWhereThatIsWished() {
        ListChoices place =
                new ListChoices(Map.of(), Map.of(), ListChoices.TakenIds.KEEP, ListChoices.TakenAddresses.PLACE);
        EquipmentList list = listOf(place, Rigs.empty(), row(2, Map.of(Column.ADDRESS, "1.450")));
        Plan plan = Rigs.apply(Rigs.empty(), list.edit());
        assertThat(PlanCheck.of(plan).broughtSince(PlanCheck.of(Rigs.empty()))).isEmpty();
        assertThat(plan.fixtures()).allMatch(f -> f.addresses().size() == 1);
        assertThat(plan.fixtures().get(0).addresses()).containsValue(StartAddress.of(1, 450));
        assertThat(remarks(list))
                .singleElement()
                .asString()
                .startsWith("6 fixtures placed elsewhere than is written: ");
    }

    @Test
    void whatIsTakenIsToldWithWhoeverIsThere() {
        Plan plan = Rigs.apply(
                Rigs.empty(), listOf(row(2, Map.of(Column.ADDRESS, "3.001"))).edit());
        ListRow again = row(2, Map.of(Column.QUANTITY, "2", Column.ADDRESS, "3.020"));
        EquipmentList list = listOf(ListChoices.NONE, plan, again);
        assertThat(remarks(list))
                .containsExactly(
                        "Given already: 201, 202; they come in as doubles.",
                        "2 fixtures on slots that are taken: 3.020, 3.044, with 201, 202, 203.");
        assertThat(list.lines().get(0).clashes()).isTrue();
    }

    @Test
    void takenIdsAreNumberedOnOrLeftOutWhereThatIsWished() {
        ListRow first = row(2, Map.of(Column.QUANTITY, "2"));
        ListRow second = row(3, Map.of(Column.QUANTITY, "3"));
        ListRow third = row(4, Map.of(Column.QUANTITY, "2", Column.FIRST_ID, "501"));
        ListChoices renumber =
                new ListChoices(Map.of(), Map.of(), ListChoices.TakenIds.RENUMBER, ListChoices.TakenAddresses.KEEP);
        EquipmentList list = listOf(renumber, Rigs.empty(), first, second, third);
        assertThat(labels(list)).containsExactly("201", "202", "501", "502", "503", "504", "505");
        assertThat(remarks(list)).containsExactly("Renumbered, since the list's are taken: 503 to 505.");
        ListChoices without =
                new ListChoices(Map.of(), Map.of(), ListChoices.TakenIds.WITHOUT, ListChoices.TakenAddresses.KEEP);
        assertThat(listOf(without, Rigs.empty(), first, second)
                        .lines()
                        .get(1)
                        .added()
                        .orElseThrow()
                        .firstId())
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "4, 100, '', 4.100",
        "4.0, 100.0, '', 4.100",
        "U4, '', 100, 4.100",
        "1, 1/7, '', 1.007",
        "4, 1636, '', 4.100",
        "4, 4.100, 100, 4.100"
    })
    void aUniverseInAColumnOfItsOwnCounts(String universe, String address, String slot, String means) {
        Added added = ready(Map.of(Column.UNIVERSE, universe, Column.ADDRESS, address, Column.SLOT, slot));
        assertThat(added.run().orElseThrow().first()).hasToString(means);
    }

    @ParameterizedTest
    @CsvSource({
        "4, 1/7, '', 'The address is 1/7, but the universe beside it is 4, and 1/7 is on universe 1.'",
        "4, 100.5, '', 'The address is 100.5, but the universe beside it is 4, and 100.5 is on universe 100.'",
        "3, 1636, '', 'The address is 1636, but the universe beside it is 3, and 1636 is on universe 4.'",
        "4, 4.100, 101, 'The address is 4.100, but universe and slot beside it are 4.101.'",
        "4, '7-Jan', '', 'The address “7-Jan” reads like a date that a table program made of it; it takes 3.127, 3/127 or an absolute number.'"
    })
    void anAddressThatContradictsItsUniverseIsTold(String universe, String address, String slot, String sentence) {
        assertThat(faults(Map.of(Column.UNIVERSE, universe, Column.ADDRESS, address, Column.SLOT, slot)))
                .containsExactly(sentence);
    }

    @Test
    void aUniverseWithoutASlotIsToldAndGivesNoAddress() {
        EquipmentList list = listOf(row(2, Map.of(Column.UNIVERSE, "4")));
        assertThat(remarks(list)).containsExactly("Universe 4 without a slot: 8 fixtures without an address.");
        assertThat(list.ready().get(0).run()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"'8.0', 8", "'8,0', 8", "'8 pcs', 8", "'12.00', 12", "'1,000', 1000", "'8x', 8", "'8 Stk.', 8"})
    void aQuantityIsReadAsTableProgramsWriteIt(String text, int count) {
        assertThat(ready(Map.of(Column.QUANTITY, text, Column.FIRST_ID, "101.0"))
                        .count())
                .isEqualTo(count);
    }

    @Test
    void whatMayBeOneOrAThousandIsAskedAbout() {
        ListRow row = row(2, Map.of(Column.QUANTITY, "1.000"));
        EquipmentList open = listOf(row);
        assertThat(open.faulty()).hasSize(1);
        NumberDoubt doubt = open.doubts().get(0);
        assertThat(doubt.meaning(Answer.PLAIN)).isEqualTo("1");
        assertThat(doubt.meaning(Answer.OTHER)).isEqualTo("1000, a point of thousands");
        assertThat(answered(doubt, Answer.PLAIN, row).ready().get(0).count()).isEqualTo(1);
        assertThat(answered(doubt, Answer.OTHER, row).ready().get(0).count()).isEqualTo(1000);
    }

    @Test
    void addressesThatLostTheirZerosAreAskedAboutOnceForTheColumn() {
        ListRow[] rows = {
            row(2, Map.of(Column.QUANTITY, "1", Column.FIRST_ID, "1", Column.ADDRESS, "1.001")),
            row(3, Map.of(Column.QUANTITY, "1", Column.FIRST_ID, "2", Column.ADDRESS, "1.1")),
            row(4, Map.of(Column.QUANTITY, "1", Column.FIRST_ID, "3", Column.ADDRESS, "1.13")),
        };
        EquipmentList open = listOf(rows);
        assertThat(open.fixtures()).isEqualTo(1);
        assertThat(open.doubts()).singleElement().satisfies(d -> {
            assertThat(d.examples()).containsExactly("1.1", "1.13");
            assertThat(d.likely()).isEqualTo(Answer.OTHER);
        });
        NumberDoubt doubt = open.doubts().get(0);
        assertThat(starts(answered(doubt, Answer.OTHER, rows))).containsExactly("1.001", "1.100", "1.130");
        assertThat(starts(answered(doubt, Answer.PLAIN, rows))).containsExactly("1.001", "1.001", "1.013");
    }

    private static EquipmentList answered(NumberDoubt doubt, Answer answer, ListRow... rows) {
        ListChoices choices = new ListChoices(
                Map.of(), Map.of(doubt.key(), answer), ListChoices.TakenIds.KEEP, ListChoices.TakenAddresses.KEEP);
        return listOf(choices, Rigs.empty(), rows);
    }

    private static List<String> starts(EquipmentList list) {
        return list.ready().stream()
                .map(a -> a.run().orElseThrow().first().toString())
                .toList();
    }

    private static List<String> labels(EquipmentList list) {
        return Rigs.apply(Rigs.empty(), list.edit()).fixtures().stream()
                .map(Fixture::label)
                .toList();
    }

    private static List<String> remarks(EquipmentList list) {
        return list.lines().stream()
                .flatMap(l -> l.remarks().stream())
                .map(RowRemark::sentence)
                .toList();
    }

    private static EquipmentList listOf(ListRow... rows) {
        return listOf(ListChoices.NONE, Rigs.empty(), rows);
    }

    private static EquipmentList listOf(ListChoices choices, Plan plan, ListRow... rows) {
        ListReading list = new ListReading(ColumnMap.unknown(1), List.of(), List.of(rows), List.of());
        return EquipmentList.of(plan, list, DemoTypes.withGeneric(), choices, Effort.of(100_000));
    }

    private static Added ready(Map<Column, String> changed) {
        EquipmentLine line = read(changed);
        assertThat(line.faults()).isEmpty();
        return line.added().orElseThrow();
    }

    private static List<String> faults(Map<Column, String> changed) {
        return read(changed).faults().stream().map(CellFault::sentence).toList();
    }

    private static EquipmentLine read(Map<Column, String> changed) {
        return listOf(row(2, changed)).lines().get(0);
    }

    private static ListRow row(int line, Map<Column, String> changed) {
        Map<Column, String> cells = new EnumMap<>(HERONS);
        cells.putAll(changed);
        return ListRow.of(line, cells);
    }
}
