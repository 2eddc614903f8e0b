package taxon.core.addressing.space;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.testing.Rigs;

class OccupancyTest {
    private static final UniverseNumber ONE = UniverseNumber.of(1);

    @Test
    void anEmptyUniverseIsOneFreeRun() {
        assertThat(new Occupancy().freeRuns(ONE)).containsExactly(SlotRange.WHOLE_UNIVERSE);
    }

    @Test
    void freeRunsLieBetweenWhatIsTaken() {
        Occupancy occupancy = new Occupancy();
        occupancy.take(ONE, new SlotRange(10, 20));
        occupancy.take(ONE, new SlotRange(500, 512));
        assertThat(occupancy.freeRuns(ONE)).containsExactly(new SlotRange(1, 9), new SlotRange(21, 499));
        assertThat(occupancy.usedSlots(ONE)).isEqualTo(24);
    }

    @Test
    void aFullUniverseSendsTheSearchToTheNext() {
        Occupancy occupancy = new Occupancy();
        occupancy.take(ONE, SlotRange.WHOLE_UNIVERSE);
        Plan plan = Rigs.empty().with(new ReservedRun(1, ONE, SlotRange.WHOLE_UNIVERSE, "kept"));
        assertThat(Fits.of(plan).next(StartAddress.of(1, 1), 512)).contains(StartAddress.of(2, 1));
        assertThat(occupancy.firstFitOn(ONE, 1, 1, 0)).isEmpty();
    }

    @Test
    void pastTheLastUniverseThereIsNoPlace() {
        UniverseNumber last = UniverseNumber.of(UniverseNumber.LAST);
        Plan plan = Rigs.empty().with(new ReservedRun(1, last, new SlotRange(1, 1), "kept"));
        assertThat(Fits.of(plan).next(StartAddress.of(UniverseNumber.LAST, 1), 512))
                .isEmpty();
    }

    @Test
    void aGapIsKeptToFixturesAndNotToReservedRuns() {
        Occupancy occupancy =
                Occupancy.of(Rigs.empty().with(new ReservedRun(1, ONE, new SlotRange(1, 10), "kept")), Set.of());
        assertThat(occupancy.firstFitOn(ONE, 1, 5, 3)).contains(StartAddress.of(1, 11));
        occupancy.take(ONE, new SlotRange(11, 15));
        assertThat(occupancy.firstFitOn(ONE, 1, 5, 3)).contains(StartAddress.of(1, 19));
    }

    @Test
    void theLargestFreeRunIsTheFirstOfEquals() {
        Occupancy occupancy = new Occupancy();
        occupancy.take(ONE, new SlotRange(100, 413));
        assertThat(occupancy.largestFree(List.of(ONE)).orElseThrow().slots()).isEqualTo(new SlotRange(1, 99));
        assertThat(occupancy.largestFree(List.of())).isEmpty();
    }
}
