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

    /** A mode has 512 slots at most; words behind them are no slots, are not said to be unknown, and are said to be left out. */
    @Test
    void anOrderThatGoesOnIsReadToTheLastSlotOfAUniverse() {
        ChannelOrder order = ChannelOrder.of("R G B W ".repeat(130) + "blorp");
        assertThat(order.slots()).hasSize(512);
        assertThat(order.slots().subList(508, 512)).isEqualTo(order.slots().subList(0, 4));
        assertThat(order.unknown()).isEmpty();
        assertThat(order.leftOutFrom()).contains("R");
        assertThat(ChannelOrder.of("Dimmer, ".repeat(600)).slots()).hasSize(512);
    }

    @Test
    void nothingIsLeftOutOfAnOrderThatFillsAUniverse() {
        ChannelOrder order = ChannelOrder.of("R G B W ".repeat(128));
        assertThat(order.slots()).hasSize(512);
        assertThat(order.leftOutFrom()).isEmpty();
        assertThat(StandInText.leftOut(order)).isEmpty();
    }

    @Test
    void theFirstNameWithoutASlotIsTold() {
        assertThat(ChannelOrder.of("Dimmer, ".repeat(512) + "blorp, iris").leftOutFrom())
                .contains("blorp");
        assertThat(ChannelOrder.of("Dimmer ".repeat(512) + "blorp iris").leftOutFrom())
                .contains("blorp");
        assertThat(StandInText.leftOut(ChannelOrder.of("Dimmer, ".repeat(512) + "blorp")))
                .contains("“blorp” and what is behind it is left out: a mode has at most 512 slots.");
    }

    /** Its first slot is there, its second is not. */
    @Test
    void aNameThatIsCutByTheEndIsToldToo() {
        ChannelOrder order = ChannelOrder.of("Dimmer, ".repeat(511) + "Pan 16 bit");
        assertThat(order.slots()).hasSize(512).endsWith("Pan");
        assertThat(order.leftOutFrom()).contains("Pan 16 bit");
    }

    @Test
    void aTextThatIsTooLongIsLeftOutFromThere() {
        ChannelOrder order = ChannelOrder.of("dimmer," + " ".repeat(20_000) + "zoom, iris");
        assertThat(order.slots()).containsExactly("Dimmer");
        assertThat(order.leftOutFrom()).contains("zoom, iris");
        assertThat(StandInText.leftOut(order))
                .contains("“zoom, iris” and what is behind it is left out: no more than 20000 characters are read.");
        assertThat(ChannelOrder.of("dimmer" + " ".repeat(20_000)).leftOutFrom()).isEmpty();
    }

    @Test
    void aNameOfControlCharactersAloneTakesItsSlotAndIsUnknown() {
        ChannelOrder order = ChannelOrder.of("Dimmer,\u0000\u0001,Iris");
        assertThat(order.slots()).containsExactly("Dimmer", "unreadable", "Iris");
        assertThat(order.unknown()).hasSize(1);
    }
}
