package taxon.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.formats.testing.GdtfByHand.channel;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Condition;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.PhysicalRange;
import taxon.formats.gdtf.GdtfNote.Kind;
import taxon.formats.testing.GdtfByHand;

/** Files written by hand, by the rules of DIN SPEC 15800 (from memory) and as real files bend them. */
class GdtfReaderTest {

    @Test
    void namesIdentifiersAndModesAreTaken() {
        FixtureType type = type(new GdtfByHand()
                .mode("Basic", channel("1", "Dimmer"))
                .mode("Full", channel("1,2", "Dimmer"), channel("3", "Zoom")));
        assertThat(type.fullName()).isEqualTo("Pellucid Wader");
        assertThat(type.id().value()).isEqualTo("pellucid-wader");
        assertThat(type.guid()).isEqualTo(UUID.fromString("0f1e2d3c-4b5a-6978-8796-a5b4c3d2e1f0"));
        assertThat(type.modes()).extracting(Mode::footprint).containsExactly(1, 3);
    }

    /** Offset: coarse first, in any order and with gaps; the footprint is the highest slot. */
    @Test
    void offsetsMayBeOutOfOrderAndLeaveGaps() {
        Block block = onlyBlock(new GdtfByHand().mode("M", channel("9,4", "Pan"), channel("2", "Tilt")));
        assertThat(words(block)).isEqualTo("2 Tilt, 4 Pan fine, 9 Pan");
        assertThat(block.footprint()).isEqualTo(9);
    }

    @ParameterizedTest
    @CsvSource({"None", "''"})
    void aChannelWithoutAnOffsetIsVirtual(String offset) {
        Block block = onlyBlock(new GdtfByHand().mode("M", channel(offset, "Dimmer"), channel("1", "ColorAdd_R")));
        assertThat(block.footprint()).isEqualTo(1);
        assertThat(block.virtualChannels()).extracting(Channel::attribute).containsExactly(Attribute.of("Dimmer"));
    }

    @Test
    void breaksMayStartAboveOneAndBecomeBlocksInTheirOrder() {
        Mode mode = onlyMode(
                new GdtfByHand().mode("M", channel("5", "1", "Body", "Blade1A"), channel("2", "1", "Body", "Dimmer")));
        assertThat(mode.breaks()).containsExactly(2, 5);
        assertThat(mode.blocks()).extracting(Block::name).containsExactly("Main", "Block 2");
        assertThat(mode.blocks()).extracting(GdtfReaderTest::words).containsExactly("1 Dimmer", "1 Blade1A");
    }

    @Test
    void aReferenceRepeatsAGeometryAtItsOffsets() {
        Block block = onlyBlock(new GdtfByHand()
                .geometries("<Geometry Name=\"Body\">"
                        + "<GeometryReference Name=\"Pixel 1\" Geometry=\"Pixel\"><Break DMXBreak=\"1\" DMXOffset=\"2\"/></GeometryReference>"
                        + "<GeometryReference Name=\"Pixel 2\" Geometry=\"Pixel\"><Break DMXBreak=\"1\" DMXOffset=\"5\"/></GeometryReference>"
                        + "</Geometry><Geometry Name=\"Pixel\"/>")
                .mode(
                        "M",
                        channel("1", "Dimmer"),
                        channel("1", "1", "Pixel", "ColorAdd_R"),
                        channel("1", "2", "Pixel", "ColorAdd_G"),
                        channel("1", "3", "Pixel", "ColorAdd_B")));
        assertThat(words(block))
                .isEqualTo("1 Dimmer, 2 ColorAdd_R cell 1, 3 ColorAdd_G cell 1, 4 ColorAdd_B cell 1,"
                        + " 5 ColorAdd_R cell 2, 6 ColorAdd_G cell 2, 7 ColorAdd_B cell 2");
    }

