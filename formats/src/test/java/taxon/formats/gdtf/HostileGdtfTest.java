package taxon.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.formats.testing.GdtfByHand.channel;
import static taxon.formats.testing.GdtfByHand.zip;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.testing.RandomTypes;
import taxon.core.testing.Rigs;
import taxon.formats.testing.GdtfByHand;

/** Files that are meant to hurt. Each is refused with a sentence, or read as far as it can be. */
class HostileGdtfTest {
    private static final String DESCRIPTION = "description.xml";

    @Test
    void anOutsideEntityIsRefused() {
        refused(
                xml("<!DOCTYPE GDTF [<!ENTITY e SYSTEM \"file:///etc/passwd\">]><GDTF>&e;</GDTF>"),
                "document type declaration");
    }

    @Test
    void entitiesThatMultiplyAreRefused() {
        String bomb = IntStream.range(1, 10)
                .mapToObj(i -> "<!ENTITY a" + i + " \"" + ("&a" + (i - 1) + ";").repeat(10) + "\">")
                .collect(Collectors.joining());
        refused(xml("<!DOCTYPE GDTF [<!ENTITY a0 \"x\">" + bomb + "]><GDTF>&a9;</GDTF>"), "document type declaration");
    }

    @Test
    void anEntityThatNobodyDeclaredIsRefused() {
        refused(xml("<GDTF>&nbsp;</GDTF>"), "no well-formed XML");
    }

