package taxon.core.dmx;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.AddressSwitches.Counting;

/** Common practice: switch n weighs 2^(n−1). */
class AddressSwitchesTest {
    @Test
    void seventyThreeIsSwitches1And4And7InPlainCounting() {
        assertThat(on(73, Counting.PLAIN)).containsExactly(1, 4, 7);
    }

    @Test
    void oneIsAllOffWhereUnitsCountLessOne() {
        assertThat(on(1, Counting.LESS_ONE)).isEmpty();
        assertThat(on(512, Counting.LESS_ONE)).hasSize(9);
    }

    @Test
    void plainCountingDoesNotReach512() {
        assertThat(AddressSwitches.reach(Slot.of(512), Counting.PLAIN)).isFalse();
        assertThatThrownBy(() -> AddressSwitches.of(Slot.of(512), Counting.PLAIN))
                .hasMessageContaining("511");
    }

    private static int[] on(int slot, Counting counting) {
        var positions = AddressSwitches.of(Slot.of(slot), counting).positions();
        return IntStream.rangeClosed(1, 9).filter(n -> positions.get(n - 1)).toArray();
    }
}
