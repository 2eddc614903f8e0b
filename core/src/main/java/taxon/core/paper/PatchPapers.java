package taxon.core.paper;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import taxon.core.paper.Paper.Listing;
import taxon.core.paper.Paper.Part;
import taxon.core.paper.PaperChoice.Order;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/** The patch by fixture, position and type: a row for each block; for a spreadsheet a row for each fixture. */
final class PatchPapers {
    private static final List<Column> COLUMNS = List.of(
            Column.figure("Fixture ID"),
            Column.text("Type"),
            Column.text("Mode"),
            Column.text("Position"),
            Column.figure("Unit"),
            Column.text("Block"),
            Column.start("Address"),
            Column.figure("Slots"),
            Column.text("Standing"),
            Column.text("Name"),
            Column.text("Note"));

    private final Plan plan;
    private final PaperChoice choice;
    private final FixtureCells cells;

    PatchPapers(Plan plan, PaperChoice choice) {
        this.plan = plan;
        this.choice = choice;
        cells = new FixtureCells(plan);
    }

    Paper byFixture() {
        List<Fixture> fixtures = choice.of(plan, Order.ID);
        return paper(PaperKind.BY_FIXTURE, fixtures, f -> "");
    }

    Paper byPosition() {
        return paper(
                PaperKind.BY_POSITION,
                choice.of(plan, Order.WALK),
                f -> plan.position(f).name());
    }

    Paper byType() {
        return paper(
                PaperKind.BY_TYPE, choice.of(plan, Order.ID), f -> plan.type(f).fullName() + ", " + f.mode());
    }

    private Paper paper(PaperKind kind, List<Fixture> fixtures, Function<Fixture, String> title) {
        Map<String, List<Fixture>> parts = new LinkedHashMap<>();
        fixtures.forEach(f ->
                parts.computeIfAbsent(title.apply(f), t -> new ArrayList<>()).add(f));
        List<Part> rows = new ArrayList<>();
        parts.forEach((name, own) ->
                rows.add(new Part(name, own.stream().flatMap(this::rows).toList())));
        List<Fixture> inOrder = parts.values().stream().flatMap(List::stream).toList();
        return new Paper(kind, choice.words(plan), COLUMNS, rows, listing(inOrder));
    }

    private Stream<List<Cell>> rows(Fixture fixture) {
        List<PlannedBlock> blocks = plan.blocksOf(fixture);
        return blocks.isEmpty()
                ? Stream.of(row(fixture, "", new Cell.Start(Optional.empty()), Cell.EMPTY, Cell.of("mode missing")))
                : blocks.stream()
                        .map(b -> row(
                                fixture,
                                b.block().name(),
                                new Cell.Start(b.start()),
                                Cell.of(b.footprint()),
                                cells.standing(b)));
    }

    private List<Cell> row(Fixture fixture, String block, Cell start, Cell slots, Cell standing) {
        return List.of(
                FixtureCells.id(fixture),
                cells.type(fixture),
                FixtureCells.mode(fixture),
                cells.position(fixture),
                FixtureCells.unit(fixture),
                Cell.of(block),
                start,
                slots,
                standing,
                Cell.of(fixture.name()),
                Cell.of(fixture.note()));
    }

    /** The first block as lists have it; each further one by the name of its block, since it has an address of its own. */
    private Listing listing(List<Fixture> fixtures) {
        int blocks =
                fixtures.stream().mapToInt(f -> plan.blocksOf(f).size()).max().orElse(1);
        List<String> header =
                new ArrayList<>(List.of("Fixture ID", "Type", "Mode", "Position", "Unit", "Universe", "Slot", "Slots"));
        for (int block = 2; block <= blocks; block++) {
            header.addAll(List.of("Block " + block, "Block " + block + " universe", "Block " + block + " slot"));
        }
        header.addAll(List.of("Standing", "Name", "Note"));
        return new Listing(header, fixtures.stream().map(f -> listed(f, blocks)).toList());
    }

    private List<Cell> listed(Fixture fixture, int most) {
        List<PlannedBlock> blocks = plan.blocksOf(fixture);
        // Who has no ID is listed without one: what stands for it on paper is none.
        List<Cell> row = new ArrayList<>(List.of(
                fixture.id().isPresent() ? FixtureCells.id(fixture) : Cell.EMPTY,
                cells.type(fixture),
                FixtureCells.mode(fixture),
                cells.position(fixture),
                FixtureCells.unit(fixture)));
        row.addAll(start(blocks, 1));
        row.add(
                blocks.isEmpty()
                        ? Cell.EMPTY
                        : Cell.of(blocks.stream()
                                .mapToInt(PlannedBlock::footprint)
                                .sum()));
        for (int block = 2; block <= most; block++) {
            row.add(
                    block <= blocks.size()
                            ? Cell.of(blocks.get(block - 1).block().name())
                            : Cell.EMPTY);
            row.addAll(start(blocks, block));
        }
        row.add(blocks.isEmpty() ? Cell.of("mode missing") : cells.standing(fixture));
        row.add(Cell.of(fixture.name()));
        row.add(Cell.of(fixture.note()));
        return row;
    }

    private static List<Cell> start(List<PlannedBlock> blocks, int block) {
        return Listings.start(
                new Cell.Start(block <= blocks.size() ? blocks.get(block - 1).start() : Optional.empty()));
    }
}
