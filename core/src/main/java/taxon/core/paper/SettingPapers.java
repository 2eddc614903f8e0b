package taxon.core.paper;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.paper.Paper.Part;
import taxon.core.paper.PaperChoice.Order;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.setting.Switches;
import taxon.core.setting.UnitMenu;
import taxon.core.setting.UnitSetting;
import taxon.core.setting.UnitSetting.BlockSetting;

/** What is set on each unit by hand, by position in the order of the walk: a row for each block, or a card for each unit. */
final class SettingPapers {
    private static final List<Column> COLUMNS = List.of(
            Column.figure("Unit"),
            Column.figure("Fixture ID"),
            Column.text("Type"),
            Column.text("Mode"),
            Column.figure("Mode no."),
            Column.text("Block"),
            Column.figure("Universe there"),
            Column.start("Address"),
            Column.text("Switches"),
            Column.text("First"),
            Column.text("Menu"),
            Column.text("Parked"),
            Column.text("Showed before"));
    private static final List<Column> CARD_COLUMNS = List.of(
            Column.figure("Fixture ID"),
            Column.text("Name"),
            Column.text("Type"),
            Column.text("Position"),
            Column.figure("Unit"),
            Column.text("Mode"),
            Column.figure("Mode no."),
            Column.text("Starts"),
            Column.text("Switches"),
            Column.text("First"),
            Column.text("Steps"),
            Column.text("Menu"),
            Column.text("Parked"));

    private final Plan plan;
    private final PaperChoice choice;

    SettingPapers(Plan plan, PaperChoice choice) {
        this.plan = plan;
        this.choice = choice;
    }

    Paper sheet() {
        return Paper.of(PaperKind.SETTINGS, choice.words(plan), COLUMNS, parts(this::rows));
    }

    Paper cards() {
        return choice.piece()
                .map(this::one)
                .orElseGet(() ->
                        Paper.of(PaperKind.CARDS, choice.words(plan), CARD_COLUMNS, parts(f -> List.of(card(f)))));
    }

    /** The card of one unit, by the number of its key; without a row where there is no such unit any more. */
    private Paper one(String key) {
        Optional<Fixture> unit = plan.fixtures().stream()
                .filter(f -> f.key().toString().equals(key))
                .findFirst();
        return unit.map(this::cardAlone)
                .orElseGet(() -> Paper.of(
                        PaperKind.CARDS, key + ", which is gone", CARD_COLUMNS, List.of(new Part("", List.of()))));
    }

    /** The card of one unit as the paper that it is. */
    Paper cardAlone(Fixture unit) {
        return Paper.of(PaperKind.CARDS, unit.label(), CARD_COLUMNS, List.of(new Part("", List.of(card(unit)))));
    }

    /** Makes the rows of one unit. */
    private interface Rows {
        List<List<Cell>> of(Fixture fixture);
    }

    private List<Part> parts(Rows rows) {
        Map<Integer, List<List<Cell>>> byPosition = new LinkedHashMap<>();
        choice.of(plan, Order.WALK)
                .forEach(f -> byPosition
                        .computeIfAbsent(f.position(), p -> new ArrayList<>())
                        .addAll(rows.of(f)));
        List<Part> parts = new ArrayList<>();
        byPosition.forEach((position, own) ->
                parts.add(new Part(plan.position(position).orElseThrow().name(), own)));
        return parts;
    }

    private List<List<Cell>> rows(Fixture fixture) {
        UnitSetting setting = UnitSetting.of(plan, fixture);
        if (setting.blocks().isEmpty()) {
            return List.of(row(setting, Cell.EMPTY, Cell.EMPTY, new Cell.Start(Optional.empty()), Cell.EMPTY, ""));
        }
        List<List<Cell>> rows = new ArrayList<>();
        for (BlockSetting block : setting.blocks()) {
            rows.add(row(
                    setting,
                    Cell.of(block.name()),
                    Cell.of(block.universe()),
                    new Cell.Start(block.start()),
                    Cell.of(block.switches().map(Switches::words).orElse("")),
                    block.needs()));
        }
        return rows;
    }

    private static List<Cell> row(
            UnitSetting setting, Cell block, Cell universe, Cell start, Cell switches, String needs) {
        return List.of(
                FixtureCells.unit(setting.fixture()),
                FixtureCells.id(setting.fixture()),
                Cell.of(setting.type()),
                FixtureCells.mode(setting.fixture()),
                Cell.of(setting.number()),
                block,
                universe,
                start,
                switches,
                Cell.of(joined(setting.before(), needs)),
                Cell.of(menu(setting)),
                Cell.of(String.join("; ", setting.parked())),
                Cell.EMPTY);
    }

    private static List<Cell> card(Fixture fixture, UnitSetting setting) {
        return List.of(
                FixtureCells.id(fixture),
                Cell.of(fixture.name()),
                Cell.of(setting.type()),
                Cell.of(setting.position()),
                FixtureCells.unit(fixture),
                FixtureCells.mode(fixture),
                Cell.of(setting.number()),
                Cell.of(setting.blocks().stream().map(SettingPapers::start).collect(Collectors.joining("; "))),
                Cell.of(setting.blocks().stream()
                        .flatMap(b -> b.switches().stream())
                        .map(s -> s.words() + ", " + s.counted())
                        .distinct()
                        .collect(Collectors.joining("; "))),
                Cell.of(joined(
                        setting.before(),
                        setting.blocks().stream()
                                .map(BlockSetting::needs)
                                .filter(n -> !n.isEmpty())
                                .distinct()
                                .collect(Collectors.joining("; ")))),
                Cell.of(String.join(" / ", setting.steps())),
                Cell.of(menu(setting)),
                Cell.of(String.join("; ", setting.parked())));
    }

    private List<Cell> card(Fixture fixture) {
        return card(fixture, UnitSetting.of(plan, fixture));
    }

    private static String start(BlockSetting block) {
        return block.name() + " "
                + block.start()
                        .map(a -> a
                                + (a.universe().toString().equals(block.universe())
                                        ? ""
                                        : " (the unit says " + block.universe() + ")")
                                + (block.way().isEmpty() ? "" : " by " + block.way()))
                        .orElse("none");
    }

    private static String menu(UnitSetting setting) {
        return setting.menu().stream().map(SettingPapers::line).collect(Collectors.joining("; "));
    }

    private static String line(UnitMenu.Line line) {
        return line.name() + " = " + line.value();
    }

    private static String joined(String first, String second) {
        return first.isEmpty() || second.isEmpty() ? first + second : first + "; " + second;
    }
}
