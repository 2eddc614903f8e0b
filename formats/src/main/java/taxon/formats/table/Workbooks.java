package taxon.formats.table;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javax.xml.parsers.ParserConfigurationException;
import org.apache.poi.openxml4j.exceptions.OpenXML4JException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.util.XMLHelper;
import org.apache.poi.xssf.eventusermodel.ReadOnlySharedStringsTable;
import org.apache.poi.xssf.eventusermodel.XSSFReader;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.XMLReader;
import taxon.formats.table.TableFile.Fault;
import taxon.formats.table.TableFile.Origin;
import taxon.formats.table.TableFile.Read;
import taxon.formats.zip.ArchiveRefusedException;
import taxon.formats.zip.SafeArchive;

/**
 * Sheets of XLSX workbooks (ECMA-376), one at a time and row by row. A cell is what the table program shows: a number in its
 * format, a formula by the value that it last had.
 *
 * <p>Before anything of it is parsed, all of it is unpacked once and counted, so that what is packed tightly is refused.
 */
final class Workbooks {
    /** What a workbook may have unpacked: a sheet of fifty thousand rows has about fifty. */
    private static final long MOST_UNPACKED = 192L << 20;

    private Workbooks() {}

    static boolean isWorkbook(byte[] file) {
        return file.length > 3 && file[0] == 'P' && file[1] == 'K' && file[2] == 3 && file[3] == 4;
    }

    /** The binary workbooks of before 2007 begin as compound files. */
    static boolean isOldWorkbook(byte[] file) {
        return file.length > 3
                && (file[0] & 0xFF) == 0xD0
                && (file[1] & 0xFF) == 0xCF
                && (file[2] & 0xFF) == 0x11
                && (file[3] & 0xFF) == 0xE0;
    }

    /** A workbook with a password lies in a compound file, encrypted as a whole (MS-OFFCRYPTO, 2.3.4.4, from memory). */
    static boolean isLocked(byte[] file) {
        byte[] name = "EncryptedPackage".getBytes(StandardCharsets.UTF_16LE);
        for (int at = 0; at + name.length <= file.length; at++) {
            if (Arrays.equals(file, at, at + name.length, name, 0, name.length)) {
                return true;
            }
        }
        return false;
    }

    static Read read(byte[] file, String sheet) throws UnreadableException {
        try {
            SafeArchive.open(file).requireUnpackedAtMost(MOST_UNPACKED);
        } catch (ArchiveRefusedException e) {
            throw bad(String.valueOf(e.getMessage()));
        }
        try (OPCPackage packed = OPCPackage.open(new ByteArrayInputStream(file))) {
            XSSFReader workbook = new XSSFReader(packed);
            return read(workbook, new ReadOnlySharedStringsTable(packed, false), sheet);
        } catch (RowsRefusedException e) {
            throw e.reason();
        } catch (IOException
                | OpenXML4JException
                | SAXException
                | ParserConfigurationException
                | RuntimeException ofTheLibrary) {
            // Damaged workbooks make the library fail in ways of its own, not all of them declared.
            throw bad("it is damaged, or no workbook at all.");
        }
    }

    private static UnreadableException bad(String why) {
        return new UnreadableException(Fault.BAD_WORKBOOK, why, "");
    }

    private static Read read(XSSFReader workbook, ReadOnlySharedStringsTable strings, String wanted)
            throws IOException, OpenXML4JException, SAXException, ParserConfigurationException, UnreadableException {
        List<String> names = new ArrayList<>();
        Optional<SheetRows> first = Optional.empty();
        Optional<SheetRows> asked = Optional.empty();
        XSSFReader.SheetIterator sheets = (XSSFReader.SheetIterator) workbook.getSheetsData();
        while (sheets.hasNext()) {
            try (InputStream sheet = sheets.next()) {
                String name = sheets.getSheetName();
                names.add(name);
                boolean isAsked = name.equals(wanted);
                if (isAsked || first.isEmpty()) {
                    SheetRows rows = parsed(workbook, strings, sheet);
                    first = first.isEmpty() ? Optional.of(rows) : first;
                    asked = isAsked ? Optional.of(rows) : asked;
                }
            }
        }
        if (first.isEmpty()) {
            throw bad("it has no sheet with cells.");
        }
        String shown = asked.isPresent() ? wanted : names.get(0);
        SheetRows rows = asked.orElseGet(first::orElseThrow);
        String words = names.size() == 1 ? "XLSX, sheet " + shown : "XLSX, sheet " + shown + " of " + names.size();
        return new Read(new Origin(words, shown, names), rows.rows());
    }

    private static SheetRows parsed(XSSFReader workbook, ReadOnlySharedStringsTable strings, InputStream sheet)
            throws IOException, OpenXML4JException, SAXException, ParserConfigurationException {
        SheetRows rows = new SheetRows();
        XMLReader parser = XMLHelper.newXMLReader();
        parser.setContentHandler(new XSSFSheetXMLHandler(
                workbook.getStylesTable(), strings, rows, new DataFormatter(Locale.ENGLISH), false));
        parser.parse(new InputSource(sheet));
        return rows;
    }
}
