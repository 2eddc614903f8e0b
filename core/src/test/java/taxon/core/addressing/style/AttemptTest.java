package taxon.core.addressing.style;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.packing.Effort;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;

/** One way to lay a request: nobody loses an address, and who is set apart is offered what the others leave. */
class AttemptTest {
    private static final Wish ON_ONE = Wish.USUAL.within(StartAddress.of(1, 1), UniverseSet.of(1, 1));

    private static Attempt attempt(Plan plan) {
        return new Attempt(plan, new PlacementRequest(Scope.ALL, Set.of(), ON_ONE));
    }

    private static Laid lay(Plan plan, Style style, Integer... apart) {
        Set<FixtureKey> keys = Set.of(apart).stream().map(FixtureKey::of).collect(Collectors.toSet());
        return attempt(plan).lay(style, keys, Effort.of(Effort.OF_A_REQUEST));
    }

    /** A new one of 300 slots comes first and would take the room of the one of 300 that has an address. */
    private static Plan newBeforeOld() {
        return place(add(empty(), type("a", 300), 2, 1), 2, 1, StartAddress.of(1, 101));
    }

    @ParameterizedTest
    @EnumSource(Style.class)
    void whoHasAnAddressKeepsItAndTheNewOneIsLeftOut(Style style) {
        Laid laid = lay(newBeforeOld(), style);
        assertThat(laid.leftOut()).containsExactly(FixtureKey.of(1));
        Plan after = HeldFixtures.placed(laid);
        assertThat(after.fixture(FixtureKey.of(2)).orElseThrow().addresses()).isNotEmpty();
    }

    @Test
    void whoIsApartIsOfferedWhatTheOthersLeave() {
        Plan plan = add(add(empty(), type("long", 400), 1, 1), type("short", 100), 2, 2);
        Laid all = lay(plan, Style.IN_ORDER);
        assertThat(all.leftOut()).containsExactly(FixtureKey.of(3));
        Laid without = lay(plan, Style.IN_ORDER, 1);
        assertThat(without.leftOut()).containsExactly(FixtureKey.of(1));
        Laid shortApart = lay(plan, Style.IN_ORDER, 3);
        assertThat(shortApart.leftOut()).containsExactly(FixtureKey.of(3));
    }

    /** What a layout proves of the rest is not said of all. */
    @Test
    void howManyAreLeftOutAtLeastIsSaidOnlyWhereAllWereLaid() {
        Plan plan = add(empty(), type("a", 300), 3, 1);
        assertThat(lay(plan, Style.FEWEST_UNIVERSES).leftAtLeast()).isEqualTo(2);
        assertThat(lay(plan, Style.FEWEST_UNIVERSES, 1).leftAtLeast()).isZero();
    }

    @Test
    void moreThanThreeLayingsAreEnoughToBegin() {
        Attempt attempt = attempt(newBeforeOld());
        assertThat(attempt.layings(3)).isEqualTo(3L * 10 * Task.NUMBERS_OF_A_FIXTURE * 2);
        assertThat(attempt.isEnough(attempt.layings(3))).isFalse();
        assertThat(attempt.isEnough(attempt.layings(3) + 1)).isTrue();
    }

    @Test
    void itKnowsWhereAFixtureLiesAndHowManySlotsItTakes() {
        Attempt attempt = attempt(newBeforeOld());
        assertThat(attempt.addresses(FixtureKey.of(1))).isEmpty();
        assertThat(attempt.addresses(FixtureKey.of(2))).isEqualTo(Map.of(1, StartAddress.of(1, 101)));
        assertThat(attempt.slots(FixtureKey.of(2))).isEqualTo(300);
    }
}
