package taxon.core.cable;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.length.Length;
import taxon.core.network.CableRules;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.testing.Rigs;

/** Ways worked out by hand: straight along, over the floor, along trusses. */
class CableWayTest {
    private static Position truss(int number, double across, double upstage, int angle) {
        return new Position(
                number,
                "Truss " + number,
                PositionKind.TRUSS,
                new PositionGeometry(
                        Optional.of(Length.metres("10")), metres(across), metres(upstage), Length.metres("6"), angle));
    }

    private static Length metres(double metres) {
        return new Length(Math.round(metres * 1e6));
    }

    private static Optional<Spot> at(Position position, double offset) {
        return Optional.of(Spot.on(position, metres(offset), false));
    }

    private static Plan along(Integer... trusses) {
        Plan plan = Rigs.empty().with(List.of(truss(1, 0, 0, 0), truss(2, 5, 5, 900), truss(3, 0, 10, 0)));
        CableRules usual = CableRules.USUAL;
        CableRules named = new CableRules(
                usual.mostUnits(),
                usual.longest(),
                usual.slack(),
                usual.order(),
                usual.first(),
                usual.stock(),
                List.of(trusses),
                usual.splitterOutputs());
        return plan.with(plan.sheet().with(plan.sheet().network().with(named)));
    }

    private static double way(Plan plan, Optional<Spot> one, Optional<Spot> other) {
        double there =
                new CableWay(plan).between(one, other).orElseThrow().length().inMetres();
        assertThat(new CableWay(plan).between(other, one).orElseThrow().length().inMetres())
                .isEqualTo(there, within(1e-6));
        return there;
    }

    @Test
    void onOnePositionItGoesStraight() {
        assertThat(way(along(), at(truss(1, 0, 0, 0), -3), at(truss(1, 0, 0, 0), 4.5)))
                .isEqualTo(7.5);
    }

    @Test
    void overTheFloorItGoesDownSquareAcrossAndUp() {
        // 6 m down, 3 m across and 10 m upstage, 6 m up.
        assertThat(way(along(), at(truss(1, 0, 0, 0), -3), at(truss(3, 0, 10, 0), 0)))
                .isEqualTo(25);
    }

    @Test
    void alongNamedTrussesItStaysUp() {
        // Truss 2 runs upstage at 5 m, from the end of truss 1 to the end of truss 3.
        assertThat(way(along(1, 2, 3), at(truss(1, 0, 0, 0), 2), at(truss(3, 0, 10, 0), 1)))
                .isEqualTo(3 + 10 + 4, within(1e-6));
        assertThat(way(along(1, 2, 3), at(truss(1, 0, 0, 0), 5), at(truss(2, 5, 5, 900), -1)))
                .isEqualTo(4, within(1e-6));
    }

    @Test
    void whoIsNotOnTheRouteIsReachedOverTheFloor() {
        assertThat(way(along(1, 2), at(truss(1, 0, 0, 0), -3), at(truss(3, 0, 10, 0), 0)))
                .isEqualTo(25);
    }

    @Test
    void unitsWithoutAnOffsetHangEvenlyAndThatIsSaid() {
        Plan plan = Rigs.add(along(), Rigs.type("t", 16), 4, Optional.of(101), Optional.empty());
        plan = plan.with(plan.fixtures().stream()
                .map(f -> f.withPlace(3, f.key().number()))
                .toList());
        CableWay way = new CableWay(plan);
        List<Fixture> units = plan.fixtures();
        CableRun run =
                way.between(way.spot(units.get(0)), way.spot(units.get(3))).orElseThrow();
        assertThat(run.assumed()).isTrue();
        assertThat(run.length().inMetres()).isEqualTo(7.5);
    }

    @Test
    void withoutAPlaceNothingIsReckoned() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 2, Optional.of(101), Optional.empty());
        CableWay way = new CableWay(plan);
        assertThat(way.between(
                        way.spot(plan.fixtures().get(0)),
                        way.spot(plan.fixtures().get(1))))
                .isEmpty();
        assertThat(way.between(Optional.empty(), at(truss(1, 0, 0, 0), 0))).isEmpty();
    }
}
