package taxon.app.form;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.JobSheet;

class FieldsTest {
    @Test
    void aNumberInsideItsRangeIsReadWhateverSpaceStandsRoundIt() {
        Fields fields = fields("gap", " 12 ");
        assertThat(fields.number("gap", "gap", 0, 511)).contains(12);
        assertThat(fields.isFaulty()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"512", "-1", "1.5", "1e3", "twelve", "", "99999999999999999999"})
    void aNumberOutsideItsRangeIsRefusedWithTheRange(String value) {
        Fields fields = fields("gap", value);
        assertThat(fields.number("gap", "gap", 0, 511)).isEmpty();
        assertThat(fields.fault().reason("form", "gap"))
                .startsWith("The gap is")
                .endsWith("it takes a whole number, 0 to 511.");
    }

    @Test
    void allFaultsAreGatheredAndWhatWasTypedIsKept() {
        Fields fields = new Fields("form", Map.of("a", "x", "b", "y"));
        fields.number("a", "first", 1, 2);
        fields.number("b", "second", 1, 2);
        assertThat(fields.fault().sentences()).hasSize(2);
        assertThat(fields.fault().value("form", "b", "other")).isEqualTo("y");
        assertThat(fields.fault().value("another form", "b", "other")).isEqualTo("other");
    }

    @ParameterizedTest
    @CsvSource({"2026-02-30", "30.2.2026", "tomorrow"})
    void whatIsNoDateIsRefused(String value) {
        Fields fields = fields("from", value);
        assertThat(fields.dateOrNone("from", "first day")).isEmpty();
        assertThat(fields.fault().reason("form", "from")).contains("it takes a date such as 2026-05-01");
    }

    @Test
    void anAddressIsReadAsPeopleWriteIt() {
        assertThat(fields("to", "2/73").address("to")).contains(StartAddress.of(2, 73));
    }

    @Test
    void whatAConstructorRefusesIsAFaultOfItsField() {
        Fields fields = fields("name", "");
        assertThat(fields.build("name", () -> JobSheet.named(""))).isEmpty();
        assertThat(fields.fault().reason("form", "name"))
                .isEqualTo("The job name is empty; it takes 1 to 120 characters.");
    }

    @Test
    void aFieldOfEndlessLengthIsRefusedAndNotCut() {
        Fields note = fields("note", "x".repeat(20_001));
        assertThat(note.text("note")).isEmpty();
        assertThat(note.fault().reason("form", "note"))
                .isEqualTo("The field “note” holds 20001 characters; it takes at most 20000.");
        assertThat(fields("note", "x".repeat(20_000)).isFaulty()).isFalse();
    }

    @Test
    void rowsThatArePastedMayBeManyAndNotEndless() {
        assertThat(fields("rows", "x".repeat(500_000)).raw("rows")).hasSize(500_000);
        assertThat(fields("rows", "x".repeat(500_001)).isFaulty()).isTrue();
    }

    @Test
    void keysAreReadAndWhatIsNoneIsLeftOut() {
        assertThat(fields("sel", "3, 1,x,,0,-4,3").keys("sel")).containsExactly(FixtureKey.of(1), FixtureKey.of(3));
    }

    @Test
    void aSelectionStandsInTheAddressOfAPage() {
        assertThat(Selection.of(List.of(FixtureKey.of(2), FixtureKey.of(1))).query())
                .isEqualTo("?sel=1,2");
        assertThat(Selection.NONE.query()).isEmpty();
        assertThat(Selection.read("9".repeat(400)).isEmpty()).isTrue();
    }

    private static Fields fields(String name, String value) {
        return new Fields("form", Map.of(name, value));
    }
}
