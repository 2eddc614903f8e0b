package taxon.core.dmx;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.UniverseSet.Range;

class UniverseSetTest {
    /** Against the plain set of numbers. */
    @RepeatedTest(60)
    void rangesAreJoinedWhereTheyTouchOrOverlapAndNowhereElse(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        TreeSet<Integer> numbers = new TreeSet<>();
        List<Range> ranges = IntStream.range(0, 1 + random.nextInt(6))
                .mapToObj(i -> {
                    int first = 1 + random.nextInt(30);
                    int last = first + random.nextInt(6);
                    IntStream.rangeClosed(first, last).forEach(numbers::add);
                    return new Range(first, last);
                })
                .toList();
        UniverseSet set = new UniverseSet(ranges);
        for (int n = 1; n <= 40; n++) {
            assertThat(set.holds(UniverseNumber.of(n))).isEqualTo(numbers.contains(n));
            Integer next = numbers.ceiling(n);
            assertThat(set.atOrAbove(n).map(UniverseNumber::number).orElse(null))
                    .isEqualTo(next);
        }
        for (int i = 1; i < set.ranges().size(); i++) {
            assertThat(set.ranges().get(i).first())
                    .as("apart: " + set)
                    .isGreaterThan(set.ranges().get(i - 1).last() + 1);
        }
        assertThat(UniverseSet.read(set.toString())).contains(set);
    }

    @Test
    void neighboursBecomeOneRangeAndAGapOfOneKeepsThemApart() {
        assertThat(UniverseSet.read("1-3, 4").orElseThrow()).hasToString("1-4");
        assertThat(UniverseSet.read("1-3, 5").orElseThrow()).hasToString("1-3, 5");
        assertThat(UniverseSet.read("1-9, 2-3").orElseThrow()).hasToString("1-9");
    }

    @Test
    void twoHundredRangesAreTakenAndOneMoreIsNot() {
        List<Range> most = IntStream.range(0, 200)
                .mapToObj(i -> new Range(1 + 2 * i, 1 + 2 * i))
                .toList();
        assertThat(new UniverseSet(most).ranges()).hasSize(200);
        List<Range> more = IntStream.range(0, 201)
                .mapToObj(i -> new Range(1 + 2 * i, 1 + 2 * i))
                .toList();
        assertThatThrownBy(() -> new UniverseSet(more)).hasMessageContaining("more than 200");
        assertThat(UniverseSet.read(new UniverseSet(most) + ", 999")).isEmpty();
    }

    @Test
    void slotsAndUniversesReadAsTheirNumbers() {
        assertThat(Slot.of(7)).hasToString("7");
        assertThat(UniverseNumber.of(12)).hasToString("12");
    }
}
