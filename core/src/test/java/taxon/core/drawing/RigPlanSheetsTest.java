package taxon.core.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.drawing.RigLayout.Placed;
import taxon.core.drawing.Shape.Anchor;
import taxon.core.drawing.Shape.Box;
import taxon.core.drawing.Shape.Words;
import taxon.core.label.TextMeasure;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.paper.PaperText;
import taxon.core.paper.Papers;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionGeometry.Point;
import taxon.core.rig.PositionKind;
import taxon.core.rig.RigView;
import taxon.core.testing.Rigs;

class RigPlanSheetsTest {
    private static final TextMeasure MEASURE = (face, text) -> text.length() * 0.55;

    static LongStream seeds() {
        return Rigs.seeds(80);
    }

    private static DrawnOn on(SheetSize sheet, int scale) {
        return new DrawnOn(sheet, Optional.of(new DrawingScale(scale)));
    }

    private static RigPlanSheets draw(Plan plan, DrawnOn on) {
        return RigPlanSheets.of(plan, RigLayout.of(plan), on, MEASURE);
    }

    private static <S extends Shape> List<S> all(Drawing drawing, Class<S> kind) {
        return drawing.inside().stream()
                .filter(kind::isInstance)
                .map(kind::cast)
                .toList();
    }

    private static List<Placed> units(Plan plan) {
        return RigLayout.of(plan).positions().stream()
                .flatMap(l -> l.units().stream())
                .toList();
    }

    /** Whatever the side of the front: what is 1 m apart in life is 1000/n mm apart on paper at 1:n. */
    @ParameterizedTest
    @MethodSource("seeds")
    void unitsAreAsFarApartAsTheScaleSays(long seed) {
        Plan plan = Rigs.hung(seed);
        List<Placed> units = units(plan);
        RigPlanSheets drawn = draw(plan, DrawnOn.USUAL);
        if (drawn.sheets().size() != 1 || units.size() < 2) {
            return;
        }
        List<Box> boxes = all(drawn.sheets().get(0), Box.class);
        assertThat(boxes).hasSameSizeAs(units);
        Random random = new Random(seed);
        for (int i = 0; i < 20; i++) {
            int one = random.nextInt(units.size());
            int other = random.nextInt(units.size());
            Point a = units.get(one).point();
            Point b = units.get(other).point();
            double life = Math.hypot(a.across() - b.across(), a.upstage() - b.upstage());
            double paper = Math.hypot(
                    middleX(boxes.get(one)) - middleX(boxes.get(other)),
                    middleY(boxes.get(one)) - middleY(boxes.get(other)));
            assertThat(paper)
                    .isCloseTo(life * 1000 / drawn.scale().orElseThrow().to(), within(1e-6));
        }
    }

    private static double middleX(Box box) {
        return box.x() + box.width() / 2;
    }

    private static double middleY(Box box) {
        return box.y() + box.height() / 2;
    }

    /** Corners as they lie on the paper, worked out apart from what places the words. */
    private static double[][] corners(Words words) {
        double wide = MEASURE.width(words.face(), words.text()) * words.size();
        double from = words.anchor() == Anchor.START ? 0 : words.anchor() == Anchor.END ? -wide : -wide / 2;
        double cos = Math.cos(Math.toRadians(words.angle()));
        double sin = Math.sin(Math.toRadians(words.angle()));
        double low = -0.02 * words.size();
        double high = 0.62 * words.size();
        double[][] local = {{from, low}, {from + wide, low}, {from + wide, high}, {from, high}};
        double[][] corners = new double[4][];
        for (int i = 0; i < 4; i++) {
            corners[i] = new double[] {
                words.x() + local[i][0] * cos - local[i][1] * sin, words.y() - local[i][0] * sin - local[i][1] * cos
            };
        }
        return corners;
    }

    /** Two rectangles lie apart where a line along one of their sides parts them. */
    private static boolean overlap(double[][] one, double[][] other) {
        for (double[][] of : List.of(one, other)) {
            for (int i = 0; i < 2; i++) {
                double x = of[i + 1][0] - of[i][0];
                double y = of[i + 1][1] - of[i][1];
                if (extreme(one, x, y, true) <= extreme(other, x, y, false)
                        || extreme(other, x, y, true) <= extreme(one, x, y, false)) {
                    return false;
                }
            }
        }
        return true;
    }