    @Test
    void aSmallArchiveThatUnpacksToAGigabyteIsRefused() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.setLevel(1);
            zip.putNextEntry(new ZipEntry(DESCRIPTION));
            byte[] spaces = " ".repeat(1 << 20).getBytes(StandardCharsets.US_ASCII);
            for (int i = 0; i < 1024; i++) {
                zip.write(spaces);
            }
            zip.closeEntry();
        }
        refused(out.toByteArray(), "has 1073741824 bytes; 25165824 is the most");
    }

    @Test
    void anEntryThatLiesAboutItsSizeIsStoppedWhileItUnpacks() throws IOException {
        byte[] file = zip(DESCRIPTION, " ".repeat(30 << 20).getBytes(StandardCharsets.US_ASCII));
        // The size stands 24 bytes into the central header; 1000 is claimed.
        int header = lastIndexOf(file, new byte[] {'P', 'K', 1, 2});
        file[header + 24] = (byte) 0xE8;
        file[header + 25] = 3;
        file[header + 26] = 0;
        file[header + 27] = 0;
        refused(file, "description.xml");
    }

    private static int lastIndexOf(byte[] bytes, byte[] wanted) {
        for (int i = bytes.length - wanted.length; i >= 0; i--) {
            if (java.util.Arrays.equals(bytes, i, i + wanted.length, wanted, 0, wanted.length)) {
                return i;
            }
        }
        throw new AssertionError("not there");
    }

    @ParameterizedTest
    @ValueSource(strings = {"../description.xml", "/description.xml", "a/../../b", "C:\\x", "wheels\\..\\x"})
    void namesThatLeadOutOfTheArchiveAreRefused(String name) {
        refused(zip(name, new byte[1]), "leads out of it");
    }

    @Test
    void tooManyEntriesAreRefused() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < 5000; i++) {
                zip.putNextEntry(new ZipEntry("wheels/" + i));
            }
        }
        refused(out.toByteArray(), "5000 entries");
    }

    @ParameterizedTest
    @CsvSource({
        "'', no ZIP archive",
        "PK, no ZIP archive",
        "plain text and no archive, no ZIP archive",
    })
    void whatIsNoArchiveIsRefused(String content, String reason) {
        refused(content.getBytes(StandardCharsets.UTF_8), reason);
    }

    @Test
    void anArchiveWithoutADescriptionIsRefused() {
        refused(zip("readme.txt", new byte[] {1}), "has no description.xml");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "<GDTF>                                   | no well-formed XML",
                "''                                       | no well-formed XML",
                "<GDTF></GTDF>                            | no well-formed XML",
                "<scene/>                                 | begins with <scene>",
                "<GDTF><FixtureType Name='A'/></GDTF>     | no mode that can be used",
            })
    void brokenOrForeignXmlIsRefused(String content, String reason) {
        refused(xml(content), reason);
    }

    @Test
    void bytesThatAreNotInTheirEncodingAreRefused() {
        byte[] latin = "<?xml version=\"1.0\" encoding=\"UTF-8\"?><GDTF Name=\"Bl\u00e4ss\"/>"
                .getBytes(StandardCharsets.ISO_8859_1);
        refused(zip(DESCRIPTION, latin), "no well-formed XML");
    }

    @Test
    void otherEncodingsThatAreNamedAreRead() {
        String xml =
                new GdtfByHand().mode("M\u00f6we", channel("1", "Dimmer")).xml().replace("UTF-8", "UTF-16");
        ParsedGdtf reading = GdtfReader.read(zip(DESCRIPTION, xml.getBytes(StandardCharsets.UTF_16)));
        assertThat(((ParsedGdtf.Read) reading).type().mode("M\u00f6we")).isPresent();
    }

    @Test
    void nestingWithoutEndIsRefused() {
        refused(xml("<GDTF>" + "<a>".repeat(100_000) + "</a>".repeat(100_000) + "</GDTF>"), "deeper than 64");
    }

    @Test
    void elementsWithoutNumberAreRefused() {
        String many = new Random(1)
                .ints(900_000, 0, 1_000_000)
                .mapToObj(i -> "<a b=\"" + i + "\"/>")
                .collect(Collectors.joining());
        refused(xml("<GDTF>" + many + "</GDTF>"), "800000 elements");
    }

    @Test
    void aHundredThousandChannelsAreRefused() {
        String[] channels = new String[100_000];
        java.util.Arrays.fill(channels, channel("1", "Dimmer"));
        refused(new GdtfByHand().mode("M", channels).file(), "100000 channels");
    }

    @Test
    void referencesThatMultiplyAreRefused() {
        String ten = IntStream.range(0, 10)
                .mapToObj(i -> "<GeometryReference Name=\"r" + i + "\" Geometry=\"NEXT\"/>")
                .collect(Collectors.joining());
        String levels = IntStream.range(0, 8)
                .mapToObj(i -> "<Geometry Name=\"G" + i + "\">" + ten.replace("NEXT", "G" + (i + 1)) + "</Geometry>")
                .collect(Collectors.joining());
        refused(
                new GdtfByHand()
                        .geometries("<Geometry Name=\"Body\">" + ten.replace("NEXT", "G0") + "</Geometry>" + levels
                                + "<Geometry Name=\"G8\"/>")
                        .mode("M", channel("1", "1", "G8", "Dimmer"))
                        .file(),
                "repeat too often");
    }

    @Test
    void aFileAboveTheLimitIsRefusedUnread() {
        refused(new byte[GdtfReader.LARGEST_FILE + 1], "is the most");
    }

    @Test
    void factsThatContradictTheDescriptionAreRefusedOrLeft() throws IOException {
        byte[] description = new GdtfByHand()
                .mode("A", channel("1", "Dimmer"))
                .mode("B", channel("1", "Dimmer"))
                .xml()
                .getBytes(StandardCharsets.UTF_8);
        refused(
                withFacts(
                        description,
                        "{\"id\":\"x\",\"hazard\":\"none\",\"reach\":\"line\",\"modeNames\":{\"A\":\"B\"}}"),
                "contradicts itself");
        ParsedGdtf left = GdtfReader.read(withFacts(description, "{\"id\":\"NOT AN ID\"}"));
        assertThat(((ParsedGdtf.Read) left).notes())
                .extracting(GdtfNote::kind)
                .containsExactly(GdtfNote.Kind.FACTS_UNREADABLE);
    }

    private static byte[] withFacts(byte[] description, String facts) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(DESCRIPTION));
            zip.write(description);
            zip.putNextEntry(new ZipEntry("taxon-facts.json"));
            zip.write(facts.getBytes(StandardCharsets.UTF_8));
        }
        return out.toByteArray();
    }

    /** Whole files with bytes changed, and descriptions with pieces cut out, doubled or swapped, packed anew. */
    @Test
    void filesThatWereDamagedAreReadOrRefusedAndNothingElse() {
        int read = 0;
        int all = 0;
        for (long seed : Rigs.seeds(600).toArray()) {
            Random random = new Random(seed);
            byte[] file = GdtfWriter.write(RandomTypes.of(seed), Instant.EPOCH);
            byte[] damaged = seed % 2 == 0 ? flipped(file, random) : zip(DESCRIPTION, cut(file, random));
            ParsedGdtf reading = GdtfReader.read(damaged);
            if (reading instanceof ParsedGdtf.Refused refused) {
                assertThat(refused.sentence()).as("seed " + seed).isNotBlank().endsWith(".");
            } else {
                read++;
            }
            all++;
        }
        assertThat(read).as("some damage leaves a file readable").isBetween(1, all - 1);
    }

    private static byte[] flipped(byte[] file, Random random) {
        for (int i = 0; i < 1 + random.nextInt(8); i++) {
            file[random.nextInt(file.length)] ^= (byte) (1 << random.nextInt(8));
        }
        return file;
    }

    private static byte[] cut(byte[] file, Random random) {
        String xml;
        try {
            xml = new String(
                    taxon.formats.zip.SafeArchive.open(file)
                            .read(DESCRIPTION, 1 << 24)
                            .orElseThrow(),
                    StandardCharsets.UTF_8);
        } catch (taxon.formats.zip.ArchiveRefusedException e) {
            throw new AssertionError(e);
        }
        String[] lines = xml.split("\n");
        for (int i = 0; i < 1 + random.nextInt(4); i++) {
            int at = random.nextInt(lines.length);
            switch (random.nextInt(3)) {
                case 0 -> lines[at] = lines[at].replaceAll("\"[^\"]*\"", "\"" + random.nextInt(100_000) + "\"");
                case 1 -> lines[at] = lines[random.nextInt(lines.length)];
                default -> lines[at] = lines[at].replaceAll(" [A-Za-z]+=\"[^\"]*\"", "");
            }
        }
        return String.join("\n", lines).getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] xml(String content) {
        return zip(DESCRIPTION, content.getBytes(StandardCharsets.UTF_8));
    }

    private static void refused(byte[] file, String reason) {
        ParsedGdtf reading = GdtfReader.read(file);
        assertThat(reading).isInstanceOf(ParsedGdtf.Refused.class);
        assertThat(((ParsedGdtf.Refused) reading).sentence()).contains(reason).endsWith(".");
    }
}
