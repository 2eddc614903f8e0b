package taxon.core.paper;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.paper.Paper.Part;
import taxon.core.paper.PaperChoice.Order;
import taxon.core.proof.TouchAgain;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.RigPart;
import taxon.core.rig.Traits;
import taxon.core.rigtable.FieldText;
import taxon.core.rigtable.FixtureColumn;

/** What is to be known of single fixtures, and which of them must be touched again. */
final class KnownPapers {
    private static final List<Column> COLUMNS = List.of(
            Column.figure("Fixture ID"),
            Column.text("Type"),
            Column.text("Position"),
            Column.figure("Unit"),
            Column.figure("Offset"),
            Column.text("Purpose"),
            Column.text("Colour"),
            Column.text("Axes"),
            Column.text("Mirrors"),
            Column.text("Hazard"),
            Column.text("Parked slots"),
            Column.text("Cells"));
    private static final List<Column> AGAIN_COLUMNS = List.of(
            Column.figure("Unit"),
            Column.figure("Fixture ID"),
            Column.text("Type"),
            Column.text("Block"),
            Column.start("Last address"),
            Column.start("Address"),
            Column.text("Last mode"),
            Column.text("Mode"));

    private final Plan plan;
    private final PaperChoice choice;
    private final FixtureCells cells;

    KnownPapers(Plan plan, PaperChoice choice) {
        this.plan = plan;
        this.choice = choice;
        cells = new FixtureCells(plan);
    }

    /** Fixtures of which there is nothing to know are left out. */
    Paper toKnow() {
        List<List<Cell>> rows = choice.of(plan, Order.ID).stream()
                .filter(f -> !f.traits().equals(Traits.NONE)
                        || plan.type(f).facts().hazard() != Hazard.NONE
                        || !RigPart.of(plan, f).isEmpty())
                .map(this::known)
                .toList();
        return Paper.of(PaperKind.TO_KNOW, choice.words(plan), COLUMNS, List.of(new Part("", rows)));
    }

    private List<Cell> known(Fixture fixture) {
        Traits traits = fixture.traits();
        return List.of(
                FixtureCells.id(fixture),
                cells.type(fixture),
                cells.position(fixture),
                FixtureCells.unit(fixture),
                cells.length(fixture.offset()),
                Cell.of(traits.purpose()),
                Cell.of(traits.colour()),
                Cell.of(axes(traits)),
                field(fixture, FixtureColumn.MIRRORS),
                Cell.of(hazard(fixture)),
                field(fixture, FixtureColumn.PARKED),
                Cell.of(parts(RigPart.of(plan, fixture))));
    }

    private Cell field(Fixture fixture, FixtureColumn column) {
        return Cell.of(FieldText.of(plan, fixture, column));
    }

    /** What is said of it, or what its type does by itself. */
    private String hazard(Fixture fixture) {
        String said = fixture.traits().hazard();
        return said.isEmpty() ? plan.type(fixture).facts().hazard().words() : said;
    }

    /** "cell 1 to 8", and those that have names. */
    private static String parts(List<RigPart> parts) {
        if (parts.isEmpty()) {
            return "";
        }
        Stream<String> range = Stream.of(parts.get(0).part() + " to "
                + parts.get(parts.size() - 1).part().number());
        Stream<String> named = parts.stream()
                .filter(p -> !p.name().isEmpty())
                .map(p -> p.part().number() + " " + p.name());
        return Stream.concat(range, named).collect(Collectors.joining(", "));
    }

    private static String axes(Traits traits) {
        return Stream.of(
                        traits.panReversed() ? "pan reversed" : "",
                        traits.tiltReversed() ? "tilt reversed" : "",
                        traits.axesSwapped() ? "swapped" : "")
                .filter(w -> !w.isEmpty())
                .collect(Collectors.joining(", "));
    }

    /** By position, in the order of the walk. */
    Paper touchAgain() {
        List<Part> parts = TouchAgain.of(plan).stream()
                .map(stop -> new Part(
                        stop.position().name(),
                        stop.units().stream()
                                .filter(u -> choice.takes(u.fixture()))
                                .flatMap(this::rows)
                                .toList()))
                .filter(part -> !part.rows().isEmpty())
                .toList();
        return Paper.of(PaperKind.TOUCH_AGAIN, choice.words(plan), AGAIN_COLUMNS, parts);
    }

    private Stream<List<Cell>> rows(TouchAgain.Unit unit) {
        return unit.blocks().stream()
                .map(d -> List.of(
                        FixtureCells.unit(unit.fixture()),
                        FixtureCells.id(unit.fixture()),
                        cells.type(unit.fixture()),
                        Cell.of(d.block().block().name()),
                        new Cell.Start(Optional.of(d.last().address())),
                        new Cell.Start(d.block().start()),
                        Cell.of(d.last().mode()),
                        FixtureCells.mode(unit.fixture())));
    }
}
