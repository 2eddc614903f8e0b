package taxon.core.typesheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.fixture.PhysicalRange;
import taxon.core.testing.RandomTypes;
import taxon.core.typesheet.SheetFinding.Kind;
import taxon.demo.DemoTypes;

class SheetReaderTest {

    @Test
    void namesInOrderBecomeChannelsOfOneSlotEach() {
        Block block = onlyBlock("Pan\nTilt\nDimmer\nRed\nGreen\nBlue\nW\nUV");
        assertThat(words(block))
                .isEqualTo(
                        "1 Pan, 2 Tilt, 3 Dimmer, 4 ColorAdd_R, 5 ColorAdd_G, 6 ColorAdd_B, 7 ColorAdd_W, 8 ColorAdd_UV");
    }

    @Test
    void aColumnPastedFromAManualKeepsItsSlotNumbers() {
        Block block = onlyBlock("1\tPan\n2\tPan fine\nCH3 Tilt\nCh. 4: Tilt Fine\n5. Strobe\n006 Dimmer");
        assertThat(words(block)).isEqualTo("1 Pan, 2 Pan fine, 3 Tilt, 4 Tilt fine, 5 Shutter1, 6 Dimmer");
    }

    @Test
    void aFineChannelJoinsItsCoarseOneWhereverItStands() {
        Block block = onlyBlock("Pan = 128\nTilt\nPan fine = 3\nTilt 16-bit");
        assertThat(block.channels().get(0).offsets()).containsExactly(1, 3);
        assertThat(block.channels().get(0).rest()).isEqualTo(128 * 256 + 3);
        assertThat(block.channels().get(1).offsets()).containsExactly(2, 4);
    }

    @Test
    void aWidthTakesItsSlotsAtOnce() {
        assertThat(words(onlyBlock("Dimmer 16 bit\nZoom 24 bit")))
                .isEqualTo("1 Dimmer, 2 Dimmer fine, 3 Zoom, 4 Zoom fine, 5 Zoom ultra");
    }

    @Test
    void rangesSayWhatTheValuesDo() {
        Channel shutter = onlyBlock(
                        "Shutter = 32\n0-31 Closed\n32–63: Open\n64 to 95 Strobe slow to fast [1 to 25 Hz]\n96-255 Open")
                .channels()
                .get(0);
        assertThat(shutter.functions())
                .extracting(ChannelFunction::name)
                .containsExactly("Closed", "Open", "Strobe slow to fast", "Open");
        assertThat(shutter.functions().get(2).attribute()).isEqualTo(Attribute.of("Shutter1Strobe"));
        assertThat(shutter.functions().get(2).physical()).isEqualTo(new PhysicalRange(1, 25));
        assertThat(shutter.lastValue(shutter.functions().get(1))).isEqualTo(63);
    }

    @Test
    void aStretchThatTheManualLeavesOutIsAFunctionWithoutUse() {
        Channel gobo = onlyBlock("Gobo wheel\n0-9 Open\n20-29 Dots").channels().get(0);
        assertThat(gobo.functions())
                .extracting(f -> f.from() + " " + f.name())
                .containsExactly("0 Open", "10 not used", "20 Dots", "30 not used");
    }

    @Test
    void rangesOfAFineChannelMayBeCountedInOneByte() {
        Channel zoom =
                onlyBlock("Zoom 16 bit\n0-127 Narrow\n128-255 Wide").channels().get(0);
        assertThat(zoom.functions()).extracting(ChannelFunction::from).containsExactly(0L, 32_768L);
    }

    @Test
    void stepsStandInsideTheirRange() {
        Channel wheel = onlyBlock("Colour wheel\n0-127 Fixed\n> 0-63 Red\n> 64-127 Blue\n128-255 Rainbow")
                .channels()
                .get(0);
        assertThat(wheel.functions().get(0).sets())
                .extracting(s -> s.from() + s.name())
                .containsExactly("0Red", "64Blue");
        assertThat(wheel.functions().get(1).attribute()).isEqualTo(Attribute.of("Color1WheelSpin"));
    }

    @Test
    void cellsRepeatOneBehindTheOther() {
        Block block = onlyBlock("Dimmer\nCells: 3\nRed\nGreen\nBlue\nWhole\nStrobe");
        assertThat(block.footprint()).isEqualTo(11);
        assertThat(block.channels().get(4).part()).isEqualTo(Part.cell(2));
        assertThat(block.channels().get(4).offsets()).containsExactly(5);
        assertThat(block.channels().get(10).attribute()).isEqualTo(Attribute.of("Shutter1"));
    }

