package taxon.formats.workbook;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.commons.compress.archivers.zip.Zip64Mode;
import org.apache.poi.openxml4j.exceptions.InvalidFormatException;
import org.apache.poi.ss.SpreadsheetVersion;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.ss.util.WorkbookUtil;
import org.apache.poi.xssf.streaming.SXSSFWorkbook;
import taxon.core.paper.Cell;
import taxon.core.paper.Paper.Listing;
import taxon.formats.csv.SpreadsheetCsv;
import taxon.formats.zip.ArchiveOut;

/**
 * A listing as workbook (XLSX, ECMA-376) of one sheet: the header in its first row, which stays in sight and filters; figures as
 * numbers, all else as text, which no program runs as a formula, also not after it was edited.
 */
public final class WorkbookOut {
    private static final int ROWS_IN_MEMORY = 200;
    private static final int WIDEST = 60;
    private static final int UNITS_A_LETTER = 256;
    private static final int PADDING = 3;
    private static final int ROOM_FOR_THE_REST = 40;
    private static final int LONGEST_CELL = SpreadsheetVersion.EXCEL2007.getMaxTextLength();

    private final SXSSFWorkbook workbook = new SXSSFWorkbook(ROWS_IN_MEMORY);
    private final CellStyle head = workbook.createCellStyle();
    private final CellStyle quoted = workbook.createCellStyle();

    private WorkbookOut() {
        workbook.setZip64Mode(Zip64Mode.AsNeeded);
        Font bold = workbook.createFont();
        bold.setBold(true);
        head.setFont(bold);
        quoted.setQuotePrefixed(true);
    }

    /**
     * Writes it; the same listing gives the same bytes.
     *
     * @param name of the sheet; what cannot stand in such a name is replaced
     */
    public static byte[] write(String name, Listing listing) {
        WorkbookOut out = new WorkbookOut();
        try (SXSSFWorkbook workbook = out.workbook) {
            out.fill(workbook.createSheet(WorkbookUtil.createSafeSheetName(name)), listing);
            var properties = workbook.getXSSFWorkbook().getProperties().getCoreProperties();
            properties.setCreator("Taxon");
            properties.setCreated("1980-01-01T00:00:00Z");
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            workbook.write(bytes);
            return timeless(bytes.toByteArray());
        } catch (InvalidFormatException e) {
            throw new IllegalStateException("the time is well formed", e);
        } catch (IOException e) {
            throw new UncheckedIOException("the workbook " + name + " cannot be written", e);
        }
    }

    private void fill(Sheet sheet, Listing listing) {
        int columns = listing.header().size();
        int[] letters = new int[columns];
        Row first = sheet.createRow(0);
        for (int i = 0; i < columns; i++) {
            org.apache.poi.ss.usermodel.Cell cell = first.createCell(i);
            cell.setCellValue(listing.header().get(i));
            cell.setCellStyle(head);
            letters[i] = listing.header().get(i).length();
        }
        int number = 1;
        for (List<Cell> cells : listing.rows()) {
            Row row = sheet.createRow(number++);
            for (int i = 0; i < columns; i++) {
                letters[i] = Math.max(letters[i], cells.get(i).words().length());
                fill(row, i, cells.get(i));
            }
        }
        for (int i = 0; i < columns; i++) {
            sheet.setColumnWidth(i, (Math.min(WIDEST, letters[i]) + PADDING) * UNITS_A_LETTER);
        }
        sheet.createFreezePane(0, 1);
        if (columns > 0) {
            sheet.setAutoFilter(new CellRangeAddress(0, number - 1, 0, columns - 1));
        }
    }

    private void fill(Row row, int column, Cell value) {
        if (value instanceof Cell.Figure figure) {
            row.createCell(column).setCellValue(figure.value().doubleValue());
        } else if (!value.words().isEmpty()) {
            org.apache.poi.ss.usermodel.Cell cell = row.createCell(column);
            cell.setCellValue(fitting(value.words()));
            if (SpreadsheetCsv.isRisky(value.words())) {
                cell.setCellStyle(quoted);
            }
        }
    }

    /** Where a text is longer than a cell can be, it says by how much. */
    private static String fitting(String words) {
        if (words.length() <= LONGEST_CELL) {
            return words;
        }
        int kept = LONGEST_CELL - ROOM_FOR_THE_REST;
        return words.substring(0, kept) + " … and " + (words.length() - kept) + " letters more";
    }

    /** The library stamps each entry with the time of day. */
    private static byte[] timeless(byte[] workbook) throws IOException {
        Map<String, byte[]> entries = new TreeMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(workbook))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                entries.put(entry.getName(), in.readAllBytes());
            }
        }
        return ArchiveOut.of(entries, ArchiveOut.NO_TIME);
    }
}
