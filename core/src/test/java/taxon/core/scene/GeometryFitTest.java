package taxon.core.scene;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.length.Length;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionGeometry.Point;
import taxon.core.testing.Rigs;

/** Geometry by hand: a 3-4-5 triangle, quarter turns, and there and back again. */
class GeometryFitTest {
    private static ScenePoint at(String across, String upstage) {
        return new ScenePoint(Length.metres(across), Length.metres(upstage), Length.metres("6"));
    }

    /** Along a line through (1, 2) whose direction is (4, 3) / 5: offsets -5, 0 and 5 metres are (-3, -1), (1, 2), (5, 5). */
    @Test
    void aTurnedTrussIsFoundThroughItsFixtures() {
        PositionGeometry found = GeometryFit.through(List.of(at("-3", "-1"), at("1", "2"), at("5", "5")));
        assertThat(found.across()).isEqualTo(Length.metres("1"));
        assertThat(found.upstage()).isEqualTo(Length.metres("2"));
        assertThat(found.height()).isEqualTo(Length.metres("6"));
        // atan(3/4) = 36.8699 degrees.
        assertThat(found.angle()).isEqualTo(369);
        assertThat(GeometryFit.along(found, at("-3", "-1")).inMetres()).isCloseTo(-5, within(0.001));
        assertThat(GeometryFit.along(found, at("5", "5")).inMetres()).isCloseTo(5, within(0.001));
        assertThat(GeometryFit.beside(found, at("5", "5"))).isCloseTo(0, within(0.005));
    }

    @Test
    void pointsThatRiseMoreThanTheySpreadAreAnUprightLine() {
        PositionGeometry found = GeometryFit.through(List.of(up("1"), up("7"), up("2")));
        assertThat(found)
                .isEqualTo(new PositionGeometry(
                        Optional.empty(), Length.metres("3"), Length.metres("5"), Length.metres("4"), 0, true));
        assertThat(GeometryFit.along(found, up("1"))).isEqualTo(Length.metres("-3"));
        assertThat(GeometryFit.beside(found, up("7"))).isZero();
        assertThat(GeometryFit.beside(found, at("6", "9"))).isCloseTo(5, within(1e-9));
    }

    /** 3 m off in plan and 4 m above: 5 m. A position of which nobody said how high it is is not left by height. */
    @Test
    void howFarBesideALineCountsHeightsWhereTheyAreKnown() {
        PositionGeometry level =
                new PositionGeometry(Optional.empty(), Length.ZERO, Length.metres("2"), Length.metres("2"), 0);
        assertThat(GeometryFit.beside(level, at("0", "5"))).isCloseTo(5, within(1e-9));
        PositionGeometry floor =
                new PositionGeometry(Optional.empty(), Length.ZERO, Length.metres("2"), Length.ZERO, 0);
        assertThat(GeometryFit.beside(floor, at("0", "5"))).isCloseTo(3, within(1e-9));
    }

    private static ScenePoint up(String height) {
        return new ScenePoint(Length.metres("3"), Length.metres("5"), Length.metres(height));
    }

    /** On the same line turned by exactly 30 degrees, 4 m along are 4 cos 30 = 3.464 across and 4 sin 30 = 2 upstage. */
    @Test
    void alongAPositionThatIsKnownAPointIsProjected() {
        PositionGeometry truss = new PositionGeometry(
                Optional.of(Length.metres("12")), Length.metres("2"), Length.metres("5"), Length.ZERO, 300);
        assertThat(GeometryFit.along(truss, at("5.464102", "7")).inMetres()).isCloseTo(4, within(0.00001));
        // One metre across the line: (-sin 30, cos 30) = (-0.5, 0.866).
        assertThat(GeometryFit.along(truss, at("4.964102", "7.866025")).inMetres())
                .isCloseTo(4, within(0.00001));
        assertThat(GeometryFit.beside(truss, at("4.964102", "7.866025"))).isCloseTo(1, within(0.00001));
    }

    @Test
    void aTrussThatRunsUpstageIsTurnedByAQuarterAndOneSpotIsNotTurned() {
        assertThat(GeometryFit.through(List.of(at("2", "1"), at("2", "9"))).angle())
                .isEqualTo(900);
        PositionGeometry spot = GeometryFit.through(List.of(at("2", "1"), at("2", "1")));
        assertThat(spot.angle()).isZero();
        assertThat(spot.across()).isEqualTo(Length.metres("2"));
    }

    static LongStream seeds() {
        return Rigs.seeds(200);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aLineThatIsLaidOutIsFoundAgain(long seed) {
        Random random = new Random(seed);
        PositionGeometry laid = new PositionGeometry(
                Optional.empty(),
                Length.millimetres(random.nextInt(20000) - 10000),
                Length.millimetres(random.nextInt(20000)),
                Length.millimetres(6000),
                random.nextInt(1799) - 899);
        int half = 3000 + random.nextInt(6000);
        List<ScenePoint> points = new ArrayList<>();
        for (int offset : new int[] {-half, -half / 3, 0, half / 2, half}) {
            Point p = laid.at(Length.millimetres(offset));
            points.add(new ScenePoint(metres(p.across()), metres(p.upstage()), laid.height()));
        }
        PositionGeometry found = GeometryFit.through(points);
        assertThat(found.angle()).isEqualTo(laid.angle());
        assertThat(found.across().inMetres()).isCloseTo(laid.across().inMetres(), within(0.002));
        assertThat(found.upstage().inMetres()).isCloseTo(laid.upstage().inMetres(), within(0.002));
        assertThat(GeometryFit.along(found, points.get(4)).inMetres()).isCloseTo(half / 1000.0, within(0.003));
    }

    private static Length metres(double metres) {
        return new Length(Math.round(metres * Length.METRE));
    }
}
