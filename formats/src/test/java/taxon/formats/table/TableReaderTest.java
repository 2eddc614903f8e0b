package taxon.formats.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.listing.TableRow;
import taxon.formats.table.TableFile.Fault;
import taxon.formats.table.TableFile.Read;
import taxon.formats.table.TableFile.Unreadable;

class TableReaderTest {
    private static final String LIST =
            "Quantity,Maker,Type,Mode,Position,First fixture ID,Note\n8,Fernglass,Heron 380,24,Crane rail,201,über\n";

    @ParameterizedTest
    @CsvSource({"',', comma", "';', semicolon", "'\t', tab", "'|', upright stroke"})
    void anySeparatorIsFound(String separator, String words) {
        Read table = read(LIST.replace(",", separator).getBytes(StandardCharsets.UTF_8));
        assertThat(table.origin().words()).isEqualTo("UTF-8, " + words);
        assertThat(table.rows().get(1).cell(2)).isEqualTo("Heron 380");
    }

    @Test
    void aSeparatorIsFoundWhereNoHeaderIsKnown() {
        Read table = read("Was;Wieviel, etwa;Wo\nTern;8;Quay\n".getBytes(StandardCharsets.UTF_8));
        assertThat(table.rows().get(0).cells()).containsExactly("Was", "Wieviel, etwa", "Wo");
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
        Read table = read(encoded(LIST, charset, mark));
        assertThat(table.origin().words()).startsWith(told);
        assertThat(table.rows().get(1).cell(6)).isEqualTo("über");
    }

    @Test
    void aRowAfterAQuotedCellOfSeveralLinesKeepsItsLine() {
        Read table =
                read("Qty,Type,Note\r\n8,Heron 380,\"one\r\ntwo\"\r\n4,Tern,\r\n".getBytes(StandardCharsets.UTF_8));
        assertThat(table.rows()).extracting(TableRow::line).containsExactly(1, 2, 4);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " \n\n", ",,\n,,\n"})
    void anEmptyFileIsSaidToBeEmpty(String text) {
        assertThat(unreadable(text.getBytes(StandardCharsets.UTF_8)).fault()).isEqualTo(Fault.EMPTY);
    }

    @Test
    void aBinaryFileIsNoList() {
        byte[] noise = new byte[4096];
        new Random(1).nextBytes(noise);
        assertThat(unreadable(noise).fault()).isEqualTo(Fault.NOT_TEXT);
    }

    @Test
    void aWorkbookOfTheOldKindIsNamedAsSuch() {
        byte[] old = HexFormat.of().parseHex("d0cf11e0a1b11ae1" + "00".repeat(512));
        assertThat(unreadable(old).sentence()).contains("old binary form (XLS)", "Save it as XLSX or CSV");
    }

    @Test
    void fiftyThousandRowsAreReadAndMoreAreRefusedWithTheLimit() {
        String most = "Qty,Type\n" + "1,Tern\n".repeat(50_000);
        assertThat(read(most.getBytes(StandardCharsets.UTF_8)).rows()).hasSize(50_001);
        assertThat(unreadable((most + "1,Tern\n").getBytes(StandardCharsets.UTF_8))
                        .sentence())
                .contains("more than 50000 rows");
    }

    @Test
    void whatIsLargerThanTheLimitIsNotEvenDecoded() {
        assertThat(unreadable(new byte[TableReader.MOST_BYTES + 1]).fault()).isEqualTo(Fault.TOO_LARGE);
    }

    @Test
    void anUnclosedQuoteReportsTheLineOnWhichItBegan() {
        Unreadable table = unreadable("Qty,Type\n8,Heron 380\n4,\"Tern\n1,Avocet\n".getBytes(StandardCharsets.UTF_8));
        assertThat(table.fault()).isEqualTo(Fault.BROKEN_QUOTES);
        assertThat(table.value()).isEqualTo("3");
    }

    @Test
    void aRowThatIsTooWideAndACellThatIsTooLongAreNamed() {
        assertThat(unreadable(("a" + ",b".repeat(300)).getBytes(StandardCharsets.UTF_8))
                        .fault())
                .isEqualTo(Fault.TOO_WIDE);
        assertThat(unreadable(("Qty,Type\n1," + "x".repeat(30_000)).getBytes(StandardCharsets.UTF_8))
                        .sentence())
                .isEqualTo("Line 2 has a cell of more than 20000 characters.");
    }

    @Test
    void pastedRowsEndWhereTheirLastCellIs() {
        assertThat(PastedCells.read("101\tBow\n102\t\"a\tb\"\n\n\n").orElseThrow())
                .extracting(TableRow::cells)
                .containsExactly(List.of("101", "Bow"), List.of("102", "a\tb"));
        assertThat(PastedCells.read("\"open\t1")).isEmpty();
    }

    private static byte[] encoded(String text, String charset, String mark) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        bytes.writeBytes(HexFormat.of().parseHex(mark));
        bytes.writeBytes(text.getBytes(Charset.forName(charset)));
        return bytes.toByteArray();
    }

    private static Read read(byte[] bytes) {
        TableFile table = TableReader.read(bytes, "");
        assertThat(table).isInstanceOf(Read.class);
        return (Read) table;
    }

    private static Unreadable unreadable(byte[] bytes) {
        TableFile table = TableReader.read(bytes, "");
        assertThat(table).isInstanceOf(Unreadable.class);
        return (Unreadable) table;
    }
}
