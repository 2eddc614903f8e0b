package taxon.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.edit.WishEdits;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.testing.Rigs;

/** Room that is kept for the longest mode, where fixtures have several blocks. */
class RoomForLongerModesTest {
    /** Two blocks of 4 and 4 slots now; 10 and 6 in its longest mode, and 12 in one that has a first block only. */
    private static final FixtureType TYPE = FixtureType.of(
            TypeId.of("two"),
            "Test",
            "two",
            "two",
            Facts.onALine(),
            List.of(mode("small", 4, 4), mode("large", 10, 6), mode("tall", 12)));

    private static Mode mode(String name, int... footprints) {
        return new Mode(
                name,
                Optional.empty(),
                Arrays.stream(footprints)
                        .mapToObj(f -> ChannelScript.block("Block " + f, "Dimmer ".repeat(f)))
                        .toList());
    }

    private static Plan rig() {
        Added added =
                Added.of(TYPE, TYPE.modes().get(0), 2, Added.Words.on("Pipe")).withIds(Optional.of(FixtureId.of(1)));
        Plan plan = Rigs.apply(Rigs.empty(), FixtureEdits.add("add", List.of(added)));
        return Rigs.apply(
                plan, WishEdits.enforce("", Wish.USUAL.withSpacing(new Spacing(0, Starts.ANYWHERE, 1, true))));
    }

    private static Plan at(int first1, int second1, int first2, int second2) {
        Plan plan = Rigs.place(Rigs.place(rig(), 1, 1, StartAddress.of(1, first1)), 1, 2, StartAddress.of(1, second1));
        return Rigs.place(Rigs.place(plan, 2, 1, StartAddress.of(1, first2)), 2, 2, StartAddress.of(1, second2));
    }

    private static List<Integer> needed(Plan plan) {
        return PlanCheck.of(plan).byRule().get(Rule.ROOM_SHORT).stream()
                .map(f -> ((Grounds.RoomShort) f.grounds()).needed())
                .toList();
    }

    @Test
    void blocksThatFollowEachOtherKeepTheRoomOfTheWholeFixtureInItsLongestMode() {
        assertThat(needed(at(1, 5, 16, 20))).containsExactly(16);
        assertThat(needed(at(1, 5, 17, 21))).isEmpty();
    }

    @Test
    void blocksThatStandApartKeepEachTheLongestThatBlockCanBe() {
        // The first block of 1 may become 12 long, the second 6; the second's own fixture is no neighbour.
        assertThat(needed(at(1, 100, 12, 200))).containsExactly(12);
        assertThat(needed(at(1, 100, 13, 200))).isEmpty();
        assertThat(needed(at(1, 100, 105, 200))).containsExactly(6);
        assertThat(needed(at(1, 100, 106, 200))).isEmpty();
    }

    @Test
    void theEndOfTheUniverseIsANeighbourToo() {
        assertThat(needed(at(1, 5, 498, 502))).containsExactly(16);
        assertThat(needed(at(1, 5, 497, 501))).isEmpty();
    }

    @Test
    void moreNamesThanAreToldAreCounted() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 4), 9, Optional.of(1), Optional.of(StartAddress.of(1, 1)));
        for (int key = 1; key <= 9; key++) {
            plan = Rigs.place(plan, key, 1, StartAddress.of(1, 500 - 10 * key));
        }
        Finding finding = PlanCheck.of(plan).byRule().get(Rule.OUT_OF_STEP).get(0);
        assertThat(finding.fixtures()).hasSize(8);
        assertThat(FindingText.sentence(finding)).contains(" and 2 more");
        Plan seven = Rigs.place(Rigs.place(plan, 1, 1, StartAddress.of(1, 1)), 2, 1, StartAddress.of(1, 11));
        Finding fewer = PlanCheck.of(seven).byRule().get(Rule.OUT_OF_STEP).get(0);
        assertThat(fewer.fixtures()).hasSize(6);
        assertThat(FindingText.sentence(fewer)).doesNotContain("more");
    }
}
