package taxon.formats.csv;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.equipmentlist.Column;
import taxon.core.equipmentlist.EquipmentRow;
import taxon.formats.csv.EquipmentSheet.Fault;
import taxon.formats.csv.EquipmentSheet.SkipReason;
import taxon.formats.csv.EquipmentSheet.Skipped;
import taxon.formats.csv.EquipmentSheet.Understood;
import taxon.formats.csv.EquipmentSheet.Unreadable;

class EquipmentSheetReaderTest {
    private static final String LIST =
            "Quantity,Maker,Type,Mode,Position,First fixture ID,Note\n8,Fernglass,Heron 380,24,Crane rail,201,über\n";

    @ParameterizedTest
    @ValueSource(strings = {",", ";", "\t"})
    void anySeparatorIsFound(String separator) {
        Understood sheet = understood(LIST.replace(",", separator).getBytes(StandardCharsets.UTF_8));
        assertThat(sheet.separator()).isEqualTo(separator.charAt(0));
        assertThat(sheet.rows().get(0).cell(Column.TYPE)).isEqualTo("Heron 380");
    }

    @ParameterizedTest
    @CsvSource({
        "UTF-8, '', UTF-8",
        "UTF-8, EFBBBF, UTF-8",
        "UTF-16LE, FFFE, UTF-16LE",
        "UTF-16BE, FEFF, UTF-16BE",
        "windows-1252, '', Windows-1252"
    })
    void anyEncodingIsTold(String charset, String mark, String told) {
        Understood sheet = understood(encoded(LIST, charset, mark));
        assertThat(sheet.encoding()).isEqualTo(told);
        assertThat(sheet.rows().get(0).cell(Column.NOTE)).isEqualTo("über");
    }

    @Test
    void columnsMayStandInAnyOrderUnderOtherNames() {
        EquipmentRow row = understood(
                        "Model;Qty.;LOCATION;Manufacturer;DMX mode;FID;Weight kg\nTern;16;Quay;Fernglass;16;101;12")
                .rows()
                .get(0);
        assertThat(row.cell(Column.TYPE)).isEqualTo("Tern");
        assertThat(row.cell(Column.QUANTITY)).isEqualTo("16");
        assertThat(row.cell(Column.POSITION)).isEqualTo("Quay");
        assertThat(row.cell(Column.FIRST_ID)).isEqualTo("101");
    }

    @Test
    void ofTwoHeadersForOneColumnThePlainerIsTaken() {
        Understood sheet = understood("Description,Qty,Type,Fixture #\nwash light,2,Tern,101");
        assertThat(sheet.rows().get(0).cell(Column.TYPE)).isEqualTo("Tern");
        assertThat(sheet.rows().get(0).cell(Column.FIRST_ID)).isEqualTo("101");
        assertThat(sheet.unknownHeaders()).containsExactly("Description");
    }

    @Test
    void aColumnThatIsNotKnownIsToldAndLeftOut() {
        assertThat(understood("Qty,Type,Weight kg\n1,Tern,12").unknownHeaders()).containsExactly("Weight kg");
    }

    @Test
    void titlesAboveBlankRowsAndATotalsRowBelowAreUnderstood() {
        Understood sheet = understood("Lantern Pageant,,\n,,\nEquipment for the dry dock,,\n\nQty,Type,Note\n"
                + "8,Heron 380,\n,,\n16,Tern,\n,,\n24,Total,\n24,,\n");
        assertThat(sheet.headerLine()).isEqualTo(5);
        assertThat(sheet.rows()).extracting(EquipmentRow::line).containsExactly(6, 8);
        assertThat(sheet.skipped()).extracting(Skipped::line).containsExactly(10, 11);
        assertThat(sheet.skipped()).extracting(Skipped::reason).containsOnly(SkipReason.TOTALS);
    }

    @Test
    void aHeaderThatComesAgainIsSkipped() {
        Understood sheet = understood("Qty,Type\n8,Heron 380\nQty,Type\n4,Tern\n");
        assertThat(sheet.rows()).hasSize(2);
        assertThat(sheet.skipped()).extracting(Skipped::reason).containsExactly(SkipReason.HEADER_AGAIN);
    }

    @Test
    void aRowAfterAQuotedCellOfSeveralLinesKeepsItsLine() {
        Understood sheet = understood("Qty,Type,Note\r\n8,Heron 380,\"one\r\ntwo\"\r\n4,Tern,\r\n");
        assertThat(sheet.rows()).extracting(EquipmentRow::line).containsExactly(2, 4);
    }

    @Test
    void anEmptyFileIsSaidToBeEmpty() {
        assertThat(unreadable(new byte[0]).fault()).isEqualTo(Fault.EMPTY);
        assertThat(unreadable(" \n\n".getBytes(StandardCharsets.UTF_8)).fault()).isEqualTo(Fault.EMPTY);
    }

    @Test
    void aBinaryFileIsNoList() {
        byte[] noise = new byte[4096];
        new Random(1).nextBytes(noise);
        assertThat(unreadable(noise).fault()).isEqualTo(Fault.NOT_TEXT);
    }

    @Test
    void fiftyThousandRowsAreRefusedWithTheLimit() {
        String text = "Qty,Type\n" + "1,Tern\n".repeat(50_000);
        assertThat(unreadable(text.getBytes(StandardCharsets.UTF_8)).sentence()).contains("more than 10000 rows");
    }

    @Test
    void whatIsLargerThanTheLimitIsNotEvenDecoded() {
        assertThat(unreadable(new byte[EquipmentSheetReader.MOST_BYTES + 1]).fault())
                .isEqualTo(Fault.TOO_LARGE);
    }

    @Test
    void anUnclosedQuoteReportsTheLineOnWhichItBegan() {
        Unreadable sheet = unreadable("Qty,Type\n8,Heron 380\n4,\"Tern\n1,Avocet\n".getBytes(StandardCharsets.UTF_8));
        assertThat(sheet.fault()).isEqualTo(Fault.BROKEN_QUOTES);
        assertThat(sheet.value()).isEqualTo("3");
    }

    @Test
    void aFileWithoutAHeaderNamesTheWordsThatAreKnown() {
        assertThat(unreadable("a,b\nc,d\n".getBytes(StandardCharsets.UTF_8)).sentence())
                .contains("Quantity", "Type", "Position");
    }

    private static byte[] encoded(String text, String charset, String mark) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        bytes.writeBytes(HexFormat.of().parseHex(mark));
        bytes.writeBytes(text.getBytes(Charset.forName(charset)));
        return bytes.toByteArray();
    }

    private static Understood understood(String text) {
        return understood(text.getBytes(StandardCharsets.UTF_8));
    }

    private static Understood understood(byte[] bytes) {
        EquipmentSheet sheet = EquipmentSheetReader.read(bytes);
        assertThat(sheet).isInstanceOf(Understood.class);
        return (Understood) sheet;
    }

    private static Unreadable unreadable(byte[] bytes) {
        EquipmentSheet sheet = EquipmentSheetReader.read(bytes);
        assertThat(sheet).isInstanceOf(Unreadable.class);
        return (Unreadable) sheet;
    }
}
