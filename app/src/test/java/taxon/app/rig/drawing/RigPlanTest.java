package taxon.app.rig.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.app.form.Selection;
import taxon.app.rig.drawing.RigPlan.Line;
import taxon.app.rig.drawing.RigPlan.Unit;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.rig.RigView;
import taxon.core.rig.RigView.Side;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.testing.Rigs;

class RigPlanTest {
    private static Position truss(int number, String length, String across, String upstage, int angle) {
        return new Position(
                number,
                "Truss " + number,
                PositionKind.TRUSS,
                new PositionGeometry(
                        Optional.of(Length.metres(length)),
                        Length.metres(across),
                        Length.metres(upstage),
                        Length.ZERO,
                        angle));
    }

    private static Plan rig(int units) {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 4), units, 1);
        return plan.with(truss(1, "20", "0", "6", 0));
    }

    private static Plan hang(Plan plan, int key, String offset) {
        Fixture fixture = plan.fixture(FixtureKey.of(key)).orElseThrow();
        return plan.with(fixture.withOffset(Optional.of(Length.metres(offset))));
    }

    @Test
    void aRigOfWhichNothingIsKnownHasNoPlanAndAllItsPositionsAreLeftOut() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 4), 3, 1);
        assertThat(RigPlan.of(plan, Selection.NONE)).isEmpty();
        assertThat(RigPlan.unplaced(plan)).hasSize(1);
    }

    /** By hand: 20 m over 948 − 2 × 60 pixels are 41.4 a metre; the middle is at 60 + 10 × 41.4. */
    @Test
    void unitsStandToScaleFromTheCentreLine() {
        RigPlan drawn = drawn(hang(hang(rig(2), 1, "-5"), 2, "2.5"));
        assertThat(drawn.centre().x1()).isEqualTo(474);
        assertThat(drawn.scale()).isEqualTo(207);
        List<Unit> units = drawn.lines().get(0).units();
        assertThat(units.get(0).x()).isCloseTo(474 - 5 * 41.4, within(0.01));
        assertThat(units.get(1).x()).isCloseTo(474 + 2.5 * 41.4, within(0.01));
        assertThat(units).allMatch(u -> u.readable() && !u.guessed());
    }

    @Test
    void upstageIsAboveAndATurnedTrussIsDrawnTurned() {
        RigPlan drawn = drawn(rig(1).with(truss(2, "4", "0", "2", 900)));
        Line back = drawn.lines().get(0);
        Line turned = drawn.lines().get(1);
        assertThat(back.y1()).isLessThan(turned.y1());
        assertThat(turned.x1()).isCloseTo(turned.x2(), within(0.01));
        assertThat(turned.y2()).isLessThan(turned.y1());
    }

    /** Two on a truss and one on another that crosses it there: nobody's words run into another's. */
    private static Plan crossing() {
        Plan plan = hang(hang(rig(2), 1, "0"), 2, "5").with(truss(2, "10", "0", "6", 900));
        plan = Rigs.apply(
                plan,
                FixtureEdits.add(
                        "add",
                        List.of(Added.of(
                                        Rigs.type("t", 4),
                                        Rigs.type("t", 4).modes().get(0),
                                        1,
                                        Added.Words.on("Truss 2"))
                                .withIds(Optional.of(FixtureId.of(301))))));
        return hang(plan, 3, "0");
    }

    @Test
    void unitsThatCoverEachOtherBecomeMarksAndTheOthersStayReadable() {
        List<Line> lines = drawn(crossing()).lines();
        assertThat(lines.get(0).units()).extracting(Unit::readable).containsExactly(false, true);
        assertThat(lines.get(1).units()).extracting(Unit::readable).containsExactly(false);
    }

    @Test
    void theChosenOneIsAlwaysReadable() {
        Plan plan = crossing();
        List<Line> lines = RigPlan.of(plan, Selection.of(List.of(FixtureKey.of(3))))
                .orElseThrow()
                .lines();
        assertThat(lines.get(1).units().get(0).readable()).isTrue();
        assertThat(lines.get(0).units().get(0).readable()).isFalse();
        Plan crowd = rig(200);
        String svg = RigSvg.above(
                RigPlan.of(crowd, Selection.of(List.of(FixtureKey.of(77)))).orElseThrow(), 1, "front");
        assertThat(svg).contains("callout\"").containsPattern("callout[^>]*>77<");
    }

    @Test
    void unitsTooSmallForWordsAreNamedAsRuns() {
        String svg = RigSvg.above(drawn(rig(200)), 1, "front");
        assertThat(svg).contains(">1–200</text>");
    }

    @Test
    void anUprightPositionIsDrawnFoldedDownAwayFromTheMiddle() {
        PositionGeometry tower = new PositionGeometry(
                Optional.empty(), Length.metres("-4"), Length.metres("2"), Length.metres("3"), 0, true);
        Plan plan = hang(hang(rig(2).with(truss(2, "20", "0", "6", 0)), 1, "-2"), 2, "2")
                .with(new Position(1, "Boom", PositionKind.TOWER, tower));
        Line boom = drawn(plan).lines().get(0);
        assertThat(boom.name()).isEqualTo("Boom, upright");
        assertThat(boom.x1()).as("its foot is where it stands").isGreaterThan(boom.x2());
        assertThat(boom.units().get(0).x()).isGreaterThan(boom.units().get(1).x());
    }

    @Test
    void whoHasNoOffsetStandsEvenlyAndIsMarked() {
        List<Unit> units = drawn(rig(4)).lines().get(0).units();
        assertThat(units).allMatch(Unit::guessed);
        assertThat(units.get(1).x() - units.get(0).x())
                .isCloseTo(units.get(3).x() - units.get(2).x(), within(0.01));
    }

    @Test
    void closeUnitsAreDrawnSmallerAndWithoutTheirNumbersRatherThanOverEachOther() {
        List<Unit> dense = drawn(rig(80)).lines().get(0).units();
        assertThat(dense).noneMatch(Unit::readable);
        double apart = dense.get(1).x() - dense.get(0).x();
        assertThat(dense.get(0).size()).isLessThan(apart);
        assertThat(drawn(rig(1000)).lines().get(0).units()).allMatch(u -> u.size() == 6);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void everythingStaysInsideTheDrawing(long seed) {
        Plan plan = Rigs.hung(seed);
        RigPlan.of(plan, Selection.NONE)
                .ifPresent(drawn -> drawn.lines().forEach(line -> {
                    assertThat(List.of(line.x1(), line.x2())).allMatch(x -> x > 0 && x < drawn.width());
                    assertThat(List.of(line.y1(), line.y2())).allMatch(y -> y > 0 && y < drawn.height());
                    assertThat(line.units())
                            .allMatch(u -> u.x() > 0 && u.x() < drawn.width() && u.y() < drawn.height());
                }));
    }

    /** By hand: 2.5 m to the right and 6 m upstage, with 33.3 pixels a metre or more; the front's side is turned to. */
    @Test
    void theFrontIsDrawnAtTheSideThatTheJobSays() {
        Plan plan = hang(rig(1), 1, "2.5");
        for (Side side : Side.values()) {
            RigView view = new RigView(LengthUnit.METRES, RigView.Front.ENTRANCE, side);
            RigPlan drawn = drawn(plan.with(plan.sheet().withView(view)));
            Line truss = drawn.lines().get(0);
            Unit unit = truss.units().get(0);
            double middleX = (truss.x1() + truss.x2()) / 2;
            double middleY = (truss.y1() + truss.y2()) / 2;
            double along = 2.5 * drawn.perMetre();
            double right = side == Side.BELOW ? along : side == Side.ABOVE ? -along : 0;
            double down = side == Side.LEFT ? along : side == Side.RIGHT ? -along : 0;
            assertThat(unit.x()).as(side.toString()).isCloseTo(middleX + right, within(0.01));
            assertThat(unit.y()).as(side.toString()).isCloseTo(middleY + down, within(0.01));
            assertThat(drawn.front().x()).isBetween(0.0, (double) drawn.width());
            assertThat(drawn.front().y()).isBetween(0.0, (double) drawn.height());
        }
    }

    @Test
    void feetAreTheScaleWhereTheJobCountsInThem() {
        Plan plan = rig(1);
        RigView view = new RigView(LengthUnit.FEET, RigView.Front.AUDIENCE, Side.BELOW);
        RigPlan drawn = drawn(plan.with(plan.sheet().withView(view)));
        assertThat(drawn.scaleWords()).isEqualTo("5 ft");
        assertThat((double) drawn.scale()).isCloseTo(5 * 0.3048 * drawn.perMetre(), within(0.51));
    }

    @Test
    void addressesAreShownWhereTheyDoNotRunIntoEachOther() {
        String wide = svg(hang(hang(rig(2), 1, "-5"), 2, "2.5"));
        String dense = svg(rig(40));
        assertThat(wide).contains(">none</text>");
        assertThat(dense).doesNotContain(">none</text>").contains("data-address=\"none\"");
    }

    @Test
    void namesOfPositionsNeverBecomeMarkup() {
        Plan plan = rig(1).with(new Position(
                1,
                "<b>\"Rail\" & co",
                PositionKind.TRUSS,
                truss(1, "20", "0", "6", 0).geometry()));
        assertThat(svg(plan)).contains("&lt;b&gt;&quot;Rail&quot; &amp; co").doesNotContain("<b>");
    }

    @Test
    void twoThousandUnitsAreDrawnEachToBeChosenInLessThanAMegabyte() {
        Plan plan = Rigs.add(Rigs.add(Rigs.empty(), Rigs.type("t", 4), 1000, 1), Rigs.type("u", 8), 1000, 2001)
                .with(truss(1, "20", "0", "6", 0));
        String svg = svg(plan);
        assertThat(svg.split("data-k=", -1)).hasSize(2001);
        assertThat(svg.length()).isLessThan(1_000_000);
        assertThat(svg).as("no label where none can be read").doesNotContain("class=\"m sm b\"");
    }

    private static String svg(Plan plan) {
        return RigSvg.above(drawn(plan), 1, "audience");
    }

    private static RigPlan drawn(Plan plan) {
        return RigPlan.of(plan, Selection.NONE).orElseThrow();
    }
}
