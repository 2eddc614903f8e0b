package taxon.app.paperwork;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.app.frame.Marks;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.grouping.Grouping;
import taxon.core.grouping.Groupings;
import taxon.core.grouping.IdRuns;
import taxon.core.network.Route;
import taxon.core.network.RouteWords;
import taxon.core.proof.Standing;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.RigPart;
import taxon.core.rig.Traits;
import taxon.core.rig.Universe;
import taxon.core.rigtable.FieldText;
import taxon.core.rigtable.FixtureColumn;
import taxon.formats.json.Json;

/** The patch as papers: by fixture and by universe. */
public final class PatchSheets {
    /** The papers that there are, in their order, each with its name in addresses and its title. */
    public enum Paper {
        BY_FIXTURE("Patch by fixture"),
        BY_UNIVERSE("Patch by universe"),
        GROUPS("Groups"),
        TO_KNOW("What to know");

        private final String title;

        Paper(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }

        /** "by-fixture". */
        public String slug() {
            return Json.slug(this);
        }

        /** The paper of that name in an address. */
        public static Optional<Paper> of(String slug) {
            return Arrays.stream(values()).filter(p -> p.slug().equals(slug)).findFirst();
        }
    }

    private static final List<String> FIXTURE_COLUMNS = List.of(
            "Fixture ID", "Type", "Mode", "Position", "Unit", "Block", "Address", "Slots", "Standing", "Name and note");
    private static final List<String> UNIVERSE_COLUMNS =
            List.of("Slots", "Fixture ID", "Block", "Type", "Mode", "Position", "Unit", "Standing", "Name and note");

    private static final List<String> GROUP_COLUMNS =
            List.of("Group", "Name", "Folder", "Because", "Count", "Fixture IDs");
    private static final List<String> TO_KNOW_COLUMNS = List.of(
            "Fixture ID",
            "Type",
            "Position",
            "Unit",
            "Offset",
            "Purpose",
            "Colour",
            "Axes",
            "Mirrors",
            "Hazard",
            "Parked slots",
            "Cells");

    private final Plan plan;
    private final String revision;
    private final String date;

    /**
     * Papers of a plan.
     *
     * @param revision as it shall stand on every page
     * @param date as it shall stand on every page
     */
    public PatchSheets(Plan plan, String revision, String date) {
        this.plan = plan;
        this.revision = revision;
        this.date = date;
    }

    public List<Sheet> all() {
        return Arrays.stream(Paper.values()).map(this::of).toList();
    }

    /** One paper; the others are not made. */
    public Sheet of(Paper paper) {
        return switch (paper) {
            case BY_FIXTURE -> byFixture();
            case BY_UNIVERSE -> byUniverse();
            case GROUPS -> groups();
            case TO_KNOW -> toKnow();
        };
    }

    private Sheet byFixture() {
        List<List<String>> rows = new ArrayList<>();
        for (Fixture fixture : plan.fixtures()) {
            List<PlannedBlock> blocks = plan.blocksOf(fixture);
            blocks.forEach(b -> rows.add(fixtureRow(b)));
            if (blocks.isEmpty()) {
                rows.add(row(fixture, "", "mode missing", "", ""));
            }
        }
        return sheet(Paper.BY_FIXTURE, FIXTURE_COLUMNS, List.of(new Sheet.Group("", rows)));
    }

    private List<String> fixtureRow(PlannedBlock block) {
        return row(
                block.fixture(),
                block.block().name(),
                block.start().map(StartAddress::toString).orElse("none"),
                String.valueOf(block.footprint()),
                Marks.of(Standing.of(block, plan)).word());
    }

    private List<String> row(Fixture fixture, String block, String address, String slots, String standing) {
        return List.of(
                fixture.label(),
                plan.type(fixture).fullName(),
                fixture.mode(),
                plan.position(fixture).name(),
                String.valueOf(fixture.unit()),
                block,
                address,
                slots,
                standing,
                words(fixture));
    }

    private static String words(Fixture fixture) {
        return fixture.name().isBlank() || fixture.note().isBlank()
                ? fixture.name() + fixture.note()
                : fixture.name() + ": " + fixture.note();
    }

