package taxon.core.paper;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.drawing.RigLayout;
import taxon.core.drawing.RigLayout.Placed;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;
import taxon.core.paper.Paper.Part;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.RigView;

/** Everything that a rig plan shows, in words: each position with how it lies, and its units with where they hang on it. */
final class RigPlanPaper {
    private static final List<Column> COLUMNS = List.of(
            Column.figure("Fixture ID"),
            Column.text("Type"),
            Column.figure("Unit"),
            Column.start("Address"),
            Column.figure("Offset"),
            Column.figure("Across"),
            Column.figure("Upstage"),
            Column.figure("Height"));

    private final Plan plan;
    private final PaperChoice choice;
    private final FixtureCells cells;
    private final RigView view;

    RigPlanPaper(Plan plan, PaperChoice choice) {
        this.plan = plan;
        this.choice = choice;
        cells = new FixtureCells(plan);
        view = plan.sheet().view();
    }

    Paper paper() {
        RigLayout layout = Papers.rigLayout(plan, choice);
        List<Part> parts = new ArrayList<>();
        layout.positions()
                .forEach(l -> parts.add(new Part(
                        title(l.position()), l.units().stream().map(this::row).toList())));
        layout.unsaid().stream()
                .map(p -> new Part(
                        p.name() + ", not drawn: nobody said where it lies",
                        plan.fixturesOn(p).stream()
                                .filter(choice::takes)
                                .map(this::notDrawn)
                                .toList()))
                .filter(p -> !p.rows().isEmpty())
                .forEach(parts::add);
        String seen = Stream.of(choice.words(plan), "seen from above, " + view.frontWords())
                .filter(w -> !w.isEmpty())
                .collect(Collectors.joining(", "));
        return Paper.of(PaperKind.RIG_PLAN, seen, COLUMNS, parts.isEmpty() ? List.of(new Part("", List.of())) : parts);
    }

    /** "North quay, 12 m long, 0 m across, 3 m upstage, 6.2 m high, turned by 15°". */
    private String title(Position position) {
        PositionGeometry geometry = position.geometry();
        LengthUnit unit = view.unit();
        return position.name()
                + geometry.length().map(l -> ", " + unit.words(l) + " long").orElse("")
                + ", " + unit.words(geometry.across()) + " across, " + unit.words(geometry.upstage()) + " upstage, "
                + unit.words(geometry.height()) + " high"
                + (geometry.upright() ? ", upright" : "")
                + (geometry.angle() == 0 ? "" : ", turned by " + tenths(geometry.angle()) + "°");
    }

    private static String tenths(int angle) {
        return angle % 10 == 0 ? Integer.toString(angle / 10) : Double.toString(angle / 10.0);
    }

    private List<Cell> row(Placed placed) {
        Fixture fixture = placed.fixture();
        List<Cell> row = begun(fixture);
        Optional<Length> offset = fixture.offset();
        row.add(offset.map(cells::length).orElse(Cell.of("not said")));
        PositionGeometry geometry = plan.position(fixture).geometry();
        row.add(offset.map(o -> metres(geometry.at(o).across())).orElse(Cell.EMPTY));
        row.add(offset.map(o -> metres(geometry.at(o).upstage())).orElse(Cell.EMPTY));
        row.add(offset.map(o -> cells.length(geometry.heightAt(o))).orElse(Cell.EMPTY));
        return row;
    }

    private List<Cell> begun(Fixture fixture) {
        return new ArrayList<>(List.of(
                FixtureCells.id(fixture),
                cells.type(fixture),
                FixtureCells.unit(fixture),
                new Cell.Start(fixture.address(1))));
    }

    private Cell metres(double metres) {
        return cells.length(new Length(Math.round(metres * Length.METRE)));
    }

    private List<Cell> notDrawn(Fixture fixture) {
        List<Cell> row = begun(fixture);
        row.add(cells.length(fixture.offset()));
        row.addAll(List.of(Cell.EMPTY, Cell.EMPTY, Cell.EMPTY));
        return row;
    }
}