    /** "Overwrite" takes the last break of the reference. */
    @Test
    void overwriteTakesTheBreakOfTheReference() {
        Mode mode = onlyMode(new GdtfByHand()
                .geometries("<Geometry Name=\"Body\">"
                        + "<GeometryReference Name=\"Layer 1\" Geometry=\"L\"><Break DMXBreak=\"1\" DMXOffset=\"1\"/><Break DMXBreak=\"2\" DMXOffset=\"1\"/></GeometryReference>"
                        + "<GeometryReference Name=\"Layer 2\" Geometry=\"L\"><Break DMXBreak=\"1\" DMXOffset=\"1\"/><Break DMXBreak=\"3\" DMXOffset=\"11\"/></GeometryReference>"
                        + "</Geometry><MediaServerLayer Name=\"L\"/>")
                .mode("M", channel("1", "Dimmer"), channel("Overwrite", "1,2", "L", "Dimmer")));
        assertThat(mode.breaks()).containsExactly(1, 2, 3);
        assertThat(mode.blocks()).extracting(Block::name).containsExactly("Main", "Layer 1", "Layer 2");
        assertThat(mode.blocks().get(2).channels().get(0).offsets()).containsExactly(11, 12);
        assertThat(mode.blocks().get(2).channels().get(0).part()).hasToString("layer 2");
    }

    @Test
    void referencesInsideReferencesAddTheirOffsets() {
        Block block = onlyBlock(new GdtfByHand()
                .geometries("<Geometry Name=\"Body\">" + reference("Half A", "Half", 1) + reference("Half B", "Half", 5)
                        + "</Geometry><Geometry Name=\"Half\">" + reference("Eye 1", "Eye", 1)
                        + reference("Eye 2", "Eye", 3)
                        + "</Geometry><Beam Name=\"Eye\"/>")
                .mode("M", channel("1", "1", "Eye", "Dimmer"), channel("1", "2", "Eye", "Shutter1")));
        assertThat(words(block))
                .isEqualTo("1 Dimmer cell 1.1, 2 Shutter1 cell 1.1, 3 Dimmer cell 1.2, 4 Shutter1 cell 1.2,"
                        + " 5 Dimmer cell 2.1, 6 Shutter1 cell 2.1, 7 Dimmer cell 2.2, 8 Shutter1 cell 2.2");
    }

    private static String reference(String name, String geometry, int offset) {
        return "<GeometryReference Name=\"" + name + "\" Geometry=\"" + geometry
                + "\"><Break DMXBreak=\"1\" DMXOffset=\"" + offset + "\"/></GeometryReference>";
    }

    @Test
    void aGeometryThatRefersToItselfIsFollowedOnce() {
        ParsedGdtf.Read read = read(new GdtfByHand()
                .geometries("<Geometry Name=\"Body\">" + reference("Again", "Body", 3) + "</Geometry>")
                .mode("M", channel("1", "Dimmer")));
        assertThat(kinds(read)).contains(Kind.GEOMETRY_CYCLE);
        assertThat(read.type().modes().get(0).footprint()).isEqualTo(3);
    }

    /** DMXValue: 255 of one byte is 65535 of two by repeating, 65280 by shifting (type DMXValue, from memory). */
    @ParameterizedTest
    @CsvSource({"255/1, 65535", "255/1s, 65280", "128/1, 32896", "32768/2, 32768", "65535/3, 255", "7, 1799"})
    void aValueIsBroughtToTheWidthOfItsChannel(String value, long expected) {
        Block block = onlyBlock(new GdtfByHand()
                .mode(
                        "M",
                        channel(
                                "DMXBreak=\"1\" Offset=\"1,2\" Geometry=\"Body\" Highlight=\"" + value + "\"",
                                "Pan",
                                "<ChannelFunction Name=\"Pan 1\" DMXFrom=\"0/1\" Default=\"" + value + "\"/>")));
        assertThat(block.channels().get(0).rest()).isEqualTo(expected);
        assertThat(block.channels().get(0).highlight()).contains(expected);
    }

