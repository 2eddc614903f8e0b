package taxon.core.paper;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import taxon.core.cable.Shelf;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.FixtureType;
import taxon.core.grouping.IdRuns;
import taxon.core.label.Label;
import taxon.core.label.Label.Field;
import taxon.core.length.LengthUnit;
import taxon.core.lines.LineCable;
import taxon.core.lines.LineCable.Leg;
import taxon.core.paper.Paper.Part;
import taxon.core.paper.PaperChoice.Order;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.text.Counted;

/** What stands on the labels of a job: of units, of both ends of cables, of boxes with their ports, and of cases. */
public final class Labels {
    private static final String ADDRESS = "Address";

    private final Plan plan;
    private final PaperChoice choice;

    private Labels(Plan plan, PaperChoice choice) {
        this.plan = plan;
        this.choice = choice;
    }

    /**
     * The labels of one kind, in the order in which they are used.
     *
     * @throws IllegalArgumentException when that paper has no labels
     */
    public static List<Label> of(Plan plan, PaperKind kind, PaperChoice choice) {
        Labels labels = new Labels(plan, choice);
        return switch (kind) {
            case UNIT_LABELS -> labels.units();
            case CABLE_LABELS -> labels.cables();
            case BOX_LABELS -> labels.boxes();
            case CASE_LABELS -> labels.cases();
            default -> throw new IllegalArgumentException(kind + " has no labels");
        };
    }

    private List<Label> units() {
        Map<FixtureKey, String> onLine = new TreeMap<>();
        for (Line line : plan.lines()) {
            List<FixtureKey> units = line.units();
            IntStream.range(0, units.size())
                    .forEach(i -> onLine.putIfAbsent(
                            units.get(i),
                            "line " + line.name() + ", " + Counted.ordinal(i + 1) + " of " + units.size()));
        }
        return choice.of(plan, Order.WALK).stream()
                .map(f -> unit(f, onLine.getOrDefault(f.key(), "")))
                .toList();
    }

    private Label unit(Fixture fixture, String line) {
        FixtureType type = plan.type(fixture);
        return new Label(
                fixture.key().toString(),
                fixture.label(),
                List.of(
                        Field.of(
                                ADDRESS,
                                plan.blocksOf(fixture).stream().findFirst().flatMap(PlannedBlock::start)),
                        new Field("Further blocks", further(plan.blocksOf(fixture))),
                        new Field("Type", type.shortName() + (fixture.mode().isEmpty() ? "" : ", " + fixture.mode())),
                        new Field("Position", plan.position(fixture).name() + ", unit " + fixture.unit()),
                        new Field("Line", line),
                        new Field("Name", fixture.name())),
                Optional.of(type.id()),
                false);
    }

    private static String further(List<PlannedBlock> blocks) {
        return blocks.stream()
                .skip(1)
                .map(b -> b.block().name() + " "
                        + b.start().map(a -> a.toString()).orElse("none"))
                .collect(Collectors.joining(", "));
    }

    private List<Label> cables() {
        return LineCable.all(plan).stream()
                .filter(l -> choice.universe().isEmpty() || l.carried().stream().anyMatch(choice::takes))
                .flatMap(this::cables)
                .toList();
    }

    private Stream<Label> cables(LineCable line) {
        String carried = line.carried().stream().map(UniverseNumber::toString).collect(Collectors.joining(", "));
        LengthUnit unit = plan.sheet().view().unit();
        Shelf shelf = new Shelf(plan.sheet().network().cable().stock());
        List<Label> labels = new ArrayList<>();
        String before = NetworkText.port(plan, line.line().from());
        for (int i = 0; i < line.legs().size(); i++) {
            Leg leg = line.legs().get(i);
            String there = at(leg.stop());
            String length = leg.needed().map(n -> shelf.words(n, unit)).orElse("");
            String head = line.line().name() + " " + (i + 1);
            String key = line.line().number() + "." + (i + 1);
            String universe = carried.isEmpty() ? "" : "universe " + carried;
            labels.add(cable(key + ".a", head, before, there, universe, length, leg));
            labels.add(cable(key + ".b", head, there, before, universe, length, leg));
            before = there;
        }
        return labels.stream();
    }

    private static Label cable(
            String key, String head, String here, String other, String universe, String length, Leg leg) {
        return new Label(
                key,
                head,
                List.of(
                        new Field("This end", "at " + here),
                        new Field("Other end", "to " + other),
                        new Field("Universe", universe),
                        new Field("Length", length),
                        new Field("Adapter", leg.needsAdapter() ? leg.from() + " to " + leg.to() : "")),
                Optional.empty(),
                true);
    }

    private String at(LineStop stop) {
        return stop instanceof LineStop.Unit unit
                ? plan.fixture(unit.fixture()).map(Fixture::label).orElse("a unit that is gone")
                : plan.box(((LineStop.Through) stop).box()).map(Box::name).orElse("a box that is gone");
    }

