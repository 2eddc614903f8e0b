package taxon.core.paper;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Block.SlotUse;
import taxon.core.fixture.ChannelName;
import taxon.core.network.Route;
import taxon.core.network.RouteWords;
import taxon.core.paper.Paper.Part;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Universe;

/** Papers of universes: what lies in each, and what each of its slots does. */
final class UniversePapers {
    private static final List<Column> COLUMNS = List.of(
            Column.run("Slots"),
            Column.figure("Fixture ID"),
            Column.text("Block"),
            Column.text("Type"),
            Column.text("Mode"),
            Column.text("Position"),
            Column.figure("Unit"),
            Column.text("Standing"),
            Column.text("Name"),
            Column.text("Note"));
    private static final List<Column> SLOT_COLUMNS = List.of(
            Column.start("Address"),
            Column.figure("Fixture ID"),
            Column.text("Block"),
            Column.figure("Channel"),
            Column.text("Does"),
            Column.text("Byte"),
            Column.figure("At rest"),
            Column.text("Parked"));

    private final Plan plan;
    private final PaperChoice choice;
    private final FixtureCells cells;

    private record Lying(int slot, List<Cell> row) {}

    UniversePapers(Plan plan, PaperChoice choice) {
        this.plan = plan;
        this.choice = choice;
        cells = new FixtureCells(plan);
    }

    Paper byUniverse() {
        Map<UniverseNumber, List<Lying>> lying = new TreeMap<>();
        blocks().forEach(b -> add(lying, b.start().orElseThrow().universe(), block(b)));
        if (choice.chosen().isEmpty() && choice.position().isEmpty()) {
            plan.reservedRuns().stream()
                    .filter(r -> choice.takes(r.universe()))
                    .forEach(r -> add(lying, r.universe(), reserved(r)));
        }
        return Paper.of(PaperKind.BY_UNIVERSE, choice.words(plan), COLUMNS, parts(lying));
    }

    Paper slots() {
        Map<UniverseNumber, List<Lying>> lying = new TreeMap<>();
        blocks().forEach(b ->
                slots(b).forEach(l -> add(lying, b.start().orElseThrow().universe(), l)));
        return Paper.of(PaperKind.SLOTS, choice.words(plan), SLOT_COLUMNS, parts(lying));
    }

    private static void add(Map<UniverseNumber, List<Lying>> lying, UniverseNumber universe, Lying one) {
        lying.computeIfAbsent(universe, u -> new ArrayList<>()).add(one);
    }

    /** Blocks with an address that stand on the paper. */
    private Stream<PlannedBlock> blocks() {
        return plan.blocks().stream()
                .filter(b -> choice.takes(b.fixture()))
                .filter(b -> b.start().filter(a -> choice.takes(a.universe())).isPresent());
    }

    /** A universe without anything in it stands there too, where all are asked for: it may be one that is routed already. */
    private List<Part> parts(Map<UniverseNumber, List<Lying>> lying) {
        return plan.universes().stream()
                .filter(u -> lying.containsKey(u.number()) || choice.isAll())
                .map(u -> new Part(
                        title(u),
                        lying.getOrDefault(u.number(), List.of()).stream()
                                .sorted(Comparator.comparingInt(Lying::slot))
                                .map(Lying::row)
                                .toList()))
                .toList();
    }

    private Lying block(PlannedBlock block) {
        SlotRange slots = block.slots().orElseThrow();
        return new Lying(
                slots.first(),
                List.of(
                        new Cell.Run(block.start().orElseThrow().universe(), slots),
                        FixtureCells.id(block.fixture()),
                        Cell.of(block.block().name()),
                        cells.type(block.fixture()),
                        FixtureCells.mode(block.fixture()),
                        cells.position(block.fixture()),
                        FixtureCells.unit(block.fixture()),
                        cells.standing(block),
                        Cell.of(block.fixture().name()),
                        Cell.of(block.fixture().note())));
    }

    private static Lying reserved(ReservedRun run) {
        List<Cell> row = new ArrayList<>(List.of(new Cell.Run(run.universe(), run.slots()), Cell.of("reserved")));
        while (row.size() < COLUMNS.size() - 1) {
            row.add(Cell.EMPTY);
        }
        row.add(Cell.of(run.label()));
        return new Lying(run.slots().first(), row);
    }

    /** Every slot inside the universe; what would lie past its end is not there. */
    private List<Lying> slots(PlannedBlock block) {
        SlotRange room = block.slots().orElseThrow();
        int universe = block.start().orElseThrow().universe().number();
        return block.block().slotUses().stream()
                .filter(use -> room.first() + use.offset() - 1 <= room.last())
                .map(use -> {
                    int slot = room.first() + use.offset() - 1;
                    Cell start = new Cell.Start(Optional.of(StartAddress.of(universe, slot)));
                    return new Lying(slot, slot(block, use, start));
                })
                .toList();
    }

    private static List<Cell> slot(PlannedBlock block, SlotUse use, Cell start) {
        return List.of(
                start,
                FixtureCells.id(block.fixture()),
                Cell.of(block.block().name()),
                Cell.of(use.offset()),
                Cell.of(ChannelName.of(use.channel())),
                Cell.of(use.resolution()),
                Cell.of(use.restByte()),
                Cell.of(parked(block, use.offset())));
    }

    private static String parked(PlannedBlock block, int offset) {
        return block.fixture().traits().parked().stream()
                .filter(p -> p.block() == block.ref().block() && p.offset() == offset)
                .map(p -> "at " + p.value() + ": " + p.why())
                .collect(Collectors.joining(", "));
    }

    private String title(Universe universe) {
        String label = universe.label().isBlank() ? "" : ", " + universe.label();
        return "Universe " + universe.number() + label + ", "
                + (universe.isRouted()
                        ? universe.routes().stream().map(this::way).collect(Collectors.joining("; "))
                        : "routed nowhere");
    }

    private String way(Route route) {
        return RouteWords.carried(route) + " to " + NetworkText.port(plan, route.port());
    }
}
