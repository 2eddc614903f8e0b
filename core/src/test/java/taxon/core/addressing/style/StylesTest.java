package taxon.core.addressing.style;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.placeAll;
import static taxon.core.testing.Rigs.type;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.packing.Effort;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;

/** What was laid on a plan that lay better already is the same as a layout of the plan as it is. */
class StylesTest {
    private static final PlacementRequest LEAST = new PlacementRequest(
            Scope.ALL,
            Set.of(),
            Wish.USUAL.withStyle(Style.LEAST_CHANGE).within(StartAddress.of(1, 1), UniverseSet.of(1, 1)));

    private final Effort effort = Effort.of(Effort.OF_A_REQUEST);

    /** Three of ten slots and one of 500, which finds no place beside them. */
    private static Plan plan(int... keysAndSlots) {
        Plan plan = add(add(empty(), type("short", 10), 3, 1), type("long", 500), 1, 4);
        return placeAll(plan, 1, keysAndSlots);
    }

    private static Map<Integer, StartAddress> addresses(Plan plan, int key) {
        return plan.fixture(FixtureKey.of(key)).orElseThrow().addresses();
    }

    private static Piece piece(Laid laid, int key) {
        return laid.task().request().pieces().stream()
                .filter(p -> p.fixture().key().equals(FixtureKey.of(key)))
                .findFirst()
                .orElseThrow();
    }

    /** In the better plan 1 lies elsewhere; 2 lies as it does, 3 is new, 4 is left out. */
    @Test
    void whoWasMovedBeforeMovesWhoWasNotStaysAndWhoIsLeftOutIs() {
        Attempt now = new Attempt(plan(1, 1, 2, 101), LEAST);
        Laid next = new Attempt(plan(1, 301, 2, 101), LEAST).lay(Style.LEAST_CHANGE, Set.of(), effort);
        Laid carried = Styles.carried(now, next, effort);
        assertThat(carried.layout().start(piece(carried, 1))).contains(StartAddress.of(1, 301));
        assertThat(carried.layout().keeps(piece(carried, 1))).isFalse();
        assertThat(carried.layout().keeps(piece(carried, 2))).isTrue();
        assertThat(carried.layout().keeps(piece(carried, 3))).isFalse();
        assertThat(carried.leftOut()).containsExactly(FixtureKey.of(4));
        assertThat(carried.leftAtLeast()).isZero();
        Plan after = HeldFixtures.placed(carried);
        Plan wanted = HeldFixtures.placed(next);
        assertThat(addresses(wanted, 3)).isNotEmpty();
        for (int key = 1; key <= 4; key++) {
            assertThat(addresses(after, key)).as("fixture " + key).isEqualTo(addresses(wanted, key));
        }
    }

    /** It lies where the step before put it: the others keep away from there. */
    @Test
    void whoWasMovedBeforeAndFindsNoPlaceNowLiesWhereThatPutIt() {
        Attempt now = new Attempt(plan(1, 1, 2, 101), LEAST);
        Task task = Task.of(plan(1, 301, 2, 101), LEAST, Set.of(), effort);
        Layout nobody = Layout.byHand(task.request().pieces(), Map.of(), Map.of());
        Laid carried = Styles.carried(now, new Laid(task, nobody, List.of(), 0), effort);
        assertThat(carried.layout().start(piece(carried, 1))).contains(StartAddress.of(1, 301));
        assertThat(carried.task().request().keys()).containsExactly(FixtureKey.of(1));
    }

    /** Two blocks that follow each other, or lie apart, which least change lets stay so. */
    private static Optional<Laid> ofLeastChange(Style wanted, int secondBlockAt) {
        Plan plan = place(placeAll(add(empty(), type("double", 10, 20), 1, 1), 1, 1, 1), 1, 2, at(secondBlockAt));
        Laid stays = new Attempt(plan, LEAST).lay(Style.LEAST_CHANGE, Set.of(), Effort.of(Effort.OF_A_REQUEST));
        Attempt attempt = new Attempt(plan, LEAST.withStyle(wanted));
        return Styles.asWished(attempt, stays, Effort.of(Effort.OF_A_REQUEST));
    }

    private static StartAddress at(int slot) {
        return StartAddress.of(1, slot);
    }

    @Test
    void whatAnotherStyleLaysIsTakenOverWhereItIsAsWished() {
        assertThat(ofLeastChange(Style.FEWEST_UNIVERSES, 11)).isPresent();
        assertThat(ofLeastChange(Style.FEWEST_UNIVERSES, 12)).isEmpty();
        assertThat(ofLeastChange(Style.LEAST_CHANGE, 12)).isPresent();
    }
}