    private static double extreme(double[][] corners, double x, double y, boolean largest) {
        double found = largest ? -Double.MAX_VALUE : Double.MAX_VALUE;
        for (double[] corner : corners) {
            double at = corner[0] * x + corner[1] * y;
            found = largest ? Math.max(found, at) : Math.min(found, at);
        }
        return found;
    }

    private static List<Words> labels(Plan plan, Drawing drawing) {
        Set<String> names = units(plan).stream().map(u -> u.fixture().label()).collect(Collectors.toSet());
        return all(drawing, Words.class).stream()
                .filter(w -> names.contains(w.text().split("  ")[0]))
                .toList();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyUnitIsNamedOrCountedAndNoNameLiesOverAnother(long seed) {
        Plan plan = Rigs.hung(seed);
        RigPlanSheets drawn = draw(plan, DrawnOn.USUAL);
        if (drawn.sheets().size() != 1) {
            return;
        }
        List<Words> labels = labels(plan, drawn.sheets().get(0));
        int unnamed = drawn.notes().stream()
                .filter(n -> n.contains("no room for an ID"))
                .mapToInt(n -> Integer.parseInt(n.split(" ")[0]))
                .sum();
        assertThat(labels.size() + unnamed).isEqualTo(units(plan).size());
        for (int i = 0; i < labels.size(); i++) {
            for (int j = 0; j < i; j++) {
                assertThat(overlap(corners(labels.get(i)), corners(labels.get(j))))
                        .as(labels.get(i) + " over " + labels.get(j))
                        .isFalse();
            }
        }
    }

    /** Laid beside each other, sheets show everything: what has a name on one plane has it on some sheet. */
    @ParameterizedTest
    @MethodSource("seeds")
    void onSeveralSheetsNothingIsMissing(long seed) {
        Plan plan = Rigs.hung(seed);
        RigPlanSheets drawn = draw(plan, on(SheetSize.A4, 25));
        Set<Words> words = new HashSet<>();
        int boxes = 0;
        for (Drawing sheet : drawn.sheets()) {
            labels(plan, sheet).stream()
                    .map(w -> new Words(0, 0, w.size(), w.face(), w.text(), w.anchor(), w.angle()))
                    .forEach(words::add);
            boxes += all(sheet, Box.class).size();
            assertThat(sheet.field().x() + sheet.field().width())
                    .isLessThanOrEqualTo(sheet.size().width() - 12 + 1e-9);
        }
        assertThat(boxes).isGreaterThanOrEqualTo(units(plan).size());
        long unnamed = drawn.notes().stream()
                .filter(n -> n.contains("no room for an ID"))
                .mapToInt(n -> Integer.parseInt(n.split(" ")[0]))
                .sum();
        long different =
                units(plan).stream().map(u -> u.fixture().label()).distinct().count();
        assertThat((long) words.stream()
                        .map(w -> w.text().split("  ")[0])
                        .collect(Collectors.toSet())
                        .size())
                .isGreaterThanOrEqualTo(different - unnamed);
    }

    /** The words of the paper are what tells whether it is still true: nothing may be drawn that they do not say. */
    @ParameterizedTest
    @MethodSource("seeds")
    void whereTheWordsAreTheSameTheDrawingIsToo(long seed) {
        Random random = new Random(seed);
        Plan plan = Rigs.hung(seed);
        for (int i = 0; i < 12; i++) {
            Plan next = changed(plan, random);
            if (words(next).equals(words(plan))) {
                assertThat(draw(next, DrawnOn.USUAL)).isEqualTo(draw(plan, DrawnOn.USUAL));
            }
            plan = next;
        }
    }

    private static PaperText words(Plan plan) {
        return PaperText.of(Papers.of(plan, PaperKind.RIG_PLAN, PaperChoice.ALL), "");
    }

    private static Plan changed(Plan plan, Random random) {
        Fixture fixture = plan.fixtures().get(random.nextInt(plan.fixtures().size()));
        Position position = plan.positions().get(random.nextInt(plan.positions().size()));
        return switch (random.nextInt(5)) {
            case 0 -> plan.with(fixture.withWords("name " + random.nextInt(3), fixture.note()));
            case 1 -> plan.with(position.withRank(position.rank() + random.nextInt(2)));
            case 2 ->
                plan.with(position.withGeometry(new PositionGeometry(
                        position.geometry().length(),
                        Length.millimetres(random.nextInt(3) * 500L),
                        position.geometry().upstage(),
                        position.geometry().height(),
                        random.nextInt(3) * 300)));
            case 3 -> plan.with(fixture.withAddresses(java.util.Map.of()));
            default -> plan;
        };
    }

    @Test
    void whatWouldTakeTooManySheetsIsDrawnSmallerAndSaid() {
        Plan plan = wide(400);
        RigPlanSheets drawn = draw(plan, on(SheetSize.A4, 10));
        assertThat(drawn.sheets()).hasSizeLessThanOrEqualTo(RigPlanSheets.MOST_SHEETS);
        assertThat(drawn.notes())
                .anyMatch(n -> n.matches("At 1:10 it would take \\d+ sheets, and 40 are the most: it is drawn at "
                        + drawn.scale().orElseThrow() + "\\."));
        assertThat(draw(plan, on(SheetSize.A3, 10)).scale().orElseThrow().to())
                .isLessThanOrEqualTo(drawn.scale().orElseThrow().to());
    }

    @ParameterizedTest
    @EnumSource(RigView.Side.class)
    void theBarIsAsLongAsItSays(RigView.Side side) {
        for (LengthUnit unit : LengthUnit.values()) {
            Plan plan = wide(12);
            Plan seen = plan.with(plan.sheet().withView(new RigView(unit, RigView.Front.ENTRANCE, side)));
            Drawing sheet = draw(seen, DrawnOn.USUAL).sheets().get(0);
            List<Box> halves = sheet.around().stream()
                    .filter(Box.class::isInstance)
                    .map(Box.class::cast)
                    .filter(b -> b.height() == 1.4)
                    .toList();
            String said =
                    words(sheet).filter(w -> w.contains(" on A4")).findFirst().orElseThrow();
            String[] parts = said.trim().split("\\s+");
            double metres = Integer.parseInt(parts[0]) * unit.one().inMetres();
            assertThat(halves.stream().mapToDouble(Box::width).sum())
                    .isCloseTo(metres * 1000 / Integer.parseInt(parts[2].substring(2)), within(1e-9));
            assertThat(words(sheet)).anyMatch(w -> w.startsWith("Seen from above, entrance "));
        }
    }

    private static Stream<String> words(Drawing sheet) {
        return sheet.around().stream().filter(Words.class::isInstance).map(s -> ((Words) s).text());
    }

    private static Plan wide(int metres) {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("spot", 16), 8, 101);
        Position position = plan.positions().get(0);
        List<taxon.core.rig.Element> hung = new ArrayList<>();
        hung.add(position.described(
                position.name(),
                PositionKind.UNSAID,
                new PositionGeometry(
                        Optional.of(new Length(metres * Length.METRE)),
                        Length.ZERO,
                        Length.metres("1"),
                        Length.ZERO,
                        0)));
        return plan.with(hung);
    }

