package taxon.core.addressing.style;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.packing.Effort;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/** Whether those who move can be packed beside those who stay, and when that is certain. */
class RoomPackingTest {
    /** Two universes are filled to the last slot by these, and by the longest first they are not. */
    private static final int[] FILLING_TWO = {200, 190, 180, 170, 152, 132};

    /** Three universes are filled to the last slot by these, which is found by searching alone. */
    private static final int[] FILLING_THREE = {200, 76, 81, 140, 104, 122, 181, 220, 79, 91, 132, 110};

    private static final Effort PLENTY = Effort.of(Effort.OF_A_REQUEST);

    private static Wish wish(Split split, int universes) {
        return Wish.USUAL
                .withStyle(Style.LEAST_CHANGE)
                .withSplit(split, true)
                .within(StartAddress.of(1, 1), UniverseSet.of(1, universes));
    }

    private static Plan rig(int... lengths) {
        Plan plan = empty();
        int id = 1;
        for (int length : lengths) {
            plan = add(plan, type("of-" + length, length), 1, id++);
        }
        return plan;
    }

    /** With the places of a rig, all of whom may stay. */
    private record Packing(Task task, List<CurrentPlace> places) {
        static Packing of(Plan plan, Wish wish, Effort effort) {
            Task task = Task.of(plan, new PlacementRequest(Scope.ALL, Set.of(), wish), Set.of(), effort);
            return new Packing(task, CurrentPlaces.of(task));
        }

        RoomPacking.Packed pack(Integer... stay) {
            return room().pack(Set.of(stay));
        }

        RoomPacking room() {
            return new RoomPacking(task, places, places);
        }

        Map<Integer, StartAddress> starts(Integer... stay) {
            return pack(stay).starts().orElseThrow();
        }
    }

    @Test
    void whatFitsIsPackedAndCertain() {
        comesOut(FILLING_TWO, 2);
        comesOut(FILLING_THREE, 3);
    }

    private static void comesOut(int[] lengths, int universes) {
        RoomPacking.Packed packed =
                Packing.of(rig(lengths), wish(Split.NONE, universes), PLENTY).pack();
        assertThat(packed.certain()).isTrue();
        assertThat(packed.starts().orElseThrow()).hasSize(lengths.length);
    }

    @Test
    void whatDoesNotFitIsKnownNeverTo() {
        RoomPacking.Packed packed = Packing.of(rig(200, 180, 132, 190, 170, 153), wish(Split.NONE, 2), PLENTY)
                .pack();
        assertThat(packed.starts()).isEmpty();
        assertThat(packed.certain()).isTrue();
    }

    /** They do fit; who has not looked far enough to see it must not say that they do not. */
    @Test
    void withoutEffortNothingIsCertain() {
        RoomPacking.Packed packed = Packing.of(rig(FILLING_THREE), wish(Split.NONE, 3), Effort.of(0))
                .pack();
        assertThat(packed.starts()).isEmpty();
        assertThat(packed.certain()).isFalse();
    }

    /** Two types that may not meet are longer together than the one universe that there is. */
    @Test
    void ofSeveralClassesTooItIsKnownWhenTheyNeverFit() {
        RoomPacking.Packed packed =
                Packing.of(rig(300, 301), wish(Split.TYPE, 1), PLENTY).pack();
        assertThat(packed.starts()).isEmpty();
        assertThat(packed.certain()).isTrue();
    }

    /** Where the nearest places are taken first the long one finds none: it goes where the short one lay before. */
    @Test
    void severalClassesArePackedTogetherWhereTheNearestPlacesLeaveSomebodyOver() {
        Packing packing = Packing.of(crossed(), wish(Split.TYPE, 3), PLENTY);
        RoomPacking.Packed packed = packing.pack(1);
        assertThat(packed.certain()).isTrue();
        assertThat(packed.starts().orElseThrow().keySet()).containsExactly(0, 1);
    }

    @Test
    void ofSeveralClassesWithoutEffortNothingIsCertain() {
        RoomPacking.Packed packed =
                Packing.of(crossed(), wish(Split.TYPE, 3), Effort.of(0)).pack(1);
        assertThat(packed.starts()).isEmpty();
        assertThat(packed.certain()).isFalse();
    }

    /** Fixture 1 of 100 slots lies on universe 1 and may go to 2 as well; fixture 2 of 400 slots fits on universe 1 alone. */
    private static Plan crossed() {
        Plan plan = add(add(add(empty(), type("short", 100), 1, 1), type("long", 400), 1, 2), type("there", 300), 1, 3);
        plan = place(place(plan, 1, 1, StartAddress.of(1, 1)), 3, 1, StartAddress.of(3, 1));
        return plan.with(new ReservedRun(1, UniverseNumber.of(2), new SlotRange(201, 512), "kept"));
    }

    @ParameterizedTest
    @EnumSource(Split.class)
    void whereNobodyMovesNothingIsPacked(Split split) {
        Plan plan = place(rig(100), 1, 1, StartAddress.of(1, 1));
        RoomPacking.Packed packed = Packing.of(plan, wish(split, 1), PLENTY).pack(0);
        assertThat(packed.starts()).contains(Map.of());
        assertThat(packed.certain()).isTrue();
    }

    /** The one that stays has its room in the middle; of the two beside it one lies before it and one behind it. */
    @Test
    void whoStaysKeepsItsRoom() {
        Plan plan = place(rig(112, 200, 200), 1, 1, StartAddress.of(1, 201));
        Map<Integer, StartAddress> starts =
                Packing.of(plan, wish(Split.NONE, 1), PLENTY).starts(0);
        assertThat(starts.values().stream().map(a -> a.slot().number()).collect(Collectors.toSet()))
                .containsExactlyInAnyOrder(1, 313);
    }

    /** The universe after the highest that is in use, and one for each piece, are among those looked at. */
    @Test
    void asManyUniversesAreLookedAtAsCouldBeNeeded() {
        Plan plan = place(rig(10, 20, 30), 1, 1, StartAddress.of(7, 1));
        assertThat(Packing.of(plan, wish(Split.NONE, 400), PLENTY).room().allowed())
                .startsWith(1, 2, 3, 4, 5, 6, 7, 8, 9)
                .hasSizeLessThan(20);
    }

    @Test
    void universesThatAreNotAllowedAreNotLookedAt() {
        Wish wish = wish(Split.NONE, 400).within(StartAddress.of(3, 1), UniverseSet.of(2, 5));
        assertThat(Packing.of(rig(10, 20, 30, 40), wish, PLENTY).room().allowed())
                .containsExactly(3, 4, 5);
    }
}
