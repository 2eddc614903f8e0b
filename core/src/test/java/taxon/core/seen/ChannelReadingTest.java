package taxon.core.seen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Condition;
import taxon.core.fixture.Part;
import taxon.core.fixture.PhysicalRange;
import taxon.core.fixture.PhysicalUnit;
import taxon.core.fixture.RangeSet;

class ChannelReadingTest {
    private static final Attribute PAN = Attribute.of("Pan");
    private static final Attribute SHUTTER = Attribute.of("Shutter1");
    private static final Attribute STROBE = Attribute.of("Shutter1Strobe");
    private static final Attribute MODE = Attribute.of("Control1");

    private static ChannelFunction function(
            String name, Attribute attribute, long from, PhysicalRange physical, RangeSet... sets) {
        return new ChannelFunction(name, attribute, from, from, physical, List.of(sets), Optional.empty());
    }

    private static final Channel PAN_CHANNEL = new Channel(
            PAN,
            Part.WHOLE,
            List.of(1, 2),
            32_768,
            Optional.empty(),
            List.of(function("Pan", PAN, 0, new PhysicalRange(-270, 270))));

    private static final Channel SHUTTER_CHANNEL = new Channel(
            SHUTTER,
            Part.WHOLE,
            List.of(3),
            0,
            Optional.empty(),
            List.of(
                    function("Shutter", SHUTTER, 0, PhysicalRange.UNIT, step("Closed", 0), step("Open", 32)),
                    function("Strobe", STROBE, 64, new PhysicalRange(1, 25))));

    private static RangeSet step(String name, long from) {
        return new RangeSet(name, from, Optional.empty());
    }

    private static ChannelReading reading(Channel channel, int... levels) {
        return ChannelReading.of(new Block("Main", List.of(channel), ""), o -> levels[o - 1])
                .get(0);
    }

    @Test
    void aFineChannelIsReadCoarseFirstAndInItsUnit() {
        ChannelReading middle = reading(PAN_CHANNEL, 0x80, 0x00);
        assertThat(middle.value()).isEqualTo(32_768);
        assertThat(middle.unit()).isEqualTo(PhysicalUnit.ANGLE);
        assertThat(middle.physical().orElseThrow()).isCloseTo(0, within(0.01));
        assertThat(reading(PAN_CHANNEL, 0, 0).physical()).contains(-270.0);
        assertThat(reading(PAN_CHANNEL, 255, 255).physical()).contains(270.0);
        assertThat(reading(PAN_CHANNEL, 255, 255).percent()).isEqualTo(100);
    }

    @Test
    void theFunctionAndTheStepAreThoseOfTheValue() {
        ChannelReading closed = reading(SHUTTER_CHANNEL, 0, 0, 31);
        assertThat(closed.function()).map(ChannelFunction::name).contains("Shutter");
        assertThat(closed.step()).map(RangeSet::name).contains("Closed");
        assertThat(closed.physical()).isEmpty();
        assertThat(reading(SHUTTER_CHANNEL, 0, 0, 63).step())
                .map(RangeSet::name)
                .contains("Open");
        ChannelReading strobe = reading(SHUTTER_CHANNEL, 0, 0, 255);
        assertThat(strobe.function()).map(ChannelFunction::name).contains("Strobe");
        assertThat(strobe.physical()).contains(25.0);
        assertThat(strobe.unit()).isEqualTo(PhysicalUnit.FREQUENCY);
    }

    @Test
    void ofTwoFunctionsUnderConditionsTheOneInForceIsRead() {
        Channel mode = Channel.plain(MODE, Part.WHOLE, List.of(2), 0);
        ChannelFunction slow = new ChannelFunction(
                "Slow",
                PAN,
                0,
                0,
                new PhysicalRange(0, 10),
                List.of(),
                Optional.of(new Condition(MODE, "", 0, 127, 1)));
        ChannelFunction fast = new ChannelFunction(
                "Fast",
                PAN,
                0,
                0,
                new PhysicalRange(0, 90),
                List.of(),
                Optional.of(new Condition(MODE, "", 128, 255, 1)));
        Channel pan = new Channel(PAN, Part.WHOLE, List.of(1), 0, Optional.empty(), List.of(slow, fast));
        Block block = new Block("Main", List.of(pan, mode), "");
        assertThat(ChannelReading.of(block, o -> o == 1 ? 255 : 127).get(0).physical())
                .contains(10.0);
        assertThat(ChannelReading.of(block, o -> o == 1 ? 255 : 128).get(0).physical())
                .contains(90.0);
    }

    @Test
    void whereNobodyWroteDownWhatTheValuesDoOnlyTheValueIsSaid() {
        ChannelReading plain = reading(Channel.plain(Attribute.of("Dimmer"), Part.WHOLE, List.of(1), 0), 51);
        assertThat(plain.function()).isEmpty();
        assertThat(plain.physical()).isEmpty();
        assertThat(plain.percent()).isEqualTo(20);
    }
}
