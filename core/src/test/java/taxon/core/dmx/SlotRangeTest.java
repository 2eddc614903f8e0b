package taxon.core.dmx;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Ranges of slots against their meaning: the set of the slots that they hold. */
class SlotRangeTest {
    private static Set<Integer> slots(SlotRange range) {
        return IntStream.rangeClosed(range.first(), range.last()).boxed().collect(Collectors.toSet());
    }

    /** All ranges near both ends of a universe. */
    private static List<SlotRange> ranges() {
        int[] ends = {1, 2, 3, 4, 5, 508, 509, 510, 511, 512};
        return IntStream.of(ends)
                .boxed()
                .flatMap(first ->
                        IntStream.of(ends).filter(last -> last >= first).mapToObj(l -> new SlotRange(first, l)))
                .toList();
    }

    @Test
    void theIntersectionIsWhatBothHold() {
        for (SlotRange one : ranges()) {
            for (SlotRange other : ranges()) {
                Set<Integer> both = slots(one);
                both.retainAll(slots(other));
                assertThat(one.intersection(other).map(SlotRangeTest::slots).orElse(Set.of()))
                        .as(one + " and " + other)
                        .isEqualTo(both);
                assertThat(one.overlaps(other)).isEqualTo(!both.isEmpty());
            }
        }
    }

    @Test
    void aRangeContainsItsEndsAndNothingBeside() {
        for (SlotRange range : ranges()) {
            for (int slot = 0; slot <= 513; slot++) {
                assertThat(range.contains(slot)).isEqualTo(slots(range).contains(slot));
            }
            assertThat(range.length()).isEqualTo(slots(range).size());
        }
    }

    @ParameterizedTest
    @CsvSource({
        "1, 512, true",
        "1, 513, false",
        "512, 1, true",
        "512, 2, false",
        "0, 1, false",
        "513, 1, false",
        "7, 0, false",
        "7, 1, true"
    })
    void whatPassesTheEndOrHasNoLengthFitsNowhere(int first, int length, boolean fits) {
        assertThat(SlotRange.fitting(first, length).isPresent()).isEqualTo(fits);
        SlotRange.fitting(first, length)
                .ifPresent(r -> assertThat(r).isEqualTo(new SlotRange(first, first + length - 1)));
    }

    @Test
    void whatPassesTheEndIsCutOff() {
        assertThat(SlotRange.clipped(Slot.of(510), 9)).isEqualTo(new SlotRange(510, 512));
        assertThat(SlotRange.clipped(Slot.of(510), 2)).isEqualTo(new SlotRange(510, 511));
        assertThat(SlotRange.clipped(Slot.of(510), 0)).isEqualTo(new SlotRange(510, 510));
    }

    @Test
    void rangesAreOrderedByTheirFirstSlotThenByTheirLast() {
        assertThat(new SlotRange(2, 3)).isGreaterThan(new SlotRange(1, 9));
        assertThat(new SlotRange(2, 4)).isGreaterThan(new SlotRange(2, 3));
        assertThat(new SlotRange(2, 4).compareTo(new SlotRange(2, 4))).isZero();
    }

    @ParameterizedTest
    @CsvSource({"0, 1", "1, 513", "5, 4"})
    void whatIsNoRangeCannotBeMade(int first, int last) {
        assertThatThrownBy(() -> new SlotRange(first, last)).hasMessageContaining("no run inside 1 to 512");
    }
}