    @Test
    void functionsAndSetsKeepTheirRangesNamesAndPhysicalEnds() {
        Channel shutter = onlyBlock(
                        new GdtfByHand()
                                .mode(
                                        "M",
                                        channel(
                                                "DMXBreak=\"1\" Offset=\"1\" Geometry=\"Body\" InitialFunction=\"Body_Shutter1.Shutter1.Open\"",
                                                "Shutter1",
                                                "<ChannelFunction Name=\"Closed\" Attribute=\"Shutter1\" DMXFrom=\"0/1\"/>"
                                                        + "<ChannelFunction Name=\"Open\" Attribute=\"Shutter1\" DMXFrom=\"20/1\" Default=\"24/1\"/>"
                                                        + "<ChannelFunction Name=\"Strobe\" Attribute=\"Shutter1Strobe\" DMXFrom=\"64/1\" PhysicalFrom=\"1.5\" PhysicalTo=\"25\">"
                                                        + "<ChannelSet Name=\"slow\" DMXFrom=\"64/1\"/><ChannelSet Name=\"\" DMXFrom=\"65/1\"/>"
                                                        + "<ChannelSet Name=\"fast\" DMXFrom=\"255/1\" PhysicalFrom=\"25\" PhysicalTo=\"25\"/></ChannelFunction>")))
                .channels()
                .get(0);
        assertThat(shutter.rest()).isEqualTo(24);
        assertThat(shutter.functions())
                .extracting(f -> f.from() + "-" + shutter.lastValue(f) + " " + f.name())
                .containsExactly("0-19 Closed", "20-63 Open", "64-255 Strobe");
        ChannelFunction strobe = shutter.functions().get(2);
        assertThat(strobe.physical()).isEqualTo(new PhysicalRange(1.5, 25));
        assertThat(strobe.sets())
                .extracting(s -> s.name() + " to " + shutter.lastValue(strobe, s))
                .containsExactly("slow to 64", " to 254", "fast to 255");
        assertThat(strobe.sets().get(2).physical()).contains(new PhysicalRange(25, 25));
    }

    @Test
    void withoutAnInitialFunctionTheFirstOneRests() {
        Block block = onlyBlock(
                new GdtfByHand()
                        .mode(
                                "M",
                                channel(
                                        "DMXBreak=\"1\" Offset=\"1\" Geometry=\"Body\"",
                                        "Iris",
                                        "<ChannelFunction Name=\"A\" DMXFrom=\"0/1\" Default=\"9/1\"/><ChannelFunction Name=\"B\" DMXFrom=\"50/1\" Default=\"60/1\"/>")));
        assertThat(block.channels().get(0).rest()).isEqualTo(9);
    }

    @Test
    void anInitialFunctionThatIsNotThereIsToldAndTheFirstOneRests() {
        ParsedGdtf.Read read = read(new GdtfByHand()
                .mode(
                        "M",
                        channel(
                                "DMXBreak=\"1\" Offset=\"1\" Geometry=\"Body\" InitialFunction=\"X_Y.Y.Z\"",
                                "Iris",
                                "<ChannelFunction Name=\"A\" DMXFrom=\"0/1\" Default=\"9/1\"/>")));
        assertThat(kinds(read)).containsExactly(Kind.INITIAL_FUNCTION_UNKNOWN);
        assertThat(read.type().modes().get(0).blocks().get(0).channels().get(0).rest())
                .isEqualTo(9);
    }

    /** Version 1.0 had the default on the channel. */
    @Test
    void theDefaultOfTheChannelCountsWhereNoFunctionHasOne() {
        Block block = onlyBlock(new GdtfByHand()
                .mode(
                        "M",
                        channel(
                                "DMXBreak=\"1\" Offset=\"1\" Geometry=\"Body\" Default=\"77/1\"",
                                "Zoom",
                                "<ChannelFunction Name=\"A\" DMXFrom=\"0/1\"/>")));
        assertThat(block.channels().get(0).rest()).isEqualTo(77);
    }

    @Test
    void aModeMasterIsKeptAsACondition() {
        Channel gobo = onlyBlock(
                        new GdtfByHand()
                                .mode(
                                        "M",
                                        channel("1", "Control1"),
                                        channel(
                                                "DMXBreak=\"1\" Offset=\"2\" Geometry=\"Body\"",
                                                "Gobo1",
                                                "<ChannelFunction Name=\"Pick\" DMXFrom=\"0/1\"/>"
                                                        + "<ChannelFunction Name=\"Spin\" DMXFrom=\"0/1\" ModeMaster=\"Body_Control1\" ModeFrom=\"128/1\" ModeTo=\"255/1\"/>")))
                .channels()
                .get(1);
        assertThat(gobo.functions().get(1).condition())
                .contains(new Condition(Attribute.of("Control1"), "", 128, 255, 1));
        assertThat(gobo.lastValue(gobo.functions().get(0))).isEqualTo(255);
    }