    /** On a sheet that its rig fills there is no room beyond its ends: its name lies over it and is not cut off. */
    @Test
    void theNameOfAPositionIsNotCutOffAtTheEdge() {
        Plan plan = wide(24);
        String name = plan.positions().get(0).name();
        for (Drawing sheet : draw(plan, on(SheetSize.A4, 100)).sheets()) {
            all(sheet, Words.class).stream().filter(w -> w.text().equals(name)).forEach(w -> {
                for (double[] corner : corners(w)) {
                    assertThat(corner[0])
                            .isBetween(
                                    sheet.field().x(),
                                    sheet.field().x() + sheet.field().width());
                }
            });
        }
    }

    @Test
    void positionsThatNobodyPlacedAreNamed() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("spot", 16), 3, 101);
        RigPlanSheets drawn = draw(plan, DrawnOn.USUAL);
        assertThat(drawn.sheets()).isEmpty();
        assertThat(drawn.notes())
                .anyMatch(n -> n.contains(plan.positions().get(0).name()))
                .anyMatch(n -> n.startsWith("There is nothing to draw"));
    }

    @Test
    void aScaleThatIsNoneIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new DrawingScale(0));
        assertThatIllegalArgumentException().isThrownBy(() -> new DrawingScale(10_001));
    }
}