    @Test
    void numberedColoursAreCells() {
        assertThat(onlyBlock("Red 1\nGreen 1\nRed 2\nGreen 2").channels())
                .extracting(c -> c.part().toString())
                .containsExactly("cell 1", "cell 1", "cell 2", "cell 2");
    }

    /** Worked example, common practice: a 6-slot master at 1, then layers. */
    @Test
    void layersMayBeBlocksOfTheirOwnBehindAMaster() {
        Mode mode = onlyMode(
                "Block: Master\nDimmer 16 bit\nRed\nGreen\nBlue\nControl\nLayers: 2, own blocks\nDimmer\nMedia folder\nMedia");
        assertThat(mode.blocks()).extracting(Block::name).containsExactly("Master", "Layer 1", "Layer 2");
        assertThat(mode.blocks()).extracting(Block::footprint).containsExactly(6, 3, 3);
        assertThat(mode.blocks().get(2).channels().get(0).part()).isEqualTo(Part.layer(2));
    }

    @Test
    void modesBlocksAndSettingsHaveHeadings() {
        ParsedSheet reading = SheetReader.read(
                "# a remark\nMode: Basic, personality 3\nDimmer\n\nMode: Shutters\nBlock: Main\nDimmer\nBlock: Blades, break 4\nNeeds: Module: on\nBlade 1A");
        assertThat(reading.findings()).isEmpty();
        assertThat(reading.modes().get(0).personality()).contains(3);
        assertThat(reading.modes().get(1).blocks().get(1).needs()).isEqualTo("Module: on");
        assertThat(reading.modes().get(1).breaks()).containsExactly(1, 4);
    }

    @Test
    void aModeWithoutANameIsCalledByItsLength() {
        assertThat(onlyMode("Red\nGreen").name()).isEqualTo("2-channel");
    }

    @Test
    void aVirtualChannelTakesNoSlot() {
        Block block = onlyBlock("Red\n~ Dimmer\nGreen");
        assertThat(block.footprint()).isEqualTo(2);
        assertThat(block.virtualChannels()).extracting(Channel::attribute).containsExactly(Attribute.of("Dimmer"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1 Pan/1 Tilt                 | SLOT_TWICE            | 2",
                "Pan/Tilt fine                | FINE_WITHOUT_COARSE   | 2",
                "0-9 Open                     | RANGE_WITHOUT_CHANNEL | 1",
                "Shutter/0-9 Open/5-20 Strobe | RANGE_OVERLAP         | 3",
                "Shutter/0-300 Open           | VALUE_OUTSIDE         | 2",
                "Shutter/30-20 Open           | VALUE_OUTSIDE         | 2",
                "Pan = 256                    | VALUE_OUTSIDE         | 1",
                "513 Pan                      | SLOT_OUTSIDE          | 1",
                "Cells: 200/Red/Green/Blue    | SLOT_OUTSIDE          | 2",
                "Cells: many                  | HEADING_UNCLEAR       | 1",
                "Block:/Pan                   | HEADING_UNCLEAR       | 1",
                "Mode: A/Pan/Mode: A/Tilt     | NAME_TWICE            | 3",
                "Mode: A/Mode: B/Tilt         | NO_CHANNEL            | 1",
                "Pan [when]                   | EXTRA_UNCLEAR         | 1",
                "Pan [when Tilt 9-3]          | EXTRA_UNCLEAR         | 1",
                "Pan/Pan fine/Pan ultra/Pan 32 bit/Pan ultra | FINE_WITHOUT_COARSE | 5",
            })
    void aProblemIsAStopWithItsLine(String sheet, Kind kind, int line) {
        ParsedSheet reading = SheetReader.read(sheet.strip().replace('/', '\n'));
        assertThat(reading.isWhole()).isFalse();
        assertThat(reading.findings())
                .anySatisfy(f -> assertThat(f.kind() + " " + f.line()).isEqualTo(kind + " " + line));
        assertThat(reading.findings())
                .allSatisfy(f -> assertThat(f.sentence())
                        .startsWith("Line " + f.line() + ": ")
                        .endsWith("."));
    }

    @Test
    void whatIsOddButPossibleIsANoteAndNoStop() {
        ParsedSheet reading = SheetReader.read("Pan\n5 Tilt\nWobble");
        assertThat(reading.isWhole()).isTrue();
        assertThat(reading.findings())
                .extracting(SheetFinding::sentence)
                .containsExactly(
                        "Line 2: slots 2 to 4 before Tilt stay empty.",
                        "Line 3: “Wobble” is no attribute that GDTF names; it is kept under its own name.");
    }

    @Test
    void aSheetWithAProblemStillShowsTheRest() {
        assertThat(words(SheetReader.read("1 Pan\n1 Tilt\n2 Dimmer")
                        .modes()
                        .get(0)
                        .blocks()
                        .get(0)))
                .isEqualTo("1 Pan, 2 Dimmer");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "   \n\n", "# only a remark"})
    void anEmptySheetHasNoModeAndIsNotWhole(String sheet) {
        assertThat(SheetReader.read(sheet).isWhole()).isFalse();
    }

