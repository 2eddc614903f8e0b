package taxon.formats.testing;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes scene files with plain text and the JDK's ZIP, independent of the reader under test. */
public final class MvrByHand {
    private String positions = "";
    private String layers = "";
    private String version = "verMajor=\"1\" verMinor=\"6\"";
    private final Map<String, byte[]> files = new LinkedHashMap<>();

    public MvrByHand position(String uuid, String name) {
        positions += "<Position uuid=\"" + uuid + "\" name=\"" + name + "\"/>";
        return this;
    }

    /** A layer of these elements. */
    public MvrByHand layer(String name, String matrix, String... children) {
        layers += "<Layer uuid=\"" + uuid(9000 + layers.length()) + "\" name=\"" + name + "\">" + matrix + "<ChildList>"
                + String.join("\n", children) + "</ChildList></Layer>\n";
        return this;
    }

    public static String group(String name, String matrix, String... children) {
        return "<GroupObject uuid=\"" + uuid(8000 + name.length()) + "\" name=\"" + name + "\">" + matrix
                + "<ChildList>" + String.join("\n", children) + "</ChildList></GroupObject>";
    }

    /** A fixture with these elements in it. */
    public static String fixture(int number, String name, String... elements) {
        return "<Fixture uuid=\"" + uuid(number) + "\" name=\"" + name + "\">" + String.join("", elements)
                + "</Fixture>";
    }

    public static String uuid(int number) {
        return String.format("0f1e2d3c-4b5a-6978-8796-%012x", number);
    }

    public static String element(String name, String text) {
        return "<" + name + ">" + text + "</" + name + ">";
    }

    /** No turn, so many millimetres away. */
    public static String moved(String x, String y, String z) {
        return element("Matrix", "{1,0,0}{0,1,0}{0,0,1}{" + x + "," + y + "," + z + "}");
    }

    public static String addresses(String... ofBreaks) {
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < ofBreaks.length; i++) {
            out.append("<Address break=\"")
                    .append(i)
                    .append("\">")
                    .append(ofBreaks[i])
                    .append("</Address>");
        }
        return element("Addresses", out.toString());
    }

    public MvrByHand version(String attributes) {
        version = attributes;
        return this;
    }

    public MvrByHand file(String name, byte[] content) {
        files.put(name, content);
        return this;
    }

    public String xml() {
        return "<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"no\" ?>\n<GeneralSceneDescription " + version
                + "><UserData/>\n<Scene><AUXData>" + positions + "</AUXData>\n<Layers>" + layers
                + "</Layers></Scene></GeneralSceneDescription>";
    }

    public byte[] mvr() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            put(zip, "GeneralSceneDescription.xml", xml().getBytes(StandardCharsets.UTF_8));
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                put(zip, file.getKey(), file.getValue());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static void put(ZipOutputStream zip, String name, byte[] content) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(content);
        zip.closeEntry();
    }
}