    @Test
    void personalitiesComeFromTheNewestSoftware() {
        FixtureType type = type(
                new GdtfByHand()
                        .mode("Basic", channel("1", "Dimmer"))
                        .mode("Full", channel("1,2", "Dimmer"))
                        .protocols(
                                "<FTRDM ManufacturerID=\"0x7FF0\" DeviceModelID=\"0x0001\">"
                                        + "<SoftwareVersionID Value=\"0x1\"><DMXPersonality Value=\"0x1\" DMXMode=\"Full\"/></SoftwareVersionID>"
                                        + "<SoftwareVersionID Value=\"0x2\"><DMXPersonality Value=\"0x2\" DMXMode=\"Full\"/><DMXPersonality Value=\"x\" DMXMode=\"Basic\"/></SoftwareVersionID></FTRDM>"));
        assertThat(type.modes()).extracting(Mode::personality).containsExactly(Optional.empty(), Optional.of(2));
        assertThat(type.facts().rdm()).isTrue();
    }

    @Test
    void aPersonalityIsHexadecimalAndTheNewestSoftwareIsTheOneOfTheHighestVersion() {
        FixtureType type = type(
                new GdtfByHand()
                        .mode("Full", channel("1,2", "Dimmer"))
                        .protocols(
                                "<FTRDM ManufacturerID=\"7FF0\" DeviceModelID=\"0001\">"
                                        + "<SoftwareVersionID Value=\"A\"><DMXPersonality Value=\"10\" DMXMode=\"Full\"/></SoftwareVersionID>"
                                        + "<SoftwareVersionID Value=\"9\"><DMXPersonality Value=\"2\" DMXMode=\"Full\"/></SoftwareVersionID></FTRDM>"));
        assertThat(type.modes()).extracting(Mode::personality).containsExactly(Optional.of(16));
    }

    @Test
    void socketsAndHazardsAreSeen() {
        FixtureType type = type(new GdtfByHand()
                .connectors("")
                .geometries(
                        "<Geometry Name=\"Body\"><Laser Name=\"Aperture\"/>"
                                + "<WiringObject Name=\"In\" ConnectorType=\"XLR3\" ComponentType=\"Input\" SignalType=\"DMX512\"/></Geometry>")
                .mode("M", channel("1", "Dimmer")));
        assertThat(type.hazard()).isEqualTo(Facts.Hazard.LASER);
        assertThat(type.facts().inputs()).containsExactly("XLR3");
        assertThat(type.facts().outputs()).isEmpty();
    }

    @Test
    void unknownAttributesAndElementsAreKeptAndTold() {
        ParsedGdtf.Read read =
                read(new GdtfByHand().extra("<Fountain><Jet/><Jet/></Fountain>").mode("M", channel("1", "Wobble")));
        assertThat(read.notes())
                .extracting(GdtfNote::sentence)
                .containsExactly(
                        "1 element <Fountain>, which GDTF does not name, stays in the original file only.",
                        "2 elements <Jet>, which GDTF does not name, stays in the original file only.",
                        "GDTF does not name the attribute “Wobble”; it was kept.");
        assertThat(read.type().modes().get(0).blocks().get(0).channels().get(0).attribute())
                .isEqualTo(Attribute.of("Wobble"));
    }

    @Test
    void aSlotThatIsClaimedTwiceGoesToTheFirst() {
        ParsedGdtf.Read read =
                read(new GdtfByHand().mode("M", channel("1,2", "Pan"), channel("2", "Tilt"), channel("3", "Zoom")));
        assertThat(read.notes())
                .extracting(GdtfNote::sentence)
                .containsExactly(
                        "M, Tilt, line 5: slot 2 is claimed by Pan and by Tilt; the later channel was left out.");
        assertThat(words(read.type().modes().get(0).blocks().get(0))).isEqualTo("1 Pan, 2 Pan fine, 3 Zoom");
    }

    @Test
    void aModeThatRunsPast512IsLeftOutAndTheOthersStay() {
        ParsedGdtf.Read read =
                read(new GdtfByHand().mode("Long", channel("513", "Dimmer")).mode("Good", channel("1", "Dimmer")));
        assertThat(read.type().modes()).extracting(Mode::name).containsExactly("Good");
        assertThat(kinds(read)).containsExactly(Kind.CHANNEL_LEFT_OUT, Kind.MODE_LEFT_OUT);
    }

