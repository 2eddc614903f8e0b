package taxon.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.formats.table.WrittenWorkbook.formula;
import static taxon.formats.table.WrittenWorkbook.number;
import static taxon.formats.table.WrittenWorkbook.shownWithThree;
import static taxon.formats.table.WrittenWorkbook.text;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import taxon.core.listing.TableRow;
import taxon.formats.table.TableFile.Fault;
import taxon.formats.table.TableFile.Read;
import taxon.formats.table.TableFile.Unreadable;

class WorkbooksTest {
    private static final WrittenWorkbook TWO =
            new WrittenWorkbook().sheet("Notes", "see next\n").sheet("Rental", "Qty,Type\n8,Heron 380\n");

    @Test
    void theFirstSheetIsReadAndAnotherCanBeChosen() {
        Read first = read(TWO.bytes(), "");
        assertThat(first.origin().sheets()).containsExactly("Notes", "Rental");
        assertThat(first.origin().words()).isEqualTo("XLSX, sheet Notes of 2");
        Read chosen = read(TWO.bytes(), "Rental");
        assertThat(chosen.rows())
                .extracting(TableRow::cells)
                .contains(List.of("Qty", "Type"), List.of("8", "Heron 380"));
        assertThat(read(TWO.bytes(), "No such").origin().sheet()).isEqualTo("Notes");
    }

    @Test
    void aCellIsWhatTheTableProgramShows() {
        Read table = read(
                new WrittenWorkbook()
                        .sheet(
                                "s",
                                List.of(List.of(
                                        number("1.1"),
                                        shownWithThree("1.1"),
                                        number("8"),
                                        formula("A1*2", "16"),
                                        text("a & b"))))
                        .bytes(),
                "");
        assertThat(table.rows().get(0).cells()).containsExactly("1.1", "1.100", "8", "16", "a & b");
    }

    @Test
    void rowsKeepTheirNumbersAndCellsTheirColumns() {
        Read table =
                read(new WrittenWorkbook().sheet("s", "Qty,Type\n,,\n4,,note\n").bytes(), "");
        assertThat(table.rows().get(2).line()).isEqualTo(3);
        assertThat(table.rows().get(2).cells()).containsExactly("4", "", "note");
    }

    @Test
    void whatIsPackedTooTightlyIsRefusedBeforeItIsParsed() {
        byte[] bomb = new WrittenWorkbook()
                .sheet("s", "Qty,Type\n1,Tern\n")
                .part("xl/sharedStrings.xml", " ".repeat(80 << 20))
                .bytes();
        assertThat(bomb.length).isLessThan(200_000);
        assertThat(unreadable(bomb).sentence()).contains("unpacks to more than 400 times");
    }

    @Test
    void aWorkbookWithAPasswordIsSaidToHaveOne() {
        byte[] locked = new byte[2_000];
        byte[] begin = {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0, (byte) 0xA1, (byte) 0xB1, 0x1A, (byte) 0xE1};
        System.arraycopy(begin, 0, locked, 0, begin.length);
        assertThat(unreadable(locked).fault()).isEqualTo(Fault.OLD_WORKBOOK);
        byte[] name = "EncryptedPackage".getBytes(java.nio.charset.StandardCharsets.UTF_16LE);
        System.arraycopy(name, 0, locked, 1_024, name.length);
        assertThat(unreadable(locked).sentence()).contains("locked with a password");
    }

    @Test
    void aBrokenWorkbookIsSaidToBeBroken() {
        byte[] whole = TWO.bytes();
        assertThat(unreadable(Arrays.copyOf(whole, whole.length / 2)).fault()).isEqualTo(Fault.BAD_WORKBOOK);
        assertThat(unreadable(new WrittenWorkbook()
                                .sheet("s", "a\n")
                                .part("xl/workbook.xml", "<workbook")
                                .bytes())
                        .sentence())
                .isEqualTo("The workbook cannot be read: it is damaged, or no workbook at all.");
    }

    /** A file of the disk, were it read, would stand in the first cell (OWASP, "XML External Entity"). */
    @Test
    void anEntityFromOutsideIsNotFetched() {
        byte[] hostile = new WrittenWorkbook()
                .sheet("s", "a\n")
                .part(
                        "xl/worksheets/sheet1.xml",
                        "<!DOCTYPE w [<!ENTITY e SYSTEM \"file:///etc/hostname\">]><worksheet xmlns=\""
                                + "http://schemas.openxmlformats.org/spreadsheetml/2006/main\"><sheetData><row r=\"1\"><c r=\"A1\""
                                + " t=\"inlineStr\"><is><t>&e;</t></is></c></row></sheetData></worksheet>")
                .bytes();
        assertThat(TableReader.read(hostile, "")).isInstanceOf(Unreadable.class);
    }

    @Test
    void aSheetThatIsTooWideIsRefused() {
        byte[] book = new WrittenWorkbook()
                .sheet("s", "a\n")
                .part(
                        "xl/worksheets/sheet1.xml",
                        "<worksheet xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\"><sheetData><row r=\"7\">"
                                + "<c r=\"XFD7\"><v>1</v></c></row></sheetData></worksheet>")
                .bytes();
        assertThat(unreadable(book).sentence()).isEqualTo("Line 7 has more columns than a list takes, 200.");
    }

    private static Read read(byte[] bytes, String sheet) {
        TableFile table = TableReader.read(bytes, sheet);
        assertThat(table).isInstanceOf(Read.class);
        return (Read) table;
    }

    private static Unreadable unreadable(byte[] bytes) {
        TableFile table = TableReader.read(bytes, "");
        assertThat(table).isInstanceOf(Unreadable.class);
        return (Unreadable) table;
    }
}