    private Sheet byUniverse() {
        Map<UniverseNumber, List<Line>> lines = new TreeMap<>();
        plan.blocks()
                .forEach(b -> b.start()
                        .ifPresent(a -> lines.computeIfAbsent(a.universe(), u -> new ArrayList<>())
                                .add(universeLine(b))));
        plan.reservedRuns()
                .forEach(r -> lines.computeIfAbsent(r.universe(), u -> new ArrayList<>())
                        .add(reservedLine(r)));
        List<Sheet.Group> groups = plan.universes().stream()
                .map(u -> new Sheet.Group(
                        title(u),
                        lines.getOrDefault(u.number(), List.of()).stream()
                                .sorted(Comparator.comparingInt(Line::slot))
                                .map(Line::cells)
                                .toList()))
                .toList();
        return sheet(Paper.BY_UNIVERSE, UNIVERSE_COLUMNS, groups);
    }

    /** Groups that were made, then those that come by themselves. */
    private Sheet groups() {
        List<List<String>> rows = Groupings.all(plan).stream()
                .map(g -> List.of(
                        g.id().map(FixtureId::toString).orElse(""),
                        g.name(),
                        String.join(" / ", g.folders()),
                        g.origin().words(),
                        count(g),
                        Stream.of(IdRuns.words(g.members()), IdRuns.parts(g.parts()))
                                .filter(w -> !w.isEmpty())
                                .collect(Collectors.joining(", "))))
                .toList();
        return sheet(Paper.GROUPS, GROUP_COLUMNS, List.of(new Sheet.Group("", rows)));
    }

    /** "8", or "8 + 4 parts". */
    private static String count(Grouping group) {
        int parts = group.parts().size();
        return group.members().size() + (parts == 0 ? "" : " + " + parts + (parts == 1 ? " part" : " parts"));
    }

    /** What the programmer should know of single fixtures; those of which there is nothing are left out. */
    private Sheet toKnow() {
        List<List<String>> rows = plan.fixtures().stream()
                .filter(f ->
                        !f.traits().equals(Traits.NONE) || !RigPart.of(plan, f).isEmpty())
                .map(this::knownRow)
                .toList();
        return sheet(Paper.TO_KNOW, TO_KNOW_COLUMNS, List.of(new Sheet.Group("", rows)));
    }

    private List<String> knownRow(Fixture fixture) {
        Traits traits = fixture.traits();
        List<RigPart> parts = RigPart.of(plan, fixture);
        return List.of(
                fixture.label(),
                plan.type(fixture).fullName(),
                plan.position(fixture).name(),
                String.valueOf(fixture.unit()),
                FieldText.of(plan, fixture, FixtureColumn.OFFSET),
                traits.purpose(),
                traits.colour(),
                axes(traits),
                FieldText.of(plan, fixture, FixtureColumn.MIRRORS),
                traits.hazard(),
                FieldText.of(plan, fixture, FixtureColumn.PARKED),
                parts(parts));
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

    private record Line(int slot, List<String> cells) {}

    private Line universeLine(PlannedBlock block) {
        var slots = block.slots().orElseThrow();
        Fixture fixture = block.fixture();
        return new Line(
                slots.first(),
                List.of(
                        run(slots.first(), slots.last()),
                        fixture.label(),
                        block.block().name(),
                        block.type().fullName(),
                        fixture.mode(),
                        plan.position(fixture).name(),
                        String.valueOf(fixture.unit()),
                        Marks.of(Standing.of(block, plan)).word(),
                        words(fixture)));
    }

    private static Line reservedLine(ReservedRun run) {
        return new Line(
                run.slots().first(),
                List.of(run(run.slots().first(), run.slots().last()), "reserved", "", "", "", "", "", "", run.label()));
    }

    private static String run(int first, int last) {
        return String.format(Locale.ROOT, "%03d–%03d", first, last);
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

    private Sheet sheet(Paper paper, List<String> columns, List<Sheet.Group> groups) {
        return new Sheet(
                paper.slug(),
                paper.title(),
                plan.sheet().name(),
                plan.sheet().venue(),
                revision,
                date,
                columns,
                groups);
    }
}
