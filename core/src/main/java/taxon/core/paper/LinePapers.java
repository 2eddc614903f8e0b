package taxon.core.paper;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.cable.Shelf;
import taxon.core.dmx.UniverseNumber;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;
import taxon.core.lines.CableList;
import taxon.core.lines.LineCable;
import taxon.core.lines.LineCable.Leg;
import taxon.core.paper.Paper.Part;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.LineStop;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.text.Counted;

/** Lines leg by leg, and the cables that are taken along for them. */
final class LinePapers {
    private static final List<Column> COLUMNS = List.of(
            Column.figure("Place"),
            Column.figure("Fixture ID"),
            Column.text("Type"),
            Column.text("Position"),
            Column.figure("Unit"),
            Column.text("Plug"),
            Column.figure("Run"),
            Column.figure("Cables"),
            Column.text("Adapter"),
            Column.figure("From the port"),
            Column.text("Terminator"));
    private static final List<Column> CABLE_COLUMNS =
            List.of(Column.figure("Quantity"), Column.text("What"), Column.figure("Length"));

    private final Plan plan;
    private final FixtureCells cells;
    private final LengthUnit unit;
    private final Shelf shelf;
    private final List<LineCable> lines;
    private final String of;

    LinePapers(Plan plan, PaperChoice choice) {
        this.plan = plan;
        cells = new FixtureCells(plan);
        unit = plan.sheet().view().unit();
        shelf = new Shelf(plan.sheet().network().cable().stock());
        lines = LineCable.all(plan).stream()
                .filter(l -> choice.universe().isEmpty() || l.carried().stream().anyMatch(choice::takes))
                .toList();
        of = choice.universe().map(u -> "universe " + u).orElse("");
    }

    Paper lines() {
        return Paper.of(
                PaperKind.LINES, of, COLUMNS, lines.stream().map(this::part).toList());
    }

    private Part part(LineCable line) {
        List<List<Cell>> rows = new ArrayList<>();
        for (int place = 0; place < line.legs().size(); place++) {
            rows.add(row(line, place));
        }
        String carried = line.carried().stream().map(UniverseNumber::toString).collect(Collectors.joining(", "));
        return new Part(
                "Line " + line.line().name() + ": "
                        + (carried.isEmpty() ? "no universe" : "universe " + carried)
                        + " from " + NetworkText.port(plan, line.line().from()) + ", "
                        + Counted.of(line.line().units().size(), "unit") + ", " + tenths(line.metres())
                        + (line.unreckoned() == 0 ? "" : " and " + line.unreckoned() + " not reckoned"),
                rows);
    }

    private List<Cell> row(LineCable line, int place) {
        Leg leg = line.legs().get(place);
        boolean last = place == line.legs().size() - 1;
        List<Cell> row = new ArrayList<>(List.of(Cell.of(place + 1)));
        row.addAll(who(leg.stop()));
        row.add(Cell.of(leg.from()));
        row.add(leg.run().map(r -> tenthsCell(r.length())).orElse(Cell.of("not reckoned")));
        row.add(Cell.of(leg.needed().map(n -> shelf.words(n, unit)).orElse("")));
        row.add(Cell.of(leg.needsAdapter() ? leg.from() + " to " + leg.to() : ""));
        row.add(line.metresTo(place)
                .map(m -> tenthsCell(new Length(Math.round(m * Length.METRE))))
                .orElse(Cell.EMPTY));
        row.add(Cell.of(last ? line.terminator().orElse("") : ""));
        return row;
    }

    private List<Cell> who(LineStop stop) {
        if (stop instanceof LineStop.Unit unit) {
            Fixture fixture = plan.fixture(unit.fixture()).orElseThrow();
            return List.of(
                    FixtureCells.id(fixture), cells.type(fixture), cells.position(fixture), FixtureCells.unit(fixture));
        }
        Box box = plan.box(((LineStop.Through) stop).box()).orElseThrow();
        return List.of(Cell.EMPTY, Cell.of(box.name() + ", " + box.kind().words()), Cell.EMPTY, Cell.EMPTY);
    }

    /** To a tenth of a metre, as cable is measured. */
    private Cell tenthsCell(Length length) {
        Length tenths = length.inTenths();
        return new Cell.Figure(FixtureCells.metres(tenths), unit.words(tenths));
    }

    private String tenths(double metres) {
        return tenthsCell(new Length(Math.round(metres * Length.METRE))).words();
    }

    Paper cables() {
        List<Part> parts = new ArrayList<>();
        if (!lines.isEmpty()) {
            parts.add(taken("In all", lines));
        }
        Map<Integer, List<LineCable>> byBox = CableList.byBox(lines);
        if (byBox.size() > 1) {
            byBox.forEach((box, own) ->
                    parts.add(taken("For " + plan.box(box).map(Box::name).orElse("box " + box), own)));
        }
        return Paper.of(PaperKind.CABLES, of, CABLE_COLUMNS, parts);
    }

    private Part taken(String title, List<LineCable> some) {
        CableList list = CableList.of(some, shelf);
        List<List<Cell>> rows = new ArrayList<>();
        list.cables()
                .forEach(c -> rows.add(List.of(
                        Cell.of(c.count()), Cell.of("cable " + c.socket()), cells.length(Optional.of(c.length())))));
        list.adapters().forEach(a -> rows.add(row(a.count(), "adapter " + a.from() + " to " + a.to())));
        list.terminators().forEach(t -> rows.add(row(t.count(), "terminator " + t.socket())));
        if (list.unreckoned() > 0) {
            rows.add(row(list.unreckoned(), "legs of unknown length, without a cable in this list"));
        }
        return new Part(title, rows);
    }

    private static List<Cell> row(int count, String what) {
        return List.of(Cell.of(count), Cell.of(what), Cell.EMPTY);
    }
}
