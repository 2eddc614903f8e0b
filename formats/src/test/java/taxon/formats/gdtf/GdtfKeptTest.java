package taxon.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.formats.testing.GdtfByHand.channel;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.core.fixture.Condition;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.RemoteManagement;
import taxon.core.fixture.RemoteManagement.Software;
import taxon.formats.gdtf.GdtfNote.Kind;
import taxon.formats.testing.GdtfByHand;
import taxon.formats.zip.SafeArchive;

/** What a file says is kept, written again as it came, and what of it cannot be kept or leads nowhere is named with its line. */
class GdtfKeptTest {
    private static final String TWO_VERSIONS = "<FTRDM ManufacturerID=\"0x4A1F\" DeviceModelID=\"00b2\">"
            + "<SoftwareVersionID Value=\"0x01000000\"><DMXPersonality Value=\"1\" DMXMode=\"Full\"/>"
            + "<DMXPersonality Value=\"2\" DMXMode=\"Basic\"/></SoftwareVersionID>"
            + "<SoftwareVersionID Value=\"0x0200000A\"><DMXPersonality Value=\"1\" DMXMode=\"Basic\"/>"
            + "<DMXPersonality Value=\"1A\" DMXMode=\"Full\"/></SoftwareVersionID></FTRDM>";

    private static ParsedGdtf.Read read(byte[] file) {
        ParsedGdtf reading = GdtfReader.read(file);
        assertThat(reading).isInstanceOf(ParsedGdtf.Read.class);
        return (ParsedGdtf.Read) reading;
    }

    private static GdtfByHand twoModes() {
        return new GdtfByHand().mode("Basic", channel("1", "Dimmer")).mode("Full", channel("1,2", "Dimmer"));
    }

    private static List<GdtfNote> notes(GdtfByHand file) {
        return read(file.file()).notes();
    }

    /** The line of the description on which a text stands, counted from 1. */
    private static int lineOf(GdtfByHand file, String text) {
        String[] lines = file.xml().split("\n");
        return IntStream.range(0, lines.length)
                        .filter(i -> lines[i].contains(text))
                        .findFirst()
                        .orElseThrow()
                + 1;
    }

    private static String description(FixtureType type) throws Exception {
        byte[] written = GdtfWriter.write(type, Instant.EPOCH);
        return new String(
                SafeArchive.open(written).read("description.xml", 1 << 20).orElseThrow(), StandardCharsets.UTF_8);
    }

    @Test
    void whatEachSoftwareVersionCallsTheModesIsKeptInHexadecimal() {
        RemoteManagement remote =
                read(twoModes().protocols(TWO_VERSIONS).file()).type().facts().remote();
        assertThat(remote.maker()).contains(0x4A1F);
        assertThat(remote.model()).contains(0xB2);
        assertThat(remote.software())
                .containsExactly(
                        new Software(0x01000000L, new TreeMap<>(Map.of(1, "Full", 2, "Basic"))),
                        new Software(0x0200000AL, new TreeMap<>(Map.of(1, "Basic", 26, "Full"))));
    }

    @Test
    void remoteNumbersAreWrittenBackAsTheyCame() throws Exception {
        String written =
                description(read(twoModes().protocols(TWO_VERSIONS).file()).type());
        assertThat(written)
                .contains("ManufacturerID=\"0x4A1F\" DeviceModelID=\"0x00B2\"")
                .containsSubsequence(
                        "<SoftwareVersionID Value=\"0x01000000\">",
                        "<DMXPersonality Value=\"0x1\" DMXMode=\"Full\"/>",
                        "<SoftwareVersionID Value=\"0x0200000A\">",
                        "<DMXPersonality Value=\"0x1a\" DMXMode=\"Full\"/>");
    }

    @Test
    void noNumberOfAMakerOrAModelIsMadeUp() throws Exception {
        String written = description(read(twoModes()
                        .protocols("<FTRDM><SoftwareVersionID Value=\"1\"/></FTRDM>")
                        .file())
                .type());
        assertThat(written).contains("<FTRDM>").doesNotContain("ManufacturerID").doesNotContain("DeviceModelID");
        assertThat(description(read(twoModes().file()).type())).contains("<Protocols/>");
    }

    @ParameterizedTest
    @CsvSource({"ManufacturerID='0x12345'", "ManufacturerID='maker'", "DeviceModelID='-1'"})
    void aNumberThatIsNoneIsToldAndLeftOut(String attribute) {
        GdtfByHand file = twoModes().protocols("<FTRDM " + attribute + "/>");
        ParsedGdtf.Read read = read(file.file());
        assertThat(read.notes()).extracting(GdtfNote::kind).containsExactly(Kind.REMOTE_ID_UNCLEAR);
        assertThat(read.type().facts().remote()).isEqualTo(RemoteManagement.ANSWERS);
    }

