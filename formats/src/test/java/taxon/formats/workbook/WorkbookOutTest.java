package taxon.formats.workbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.Test;
import taxon.core.paper.Cell;
import taxon.core.paper.Paper.Listing;

/** Workbooks as another library reads them. */
class WorkbookOutTest {
    private static final Listing LISTING = new Listing(
            List.of("Fixture ID", "Name", "Universe"),
            List.of(
                    List.of(Cell.of(204), Cell.of("=HYPERLINK(\"x\")"), Cell.of(2)),
                    List.of(Cell.of("none"), Cell.of("bow, \"left\" Ω"), Cell.EMPTY)));

    private static List<Row> rows(byte[] file) throws IOException {
        try (ReadableWorkbook workbook = new ReadableWorkbook(new ByteArrayInputStream(file))) {
            return workbook.getFirstSheet().read();
        }
    }

    private static Map<String, String> entries(byte[] file) throws IOException {
        Map<String, String> entries = new TreeMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                entries.put(entry.getName(), new String(in.readAllBytes(), StandardCharsets.UTF_8));
            }
        }
        return entries;
    }

    @Test
    void theHeaderIsTheFirstRowNumbersAreNumbersAndTextsTexts() throws IOException {
        List<Row> rows = rows(WorkbookOut.write("Patch", LISTING));
        assertThat(rows).hasSize(3);
        assertThat(rows.get(0).getCellText(1)).isEqualTo("Name");
        assertThat(rows.get(1).getCell(0).getType()).isEqualTo(CellType.NUMBER);
        assertThat(rows.get(1).getCellAsNumber(0).orElseThrow()).isEqualByComparingTo("204");
        assertThat(rows.get(1).getCell(1).getType()).isEqualTo(CellType.STRING);
        assertThat(rows.get(1).getCellText(1)).isEqualTo("=HYPERLINK(\"x\")");
        assertThat(rows.get(2).getCellText(1)).isEqualTo("bow, \"left\" Ω");
        assertThat(rows.get(2).getCellText(2)).isEmpty();
    }

    @Test
    void noCellHasAFormulaTheHeaderStaysInSightAndFilters() throws IOException {
        String sheet = entries(WorkbookOut.write("Patch", LISTING)).get("xl/worksheets/sheet1.xml");
        assertThat(sheet)
                .doesNotContain("<f>")
                .contains("state=\"frozen\"", "ySplit=\"1.0\"", "<autoFilter ref=\"A1:C3\"/>");
        assertThat(entries(WorkbookOut.write("Patch", LISTING)).get("xl/styles.xml"))
                .contains("quotePrefix=\"true\"");
    }

    @Test
    void theSameListingGivesTheSameBytes() {
        assertThat(WorkbookOut.write("Patch", LISTING)).isEqualTo(WorkbookOut.write("Patch", LISTING));
    }

    @Test
    void aNameThatNoSheetCanHaveIsReplacedAndNoRowsAreNoError() throws IOException {
        byte[] file = WorkbookOut.write(
                "a/b:c?*[d] and far too long for the name of a sheet", new Listing(List.of(), List.of()));
        assertThat(rows(file)).hasSize(1);
        assertThat(entries(file).get("xl/workbook.xml")).contains("a b c   d  and far too long for");
    }

    @Test
    void aTextLongerThanACellSaysHowMuchIsMissing() throws IOException {
        Listing listing = new Listing(List.of("IDs"), List.of(List.of(Cell.of("1, ".repeat(20_000)))));
        assertThat(rows(WorkbookOut.write("Groups", listing)).get(1).getCellText(0))
                .hasSizeLessThan(32_768)
                .endsWith("letters more");
    }
}
