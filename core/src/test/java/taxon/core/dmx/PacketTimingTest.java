package taxon.core.dmx;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** ANSI E1.11 timing, from memory. */
class PacketTimingTest {
    @Test
    void aFullPacketLasts22676Microseconds() {
        assertThat(new PacketTiming(512).micros()).isEqualTo(22_676);
        assertThat(new PacketTiming(512).packetsPerSecond()).isCloseTo(44.1, within(0.05));
    }

    @Test
    void aShortPacketIsStretchedToTheShortestBreakToBreak() {
        assertThat(new PacketTiming(24).micros()).isEqualTo(1204);
        assertThat(new PacketTiming(25).micros()).isEqualTo(1248);
    }
}