    /** Each box, then its ports, as the papers of boxes have them. */
    private List<Label> boxes() {
        BoxPapers papers = new BoxPapers(plan);
        return plan.boxes().stream()
                .flatMap(b -> Stream.concat(
                        Stream.of(box(b)),
                        IntStream.rangeClosed(1, b.ports().size()).mapToObj(n -> port(b, n, papers))))
                .toList();
    }

    private Label box(Box box) {
        String place = box.place()
                .position()
                .flatMap(plan::position)
                .map(p -> p.name())
                .orElse("");
        String rack = box.place().rack();
        return new Label(
                Integer.toString(box.number()),
                box.name(),
                List.of(
                        new Field(
                                "IP address",
                                box.card().map(c -> c.ip().toString()).orElse("")),
                        new Field("Kind", box.kind().words()),
                        new Field("Place", place + (place.isEmpty() || rack.isEmpty() ? "" : ", ") + rack),
                        new Field("Ports", Counted.of(box.ports().size(), "port"))),
                Optional.empty(),
                false);
    }

    private static Label port(Box box, int number, BoxPapers papers) {
        return new Label(
                box.number() + "." + number,
                Integer.toString(number),
                List.of(
                        new Field("Box", box.name() + " port " + number),
                        new Field("Universe", papers.carried(box, number)),
                        new Field("To type on the box", papers.typed(box, number)),
                        new Field(
                                "Port",
                                box.ports().get(number - 1).direction().words() + ", "
                                        + box.ports().get(number - 1).socket().words())),
                Optional.empty(),
                false);
    }

    /** Units of one type travel together, in the order of their IDs; where nobody said how many fit, all in one. */
    private List<Label> cases() {
        Map<String, List<Fixture>> byType = choice.of(plan, Order.ID).stream()
                .collect(Collectors.groupingBy(f -> f.type().value(), TreeMap::new, Collectors.toList()));
        return byType.values().stream().flatMap(this::cases).toList();
    }

    private Stream<Label> cases(List<Fixture> units) {
        FixtureType type = plan.type(units.get(0));
        int per = type.facts().guide().perCase().orElse(units.size());
        int count = (units.size() + per - 1) / per;
        return IntStream.rangeClosed(1, count)
                .mapToObj(n -> box(type, n, count, units.subList((n - 1) * per, Math.min(units.size(), n * per))));
    }

    private Label box(FixtureType type, int number, int of, List<Fixture> units) {
        return new Label(
                type.id() + "." + number,
                type.shortName(),
                List.of(
                        new Field("Units", Counted.of(units.size(), "unit") + ": " + IdRuns.words(units)),
                        new Field("Case", "case " + number + " of " + of),
                        new Field(
                                "Position",
                                units.stream()
                                        .map(f -> plan.position(f).name())
                                        .distinct()
                                        .collect(Collectors.joining(", "))),
                        new Field("Job", plan.sheet().name())),
                Optional.of(type.id()),
                false);
    }

    /** A list of the labels: a row for each, a column for each field. */
    static Paper paper(Plan plan, PaperKind kind, PaperChoice choice) {
        List<Label> labels = of(plan, kind, choice);
        return choice.piece()
                .map(key -> labels.stream()
                        .filter(l -> l.key().equals(key))
                        .findFirst()
                        .map(l -> paper(kind, l))
                        .orElseGet(() -> paper(kind, key + ", which is gone", List.of())))
                .orElseGet(() -> paper(kind, choice.words(plan), labels));
    }

    /** One label as the paper that it is. */
    static Paper paper(PaperKind kind, Label label) {
        return paper(kind, label.head(), List.of(label));
    }

    private static Paper paper(PaperKind kind, String of, List<Label> labels) {
        return Paper.of(
                kind,
                of,
                columns(kind),
                List.of(new Part("", labels.stream().map(Labels::row).toList())));
    }

    private static List<Cell> row(Label label) {
        return Stream.concat(
                        Stream.of(Cell.of(label.head())),
                        label.fields().stream().map(Labels::cell))
                .toList();
    }

    private static Cell cell(Field field) {
        return field.what().equals(ADDRESS) ? new Cell.Start(field.start()) : Cell.of(field.text());
    }

    private static List<Column> columns(PaperKind kind) {
        List<String> names = switch (kind) {
            case UNIT_LABELS -> List.of("Fixture ID", ADDRESS, "Further blocks", "Type", "Position", "Line", "Name");
            case CABLE_LABELS -> List.of("Cable", "This end", "Other end", "Universe", "Length", "Adapter");
            case BOX_LABELS -> List.of("Label", "Address or box", "Kind or universe", "Place or number", "Port");
            default -> List.of("Type", "Units", "Case", "Position", "Job");
        };
        return names.stream()
                .map(n -> n.equals(ADDRESS) ? Column.start(n) : Column.text(n))
                .toList();
    }
}
