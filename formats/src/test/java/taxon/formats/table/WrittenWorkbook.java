package taxon.formats.table;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * Workbooks as programs write them (ECMA-376, parts 1 and 2; from memory), made with the ZIP of the JDK and plain text, so that the
 * reader is not tested by its own library. A cell is XML: {@link #number}, {@link #text}, {@link #formula}.
 */
public final class WrittenWorkbook {
    private static final String NS = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
    private static final String HEAD = "<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n";

    private final Map<String, List<List<String>>> sheets = new LinkedHashMap<>();
    private final Map<String, String> more = new LinkedHashMap<>();

    public WrittenWorkbook sheet(String name, List<List<String>> rows) {
        sheets.put(name, rows);
        return this;
    }

    /** A sheet of text, one row a line, its cells apart by commas; what looks like a number is one, as programs write it. */
    public WrittenWorkbook sheet(String name, String csv) {
        List<List<String>> rows = new ArrayList<>();
        for (String line : csv.split("\n", -1)) {
            rows.add(List.of(line.split(",", -1)).stream()
                    .map(c -> c.matches("-?\\d+(\\.\\d+)?") ? number(c) : text(c))
                    .toList());
        }
        return sheet(name, rows);
    }

    /** One more part of the package. */
    public WrittenWorkbook part(String name, String content) {
        more.put(name, content);
        return this;
    }

    public static String number(String value) {
        return "<c%s><v>" + value + "</v></c>";
    }

    /** A number that is shown with three decimals. */
    public static String shownWithThree(String value) {
        return "<c%s s=\"1\"><v>" + value + "</v></c>";
    }

    public static String text(String value) {
        return value.isEmpty() ? "" : "<c%s t=\"inlineStr\"><is><t>" + value.replace("&", "&amp;") + "</t></is></c>";
    }

    public static String formula(String formula, String last) {
        return "<c%s><f>" + formula + "</f><v>" + last + "</v></c>";
    }

    public byte[] bytes() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, String> part : parts().entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(part.getValue().getBytes(StandardCharsets.UTF_8));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private Map<String, String> parts() {
        StringBuilder types = new StringBuilder();
        StringBuilder list = new StringBuilder();
        StringBuilder links = new StringBuilder();
        Map<String, String> parts = new LinkedHashMap<>();
        int n = 0;
        for (Map.Entry<String, List<List<String>>> sheet : sheets.entrySet()) {
            n++;
            types.append("<Override PartName=\"/xl/worksheets/sheet")
                    .append(n)
                    .append(".xml\" ContentType=\"")
                    .append("application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml\"/>");
            list.append("<sheet name=\"")
                    .append(sheet.getKey())
                    .append("\" sheetId=\"")
                    .append(n)
                    .append("\" r:id=\"rId")
                    .append(n)
                    .append("\"/>");
            links.append(link(n, "worksheet", "worksheets/sheet" + n + ".xml"));
            parts.put("xl/worksheets/sheet" + n + ".xml", worksheet(sheet.getValue()));
        }
        links.append(link(n + 1, "styles", "styles.xml"));
        parts.put(
                "[Content_Types].xml",
                HEAD + "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\">"
                        + "<Default Extension=\"rels\" ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/>"
                        + "<Default Extension=\"xml\" ContentType=\"application/xml\"/><Override PartName=\"/xl/workbook.xml\" ContentType=\""
                        + "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml\"/><Override PartName=\"/xl/styles.xml\""
                        + " ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.styles+xml\"/>"
                        + types + "</Types>");
        parts.put("_rels/.rels", relations(link(1, "officeDocument", "xl/workbook.xml")));
        parts.put("xl/_rels/workbook.xml.rels", relations(links.toString()));
        parts.put(
                "xl/workbook.xml",
                HEAD + "<workbook xmlns=\"" + NS + "\" xmlns:r=\""
                        + "http://schemas.openxmlformats.org/officeDocument/2006/relationships\"><sheets>" + list
                        + "</sheets></workbook>");
        parts.put(
                "xl/styles.xml",
                HEAD + "<styleSheet xmlns=\"" + NS + "\"><numFmts count=\"1\"><numFmt numFmtId=\"164\""
                        + " formatCode=\"0.000\"/></numFmts><fonts count=\"1\"><font/></fonts><fills count=\"1\"><fill/></fills>"
                        + "<borders count=\"1\"><border/></borders><cellStyleXfs count=\"1\"><xf/></cellStyleXfs><cellXfs count=\"2\">"
                        + "<xf numFmtId=\"0\"/><xf numFmtId=\"164\" applyNumberFormat=\"1\"/></cellXfs></styleSheet>");
        parts.putAll(more);
        return parts;
    }

    private static String relations(String links) {
        return HEAD + "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">" + links
                + "</Relationships>";
    }

    private static String link(int n, String kind, String target) {
        return "<Relationship Id=\"rId" + n
                + "\" Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/" + kind
                + "\" Target=\"" + target + "\"/>";
    }

    private static String worksheet(List<List<String>> rows) {
        StringBuilder xml = new StringBuilder(HEAD + "<worksheet xmlns=\"" + NS + "\"><sheetData>");
        for (int r = 0; r < rows.size(); r++) {
            xml.append("<row r=\"").append(r + 1).append("\">");
            for (int c = 0; c < rows.get(r).size(); c++) {
                String place = " r=\"" + (char) ('A' + c) + (r + 1) + "\"";
                xml.append(rows.get(r).get(c).replaceFirst("%s", place));
            }
            xml.append("</row>");
        }
        return xml.append("</sheetData></worksheet>").toString();
    }
}