    @Test
    void modesOfOneNameAreToldApart() {
        ParsedGdtf.Read read =
                read(new GdtfByHand().mode("M", channel("1", "Dimmer")).mode("M", channel("1", "Zoom")));
        assertThat(read.type().modes()).extracting(Mode::name).containsExactly("M", "M (2)");
        assertThat(kinds(read)).containsExactly(Kind.NAME_CHANGED);
    }

    @Test
    void whatIsMissingIsMadeAndTold() {
        ParsedGdtf.Read read =
                read(new GdtfByHand().head("Name=\"Lone\"").version("2.0").mode("", channel("1", "Dimmer")));
        assertThat(read.type().maker()).isEqualTo("Unknown maker");
        assertThat(kinds(read)).containsExactly(Kind.VERSION_UNKNOWN, Kind.NAME_CHANGED, Kind.ID_MADE);
    }

    @Test
    void unclearNumbersCountAsNothingAndAreTold() {
        ParsedGdtf.Read read = read(
                new GdtfByHand()
                        .mode(
                                "M",
                                channel(
                                        "DMXBreak=\"left\" Offset=\"1\" Geometry=\"Nowhere\" Highlight=\"300/1\"",
                                        "Zoom",
                                        "<ChannelFunction Name=\"A\" DMXFrom=\"x\" PhysicalFrom=\"1,5\"><ChannelSet Name=\"S\" DMXFrom=\"0/1\"/><ChannelSet Name=\"T\" DMXFrom=\"0/1\"/></ChannelFunction>")));
        assertThat(kinds(read))
                .contains(Kind.BREAK_UNCLEAR, Kind.VALUE_UNCLEAR, Kind.GEOMETRY_UNKNOWN, Kind.RANGE_LEFT_OUT);
        assertThat(read.notes()).allSatisfy(n -> assertThat(n.sentence()).endsWith("."));
    }

    /** A file of 1.1 lists connectors apart from the geometries: male in, female out (DIN SPEC 15800, from memory). */
    @Test
    void theConnectorListOfAnOlderFileNamesTheSockets() {
        FixtureType type = type(new GdtfByHand()
                .version("1.1")
                .mode("1-channel", channel("1", "Dimmer"))
                .connectors("<Connector Name=\"In\" Type=\"XLR3\" DMXBreak=\"1\" Gender=\"1\"/>"
                        + "<Connector Name=\"Thru\" Type=\"XLR5\" DMXBreak=\"1\" Gender=\"-1\"/>"
                        + "<Connector Name=\"Power\" Type=\"mains\" DMXBreak=\"0\" Gender=\"1\"/>"));
        assertThat(type.facts().inputs()).containsExactly("XLR3");
        assertThat(type.facts().outputs()).containsExactly("XLR5");
    }

    private static List<Kind> kinds(ParsedGdtf.Read read) {
        return read.notes().stream().map(GdtfNote::kind).toList();
    }

    private static ParsedGdtf.Read read(GdtfByHand file) {
        ParsedGdtf reading = GdtfReader.read(file.file());
        assertThat(reading).as(reading.toString()).isInstanceOf(ParsedGdtf.Read.class);
        return (ParsedGdtf.Read) reading;
    }

    private static FixtureType type(GdtfByHand file) {
        return read(file).type();
    }

    private static Mode onlyMode(GdtfByHand file) {
        ParsedGdtf.Read read = read(file);
        assertThat(read.type().modes()).hasSize(1);
        assertThat(read.notes()).isEmpty();
        return read.type().modes().get(0);
    }

    private static Block onlyBlock(GdtfByHand file) {
        Mode mode = onlyMode(file);
        assertThat(mode.blocks()).hasSize(1);
        return mode.blocks().get(0);
    }

    private static String words(Block block) {
        return block.slotUses().stream()
                .map(u -> u.offset() + " " + u.channel().attribute()
                        + (u.byteIndex() == 0 ? "" : " " + u.resolution())
                        + (u.channel().part().toString().isEmpty()
                                ? ""
                                : " " + u.channel().part()))
                .collect(Collectors.joining(", "));
    }
}