    @Test
    void aPersonalityOfAModeThatIsMissingIsKeptAndNamedWithItsLine() {
        GdtfByHand file = twoModes()
                .protocols("<FTRDM><SoftwareVersionID Value=\"1\">\n<DMXPersonality Value=\"1\" DMXMode=\"Gone\"/>"
                        + "</SoftwareVersionID></FTRDM>");
        ParsedGdtf.Read read = read(file.file());
        assertThat(read.notes())
                .containsExactly(new GdtfNote(Kind.PERSONALITY_OF_NO_MODE, "", lineOf(file, "Gone"), "Gone"));
        assertThat(read.type().facts().remote().software().get(0).modes()).containsEntry(1, "Gone");
    }

    @Test
    void anUnclearSoftwareVersionStillNumbersTheModesAndIsTold() {
        ParsedGdtf.Read read = read(twoModes()
                .protocols("<FTRDM><SoftwareVersionID Value=\"1.0.3\">"
                        + "<DMXPersonality Value=\"3\" DMXMode=\"Full\"/></SoftwareVersionID></FTRDM>")
                .file());
        assertThat(read.notes()).extracting(GdtfNote::kind).containsExactly(Kind.SOFTWARE_UNCLEAR);
        assertThat(read.type().modes().get(1).personality()).contains(3);
        assertThat(read.type().facts().remote().software()).isEmpty();
    }

    @Test
    void theLongNameIsKeptAndWrittenAgain() throws Exception {
        String head =
                "Name=\"Wader\" ShortName=\"Wader\" LongName=\"Wader profile, short throw\" Manufacturer=\"Pellucid\""
                        + " FixtureTypeID=\"0F1E2D3C-4B5A-6978-8796-A5B4C3D2E1F0\"";
        FixtureType type = read(twoModes().head(head).file()).type();
        assertThat(type.longName()).isEqualTo("Wader profile, short throw");
        assertThat(description(type)).contains("LongName=\"Wader profile, short throw\"");
        assertThat(description(type)).contains("FixtureTypeID=\"0F1E2D3C-4B5A-6978-8796-A5B4C3D2E1F0\"");
    }

    @Test
    void everythingThatIsCutIsTold() {
        String sixty = "n".repeat(60);
        String head = "Name=\"" + sixty + "nn\" ShortName=\"seventeen letters\" Manufacturer=\"" + sixty + "mm\""
                + " FixtureTypeID=\"0F1E2D3C-4B5A-6978-8796-A5B4C3D2E1F0\"";
        GdtfByHand file = new GdtfByHand()
                .head(head)
                .connectors("<Connector Type=\"" + "x".repeat(31) + "\" DMXBreak=\"1\" Gender=\"1\"/>")
                .mode(
                        "M",
                        channel(
                                "DMXBreak=\"1\" Offset=\"1\" Geometry=\"Body\"",
                                "Gobo1",
                                "<ChannelFunction Attribute=\"Gobo1\" Name=\"" + "f".repeat(81) + "\">"
                                        + "<ChannelSet Name=\"" + "s".repeat(81)
                                        + "\" DMXFrom=\"0/1\"/></ChannelFunction>"));
        assertThat(notes(file)).filteredOn(n -> n.kind() == Kind.TEXT_CUT).hasSize(6);
    }

    @Test
    void socketsThatNoFileNamesAreSaidToBeAssumed() {
        assertThat(notes(twoModes().connectors(""))).extracting(GdtfNote::kind).containsExactly(Kind.SOCKETS_ASSUMED);
        String many = "<Connector Type=\"XLR5\" DMXBreak=\"1\" Gender=\"1\"/>".repeat(18);
        assertThat(notes(twoModes().connectors(many)))
                .extracting(GdtfNote::sentence)
                .containsExactly("line 2: 2 sockets from here on were left out; 16 are kept.");
    }

    @Test
    void brokenReferencesAreNamedForWhatTheyAreWithTheirLine() {
        GdtfByHand file = new GdtfByHand()
                .geometries(
                        "<Geometry Name=\"Body\">\n<GeometryReference Name=\"Cell 3\" Geometry=\"Lost\"/></Geometry>"
                                + "\n<Geometry Name=\"Other\"/>")
                .mode(
                        "M",
                        channel("1", "Dimmer"),
                        channel("1", "2", "Other", "Zoom"),
                        channel("1", "3", "Nowhere", "Pan"));
        assertThat(notes(file))
                .containsExactly(
                        new GdtfNote(Kind.REFERENCE_BROKEN, "M, Cell 3", lineOf(file, "Lost"), "Lost"),
                        new GdtfNote(Kind.GEOMETRY_ELSEWHERE, "M, Zoom", lineOf(file, "Zoom 1"), "Other"),
                        new GdtfNote(Kind.GEOMETRY_UNKNOWN, "M, Pan", lineOf(file, "Pan 1"), "Nowhere"));
    }

