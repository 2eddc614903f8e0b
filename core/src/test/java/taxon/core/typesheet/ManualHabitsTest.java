package taxon.core.typesheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.fixture.TypeId;
import taxon.core.typesheet.SheetFinding.Kind;

/** Sheets as people copy them out of manuals. */
class ManualHabitsTest {

    private static Mode only(ParsedSheet reading) {
        assertThat(reading.modes()).hasSize(1);
        return reading.modes().get(0);
    }

    private static String slots(Mode mode) {
        return mode.blocks().get(0).slotUses().stream()
                .map(u -> u.offset() + " " + u.channel().attribute())
                .collect(Collectors.joining(", "));
    }

    private static String runs(Mode mode, int channel) {
        Channel of = mode.blocks().get(0).channels().get(channel);
        return of.functions().stream()
                .map(f -> f.from() + "-" + of.lastValue(f) + " " + f.name())
                .collect(Collectors.joining(", "));
    }

    private static List<Kind> kinds(ParsedSheet reading) {
        return reading.findings().stream().map(SheetFinding::kind).toList();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Pan/Tilt & zoom = both", "50 Hz", "Red 2", "1 to 25", "rest 40", "name, personality 3", "\"",
                        "a; b [c]",
                "0-127", "Strobe [1 to 2]", "Mode: x", "when Gobo1 0-127", "~ x", "44-channel, 38 slots", "= 12", ": a"
            })
    void anyNameGoesRoundWhereverItStands(String name) {
        ChannelFunction run = ChannelFunction.plain(name, Attribute.of(name), 0);
        Channel channel = new Channel(Attribute.of(name), Part.WHOLE, List.of(1), 0, Optional.empty(), List.of(run));
        Mode mode = new Mode(name, Optional.of(4), List.of(new Block(name, List.of(channel), name)));
        FixtureType type = FixtureType.of(TypeId.of("t"), "M", "T", "T", Facts.onALine(), List.of(mode));
        String sheet = SheetWriter.write(type);
        assertThat(SheetReader.read(sheet).modes()).as(sheet).containsExactly(mode);
    }

    @Test
    void aSingleValueUnderAChannelIsAValueAndNoSlot() {
        Mode mode = only(SheetReader.read(
                "1 Dimmer\n2 Lamp control\n  0-199 no function\n  200-254 Lamp off\n  255 Lamp on\n3 Zoom\n"));
        assertThat(slots(mode)).isEqualTo("1 Dimmer, 2 LampControl, 3 Zoom");
        assertThat(runs(mode, 1)).isEqualTo("0-199 no function, 200-254 Lamp off, 255-255 Lamp on");
    }

    @Test
    void aSingleValueNeedsNoIndentWhereItGoesOnOrNoSlotIsCalledSo() {
        Mode mode = only(SheetReader.read("1 Gobo wheel\n0-9 open\n10 first\n11-255 second\n2 Dimmer\n"));
        assertThat(slots(mode)).isEqualTo("1 Gobo1, 2 Dimmer");
        assertThat(runs(mode, 0)).isEqualTo("0-9 open, 10-10 first, 11-255 second");
    }

    @Test
    void aRangeThatGoesOnIsNoSlotThoughItIsCalledLikeAChannel() {
        Mode mode = only(SheetReader.read("1 Dimmer\n2 Colour wheel\n0-2 White\n3-4 Red\n5-255 Blue\n3 Zoom\n"));
        assertThat(slots(mode)).isEqualTo("1 Dimmer, 2 Color1, 3 Zoom");
        assertThat(runs(mode, 1)).isEqualTo("0-2 White, 3-4 Red, 5-255 Blue");
    }

    @Test
    void aListThatIsSetInAsAWholeStaysAListOfChannels() {
        Mode mode = only(SheetReader.read("Mode: 4 channels\n   1 Pan\n   2 Tilt\n   4 Zoom\n"));
        assertThat(slots(mode)).isEqualTo("1 Pan, 2 Tilt, 4 Zoom");
    }

    @Test
    void virtualInTheNameOfAManualCostsNoSlot() {
        Mode mode = only(SheetReader.read("1 Virtual dimmer\n2 Red\n3 Virtual colour wheel\n~ CTC\n"));
        assertThat(slots(mode)).isEqualTo("1 Dimmer, 2 ColorAdd_R, 3 Color1");
        assertThat(mode.blocks().get(0).virtualChannels())
                .extracting(Channel::attribute)
                .containsExactly(Attribute.of("CTC"));
    }

    @Test
    void aLengthThatIsStatedOrNamedIsCheckedAgainstTheSlots() {
        assertThat(kinds(SheetReader.read("Mode: Basic, 3 slots\nPan\nTilt\n"))).containsExactly(Kind.LENGTH_DIFFERS);
        assertThat(SheetReader.read("Mode: Basic, 3 slots\nPan\nTilt\n").isWhole())
                .isFalse();
        ParsedSheet named = SheetReader.read("Mode: 44-channel\nPan\nTilt\n");
        assertThat(named.findings())
                .extracting(SheetFinding::sentence)
                .containsExactly("Line 1: the mode 44-channel is named by 44 slots, but has 2.");
        assertThat(named.isWhole()).isTrue();
        assertThat(kinds(SheetReader.read("Mode: Basic 2ch, personality 3, 2 slots\nPan\nTilt\n")))
                .isEmpty();
        assertThat(kinds(SheetReader.read("Mode: 16 bit\nPan 16 bit\n"))).isEmpty();
    }

    @Test
    void whatWasReadAsSomethingElseIsToldOncePerWord() {
        ParsedSheet reading = SheetReader.read("Pattern\nY\nRed\nCells: 2\nY\n");
        assertThat(reading.findings())
                .filteredOn(f -> f.kind() == Kind.READ_AS)
                .extracting(SheetFinding::sentence)
                .containsExactly("Line 1: “Pattern” was read as effects.", "Line 2: “Y” was read as yellow.");
    }

    @Test
    void aNameThatIsTooLongIsCutWithAWord() {
        ParsedSheet reading = SheetReader.read("Mode: " + "m".repeat(61) + "\nDimmer\n0-255 " + "r".repeat(81) + "\n");
        assertThat(kinds(reading)).containsExactly(Kind.TEXT_CUT, Kind.TEXT_CUT);
    }

    @Test
    void aTableWithTabsBecomesChannelsWithTheirValues() {
        String table = """
                Channel\tFunction\tValue\tDescription
                1\tPan\t000-255\t
                2\tPan fine\t000-255\t
                3\tShutter\t0-31\tclosed
                \t\t32-63\topen
                \t\t64-255\tstrobe, slow to fast
                4\tDimmer\t0 – 255\t0 to 100 %
                5/6\tZoom\t\t
                """;
        ParsedSheet reading = SheetReader.read(table);
        Mode mode = only(reading);
        assertThat(slots(mode)).isEqualTo("1 Pan, 2 Pan, 3 Shutter1, 4 Dimmer, 5 Zoom, 6 Zoom");
        assertThat(runs(mode, 1)).isEqualTo("0-31 closed, 32-63 open, 64-255 strobe, slow to fast");
        assertThat(reading.isWhole()).isTrue();
    }

    @Test
    void aTableWithAColumnOfSlotsForEachModeGivesAllModes() {
        String table = """
                6 ch\t8 ch\tFunction\tDMX value
                1\t1\tPan\t0-255
                \t2\tPan fine\t0-255
                2\t3\tTilt\t0-255
                \t4\tTilt fine\t0-255
                3\t5\tColour wheel\t0-127
                \t\tspinning\t128-255
                4\t6\tDimmer\t
                5\t7\tZoom\t
                6\t8\tIris\t
                """;
        ParsedSheet reading = SheetReader.read(table);
        assertThat(reading.modes()).extracting(Mode::name).containsExactly("6 ch", "8 ch");
        assertThat(reading.modes()).extracting(Mode::footprint).containsExactly(6, 8);
        assertThat(runs(reading.modes().get(0), 2)).isEqualTo("0-127 Colour wheel, 128-255 spinning");
    }

    @Test
    void aRowOfATableThatSaysNothingIsNamed() {
        String table = "Ch\tFunction\tValue\n1\tPan\t0-255\nMovement\t\t\n2\tTilt\t0-255\n";
        ParsedSheet reading = SheetReader.read(table);
        assertThat(reading.findings())
                .extracting(SheetFinding::sentence)
                .containsExactly("Line 3: the row “Movement” names no slot and no values; it was not read.");
        assertThat(slots(only(reading))).isEqualTo("1 Pan, 2 Tilt");
    }

    @Test
    void aTableWithoutAHeadIsUnderstoodByWhatStandsInIt() {
        Mode mode = only(SheetReader.read("1\t0-255\tDimmer\n2\t0-127\tGobo wheel\n\t128-255\tshaking\n"));
        assertThat(slots(mode)).isEqualTo("1 Dimmer, 2 Gobo1");
        assertThat(runs(mode, 1)).isEqualTo("0-127 Gobo wheel, 128-255 shaking");
    }
}
