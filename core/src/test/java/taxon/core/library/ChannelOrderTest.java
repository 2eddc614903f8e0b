package taxon.core.library;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class ChannelOrderTest {
    @Test
    void namesAreTakenAsLongAsTheyGo() {
        ChannelOrder order = ChannelOrder.of("pan fine tilt speed blorp dimmer");
        assertThat(order.slots()).endsWith("Dimmer");
        assertThat(order.unknown()).contains("blorp");
    }

    /** A mode has 512 slots at most; words behind them are no slots and are not said to be unknown. */
    @Test
    void anOrderThatGoesOnIsReadToTheLastSlotOfAUniverse() {
        ChannelOrder order = ChannelOrder.of("R G B W ".repeat(130) + "blorp");
        assertThat(order.slots()).hasSize(512);
        assertThat(order.slots().subList(508, 512)).isEqualTo(order.slots().subList(0, 4));
        assertThat(order.unknown()).isEmpty();
        assertThat(ChannelOrder.of("Dimmer, ".repeat(600)).slots()).hasSize(512);
    }
}