    @Test
    void aModeWhoseOwnGeometryIsMissingSaysSoOnce() {
        GdtfByHand file = new GdtfByHand()
                .geometries("<Geometry Name=\"Trunk\"/>")
                .mode("M", channel("1", "Dimmer"), channel("2", "Zoom"));
        assertThat(notes(file)).extracting(GdtfNote::kind).containsExactly(Kind.MODE_GEOMETRY_UNKNOWN);
    }

    @Test
    void anAttributeThatTheFileDoesNotDefineIsNamedOnce() {
        String xml = twoModes().mode("Third", channel("1", "Zoom")).xml().replace("<Attribute Name=\"Zoom\"/>", "");
        assertThat(read(GdtfByHand.zip("description.xml", xml.getBytes(StandardCharsets.UTF_8)))
                        .notes())
                .extracting(GdtfNote::kind, GdtfNote::value)
                .containsExactly(org.assertj.core.groups.Tuple.tuple(Kind.ATTRIBUTE_UNDEFINED, "Zoom"));
    }

    @Test
    void aLinkToAnInitialFunctionThatLeadsNowhereIsToldWhetherItCouldBeGuessedOrNot() {
        String slots = "DMXBreak=\"1\" Offset=\"1\" Geometry=\"Body\" InitialFunction=\"";
        String function = "<ChannelFunction Attribute=\"Zoom\" Name=\"Wide\" DMXFrom=\"0/1\"/>";
        assertThat(notes(new GdtfByHand().mode("M", channel(slots + "Old_Zoom.Zoom.Wide\"", "Zoom", function))))
                .extracting(GdtfNote::kind)
                .containsExactly(Kind.INITIAL_FUNCTION_GUESSED);
        assertThat(notes(new GdtfByHand().mode("M", channel(slots + "Body_Zoom.Zoom.Narrow\"", "Zoom", function))))
                .extracting(GdtfNote::kind)
                .containsExactly(Kind.INITIAL_FUNCTION_UNKNOWN);
        assertThat(notes(new GdtfByHand().mode("M", channel(slots + "Body_Zoom.Zoom.Wide\"", "Zoom", function))))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "'1', 128/1, 255/1, 128, 255, 1",
        "'1,3', 128/1, 255/1, 32896, 65535, 2",
        "'1,3', 700/2, 800/2, 700, 800, 2",
        "'1', 700/2, 800/2, 2, 3, 1"
    })
    void aModeMastersRangeHasTheWidthOfItsChannel(
            String slots, String from, String to, long first, long last, int bytes) {
        GdtfByHand file = new GdtfByHand()
                .mode(
                        "M",
                        channel(slots, "Control1"),
                        channel(
                                "DMXBreak=\"1\" Offset=\"2\" Geometry=\"Body\"",
                                "Gobo1",
                                "<ChannelFunction Attribute=\"Gobo1\" Name=\"Spin\" ModeMaster=\"Body_Control1\" ModeFrom=\""
                                        + from + "\" ModeTo=\"" + to + "\"/>"));
        Optional<Condition> condition = read(file.file())
                .type()
                .modes()
                .get(0)
                .channels()
                .flatMap(c -> c.functions().stream())
                .flatMap(f -> f.condition().stream())
                .findFirst();
        assertThat(condition.orElseThrow())
                .extracting(Condition::from, Condition::to, Condition::bytes)
                .containsExactly(first, last, bytes);
    }

    @Test
    void aMastersFunctionThatIsMissingIsNamed() {
        GdtfByHand file = new GdtfByHand()
                .mode(
                        "M",
                        channel("1", "Control1"),
                        channel(
                                "DMXBreak=\"1\" Offset=\"2\" Geometry=\"Body\"",
                                "Gobo1",
                                "<ChannelFunction Attribute=\"Gobo1\" Name=\"Spin\" ModeMaster=\"Body_Control1.Control1.Gone\"/>"));
        assertThat(notes(file)).extracting(GdtfNote::kind).containsExactly(Kind.MASTER_FUNCTION_UNKNOWN);
    }

    @Test
    void aModeOfAnOverlongNameIsFoundByItsFirstSixtyCharacters() {
        FixtureType type = read(new GdtfByHand()
                        .mode("m".repeat(70), channel("1", "Dimmer"))
                        .mode("m".repeat(71), channel("1", "Zoom"))
                        .file())
                .type();
        assertThat(type.modes().get(0).name()).isEqualTo("m".repeat(60));
        assertThat(type.modes().get(1).name()).isEqualTo("m".repeat(54) + " (2)");
    }
}
