package taxon.wire.link;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** Unchanged levels: three repeats, then one packet every 800 to 1000 ms (E1.31, 6.6.2, from memory). */
class PacingTest {
    private static final long MILLI = 1_000_000;

    @Test
    void levelsThatStandAreRepeatedThreeTimesAndThenSeldom() {
        Pacing pacing = new Pacing();
        byte[] levels = new byte[512];
        for (int i = 0; i < 4; i++) {
            assertThat(pacing.isDue(levels, 100, i * 25 * MILLI))
                    .as("time %d", i)
                    .isTrue();
        }
        assertThat(pacing.isDue(levels, 100, 100 * MILLI)).isFalse();
        assertThat(pacing.isDue(levels, 100, 874 * MILLI)).isFalse();
        assertThat(pacing.isDue(levels, 100, 875 * MILLI)).isTrue();
        assertThat(pacing.isDue(levels, 100, 900 * MILLI)).isFalse();
        assertThat(pacing.isDue(levels, 100, 1_675 * MILLI)).isTrue();
    }

    @Test
    void whatMovesIsSentAtOnce() {
        Pacing pacing = new Pacing();
        byte[] levels = new byte[512];
        for (int i = 0; i < 9; i++) {
            pacing.isDue(levels, 100, i);
        }
        levels[3] = 1;
        assertThat(pacing.isDue(levels, 100, 10)).isTrue();
        assertThat(pacing.isDue(levels, 101, 11)).isTrue();
        assertThat(pacing.priority()).isEqualTo(101);
    }
}