    @Test
    void aSheetLongerThanTheLimitIsRefusedUnread() {
        ParsedSheet reading = SheetReader.read("Pan\n".repeat(SheetReader.LONGEST / 4 + 1));
        assertThat(reading.modes()).isEmpty();
        assertThat(reading.findings()).extracting(SheetFinding::kind).containsExactly(Kind.TOO_MUCH);
    }

    @Test
    void theDemoTypesReadBackAsTheyWereWritten() {
        for (FixtureType type : DemoTypes.book().types()) {
            ParsedSheet reading = SheetReader.read(SheetWriter.write(type));
            assertThat(reading.findings()).as(type.fullName()).isEmpty();
            assertThat(reading.modes()).as(type.fullName()).isEqualTo(type.modes());
        }
    }

    @Test
    void aBattenIsWrittenAsCellsInTheWordsOfManuals() {
        FixtureType curlew = DemoTypes.book().named("", "Curlew 12").orElseThrow();
        assertThat(SheetWriter.write(curlew)).contains("Cells: 12\nred\ngreen\nblue\n");
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9})
    void anyTypeReadsBackAsItWasWritten(int hundred) {
        for (long seed = hundred * 100L; seed < hundred * 100L + 40; seed++) {
            FixtureType type = RandomTypes.of(seed);
            String sheet = SheetWriter.write(type);
            assertThat(SheetReader.read(sheet).modes())
                    .as("seed " + seed + "\n" + sheet)
                    .isEqualTo(type.modes());
        }
    }

    @Test
    void aLineOfFiveHundredTabsIsAnEmptyOneAndOneThatIsTooLongIsTold() {
        String tabs = "\t".repeat(500);
        Mode mode = onlyMode("Mode: Standard\n" + tabs + "\n" + tabs + "Dimmer" + tabs + "\n");
        assertThat(mode.blocks().get(0).footprint()).isEqualTo(1);
        ParsedSheet tooLong = SheetReader.read("Mode: Standard\nDimmer\n" + "very ".repeat(100) + "long\n");
        assertThat(tooLong.findings())
                .anySatisfy(f -> assertThat(f.toString()).contains("504 characters", "400 at most"));
    }

    private static Mode onlyMode(String sheet) {
        ParsedSheet reading = SheetReader.read(sheet);
        assertThat(reading.findings()).filteredOn(f -> f.kind() != Kind.READ_AS).isEmpty();
        assertThat(reading.modes()).hasSize(1);
        return reading.modes().get(0);
    }

    private static Block onlyBlock(String sheet) {
        Mode mode = onlyMode(sheet);
        assertThat(mode.blocks()).hasSize(1);
        return mode.blocks().get(0);
    }

    private static String words(Block block) {
        return block.slotUses().stream()
                .map(u -> (u.offset() + " " + u.channel().attribute() + " "
                                + (u.byteIndex() == 0 ? "" : u.resolution()))
                        .strip())
                .collect(Collectors.joining(", "));
    }

    @Test
    void onlyKnownKindsOfFindingsAreNotes() {
        assertThat(List.of(Kind.values()))
                .filteredOn(k -> new SheetFinding(k, 1, "", "", "").severity() == taxon.core.finding.Severity.NOTE)
                .containsExactly(Kind.GAP, Kind.READ_AS, Kind.TEXT_CUT, Kind.ROW_NOT_READ, Kind.ATTRIBUTE_UNKNOWN);
    }
}
