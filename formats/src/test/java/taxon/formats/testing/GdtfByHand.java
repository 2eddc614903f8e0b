package taxon.formats.testing;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes GDTF files as plain text and with the ZIP of the JDK, so that the reader is not checked by its own writer. */
public final class GdtfByHand {
    private String geometries = "<Geometry Name=\"Body\"/>";
    private String modes = "";
    private String protocols = "";
    private String head = "Name=\"Wader\" ShortName=\"Wader\" LongName=\"Pellucid Wader\" Manufacturer=\"Pellucid\""
            + " FixtureTypeID=\"0F1E2D3C-4B5A-6978-8796-A5B4C3D2E1F0\"";
    private String version = "1.2";
    private String extra = "";
    private String connectors = "<Connector Name=\"In\" Type=\"XLR5\" DMXBreak=\"1\" Gender=\"1\"/>";

    public GdtfByHand geometries(String xml) {
        geometries = xml;
        return this;
    }

    /** A mode of these channels under the geometry "Body". */
    public GdtfByHand mode(String name, String... channels) {
        modes += "<DMXMode Name=\"" + name + "\" Geometry=\"Body\"><DMXChannels>" + String.join("\n", channels)
                + "</DMXChannels></DMXMode>\n";
        return this;
    }

    public GdtfByHand protocols(String xml) {
        protocols = xml;
        return this;
    }

    public GdtfByHand head(String attributes) {
        head = attributes;
        return this;
    }

    public GdtfByHand version(String dataVersion) {
        version = dataVersion;
        return this;
    }

    /** In place of the one 5-pin input. */
    public GdtfByHand connectors(String xml) {
        connectors = xml;
        return this;
    }

    public GdtfByHand extra(String xml) {
        extra = xml;
        return this;
    }

    /** A channel with one function. */
    public static String channel(String offset, String attribute) {
        return channel("1", offset, "Body", attribute);
    }

    public static String channel(String dmxBreak, String offset, String geometry, String attribute) {
        return channel(
                "DMXBreak=\"" + dmxBreak + "\" Offset=\"" + offset + "\" Geometry=\"" + geometry + "\"",
                attribute,
                "<ChannelFunction Name=\"" + attribute + " 1\" Attribute=\"" + attribute
                        + "\" DMXFrom=\"0/1\" Default=\"0/1\"/>");
    }

    public static String channel(String attributes, String attribute, String functions) {
        return "<DMXChannel " + attributes + "><LogicalChannel Attribute=\"" + attribute + "\">" + functions
                + "</LogicalChannel></DMXChannel>";
    }

    public String xml() {
        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<GDTF DataVersion=\"" + version + "\"><FixtureType " + head
                + ">" + definitions() + "<PhysicalDescriptions><Connectors>" + connectors
                + "</Connectors></PhysicalDescriptions>\n<Geometries>" + geometries + "</Geometries>\n<DMXModes>"
                + modes + "</DMXModes>\n<Protocols>"
                + protocols + "</Protocols>" + extra + "</FixtureType></GDTF>";
    }

    /** Of all attributes that the modes use. */
    private String definitions() {
        return Pattern.compile("Attribute=\"([^\"]+)\"")
                .matcher(modes)
                .results()
                .map(r -> "<Attribute Name=\"" + r.group(1) + "\"/>")
                .distinct()
                .collect(Collectors.joining(
                        "", "<AttributeDefinitions><Attributes>", "</Attributes></AttributeDefinitions>"));
    }

    public byte[] file() {
        return zip("description.xml", xml().getBytes(StandardCharsets.UTF_8));
    }

    public static byte[] zip(String name, byte[] content) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(name));
            zip.write(content);
            zip.closeEntry();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
