package taxon.core.numbering;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.length.Length;
import taxon.core.numbering.NumberingOrder.By;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionGeometry.Point;
import taxon.core.rig.PositionKind;
import taxon.core.testing.Rigs;

/** Left to right as the viewer stands, then downstage to upstage: trade habit (common practice). */
class RigOrderTest {
    /** Two trusses, 1 upstage at 6 m and 2 downstage at 2 m, three units each, hung out of order. */
    private static Plan rig() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 4), 6, 1)
                .with(truss(1, 6))
                .with(truss(2, 2));
        String[] offsets = {"1", "-2", "0", "2", "-1", "0.5"};
        for (Fixture fixture : plan.fixtures()) {
            int i = fixture.key().number() - 1;
            plan = plan.with(fixture.withPlace(i < 3 ? 1 : 2, 1).withOffset(Optional.of(Length.metres(offsets[i]))));
        }
        return plan;
    }

    private static Position truss(int number, int upstage) {
        PositionGeometry geometry = new PositionGeometry(
                Optional.empty(), Length.ZERO, Length.metres(String.valueOf(upstage)), Length.metres("5"), 0);
        return new Position(number, "Truss " + number, PositionKind.TRUSS, geometry);
    }

    private static List<Integer> order(Plan plan, By by, boolean fromRight, boolean serpentine) {
        return RigOrder.of(plan, plan.fixtures(), new NumberingOrder(by, fromRight, serpentine)).stream()
                .map(f -> f.key().number())
                .toList();
    }

    @Test
    void positionByPositionFromTheLeft() {
        assertThat(order(rig(), By.POSITION, false, false)).containsExactly(2, 3, 1, 5, 6, 4);
        assertThat(order(rig(), By.POSITION, true, false)).containsExactly(1, 3, 2, 4, 6, 5);
    }

    @Test
    void aSerpentineTurnsRoundOnEverySecondPosition() {
        assertThat(order(rig(), By.POSITION, false, true)).containsExactly(2, 3, 1, 4, 6, 5);
    }

    @Test
    void rowsBeginAtTheAudience() {
        assertThat(order(rig(), By.ROW, false, false)).containsExactly(5, 6, 4, 2, 3, 1);
    }

    @Test
    void acrossTheWholeRigTheNearerComesFirst() {
        assertThat(order(rig(), By.ACROSS, false, false)).containsExactly(2, 5, 3, 6, 1, 4);
    }

    @Test
    void whoHasNoOffsetStandsBehindByUnitNumber() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 4), 3, 1);
        plan = plan.with(plan.fixtures().get(0).withPlace(1, 9));
        plan = plan.with(plan.fixtures().get(2).withOffset(Optional.of(Length.metres("3"))));
        assertThat(order(plan, By.POSITION, false, false)).containsExactly(3, 2, 1);
    }

    /** By hand: 4 m along a truss turned by 30° from (1 m, 2 m) is 1 + 4 cos 30° across and 2 + 4 sin 30° upstage. */
    @Test
    void aTurnedTrussTakesItsUnitsAlong() {
        PositionGeometry geometry =
                new PositionGeometry(Optional.empty(), Length.metres("1"), Length.metres("2"), Length.ZERO, 300);
        Point point = geometry.at(Length.metres("4"));
        assertThat(point.across()).isCloseTo(4.4641, org.assertj.core.data.Offset.offset(1e-4));
        assertThat(point.upstage()).isCloseTo(4.0, org.assertj.core.data.Offset.offset(1e-9));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void everyOrderHoldsEachFixtureOnce(long seed) {
        Plan plan = Rigs.hung(seed);
        for (By by : By.values()) {
            assertThat(order(plan, by, seed % 2 == 0, seed % 3 == 0))
                    .doesNotHaveDuplicates()
                    .hasSameSizeAs(plan.fixtures());
        }
    }
}
