package taxon.core.addressing.style;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.placeAll;
import static taxon.core.testing.Rigs.type;

import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.packing.Effort;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/** When it is looked for fewer who are left out, with how much effort, and what stays of what was found before. */
class FewerLeftOutTest {
    private static final Wish ON_ONE =
            Wish.USUAL.withStyle(Style.FEWEST_UNIVERSES).within(StartAddress.of(1, 1), UniverseSet.of(1, 1));

    /** Of these the ten new ones take the room of the others, who then stay in each other's way: all 20 are left out. */
    private static Attempt crowded() {
        Plan plan = add(add(empty(), type("long", 79), 8, 1), type("short", 20), 12, 9);
        plan = placeAll(plan, 1, 4, 342, 6, 269, 8, 286, 11, 261, 13, 97);
        plan = placeAll(plan, 2, 5, 130, 7, 502, 10, 483, 12, 442, 14, 277);
        plan = plan.with(new ReservedRun(1, UniverseNumber.of(1), new SlotRange(297, 301), "kept"))
                .with(new ReservedRun(2, UniverseNumber.of(2), new SlotRange(301, 305), "kept"));
        Wish wish = Wish.USUAL
                .withStyle(Style.IN_ORDER)
                .withSplit(Split.TYPE, false)
                .withHeadroom(Headroom.ofSlots(22))
                .within(StartAddress.of(1, 1), UniverseSet.of(1, 2));
        return new Attempt(plan, new PlacementRequest(Scope.ALL, Set.of(), wish));
    }

    private static Laid first(Attempt attempt) {
        return attempt.lay(attempt.request().wish().style(), Set.of(), Effort.of(Effort.OF_A_REQUEST));
    }

    @Test
    void newOnesWaitWhereOthersWouldStayInEachOthersWay() {
        Laid found = first(crowded());
        assertThat(found.left()).isEqualTo(20);
        assertThat(found.newOnes()).hasSize(10);
        Laid fewer = new FewerLeftOut(crowded(), Effort.of(Effort.OF_A_REQUEST)).withoutNewOnes(found);
        assertThat(fewer.leftOut()).containsExactlyInAnyOrder(FixtureKey.of(1), FixtureKey.of(2), FixtureKey.of(3));
        assertThat(fewer.leftAtLeast()).isEqualTo(found.leftAtLeast());
    }

    /** Ten new ones of a rig of twenty are two hundred offers. */
    @Test
    void newOnesDoNotWaitWhereTooManyWouldBeOfferedWhatIsLeft() {
        Laid found = first(crowded());
        Effort effort = Effort.of(Effort.OF_A_REQUEST);
        assertThat(new FewerLeftOut(crowded(), effort, 199).withoutNewOnes(found))
                .isSameAs(found);
        assertThat(effort.left()).isEqualTo(Effort.OF_A_REQUEST);
        assertThat(new FewerLeftOut(crowded(), effort, 200)
                        .withoutNewOnes(found)
                        .left())
                .isEqualTo(3);
        assertThat(effort.left()).isLessThan(Effort.OF_A_REQUEST);
    }

    /** A third of the effort has to be more than three layings. */
    @Test
    void nothingIsBegunThatCouldNotSearch() {
        Laid found = first(crowded());
        long little = 3 * crowded().layings(3) + 2;
        Effort effort = Effort.of(little);
        assertThat(new FewerLeftOut(crowded(), effort).withoutNewOnes(found)).isSameAs(found);
        assertThat(new FewerLeftOut(crowded(), effort).than(found).left()).isEqualTo(found.left());
        assertThat(effort.left()).isEqualTo(little);
        Effort enough = Effort.of(little + 1);
        new FewerLeftOut(crowded(), enough).withoutNewOnes(found);
        assertThat(enough.left()).isLessThan(little);
    }

    @Test
    void whereOnlyNewOnesAreLeftOutNobodyWaits() {
        Plan plan = placeAll(add(empty(), type("a", 300), 2, 1), 1, 1, 1);
        Attempt attempt = new Attempt(plan, new PlacementRequest(Scope.ALL, Set.of(), ON_ONE));
        Laid found = first(attempt);
        assertThat(found.leftOut()).containsExactly(FixtureKey.of(2));
        Effort effort = Effort.of(Effort.OF_A_REQUEST);
        assertThat(new FewerLeftOut(attempt, effort).withoutNewOnes(found)).isSameAs(found);
        assertThat(effort.left()).isEqualTo(Effort.OF_A_REQUEST);
    }

    /** In order 1 and 2 fill the universe; without the long 1 all four others lie there. */
    @Test
    void theLongestIsTakenApartWhereTheOthersHaveRoomThen() {
        Plan plan = add(add(empty(), type("long", 400), 1, 1), type("short", 100), 5, 2);
        Attempt attempt = new Attempt(plan, new PlacementRequest(Scope.ALL, Set.of(), ON_ONE));
        Laid found = attempt.lay(Style.IN_ORDER, Set.of(), Effort.of(Effort.OF_A_REQUEST));
        assertThat(found.left()).isEqualTo(4);
        Laid fewer = new FewerLeftOut(attempt, Effort.of(Effort.OF_A_REQUEST)).than(found);
        assertThat(fewer.leftOut()).containsExactly(FixtureKey.of(1));
    }
}
