package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.library.TypeLibrary;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Channel;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Part;
import taxon.core.modes.ChangeProposal.StylePrice;
import taxon.core.modes.ChangeRequest;
import taxon.core.modes.ChangeRequest.Style;
import taxon.core.modes.ChangeRequest.Switch;
import taxon.core.modes.ModeChange;
import taxon.core.modes.ModeComparison;
import taxon.core.modes.ModeComparison.Column;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Modes side by side, with what each would cost in this job. */
@Controller
class CompareController {
    private static final int MOST_COLUMNS = 8;
    private static final int MOST_RUNS = 12;

    private final Frames frames;
    private final TypeLibrary library;

    CompareController(Frames frames, TypeLibrary library) {
        this.frames = frames;
        this.library = library;
    }

    /**
     * A mode.
     *
     * @param target what the button that changes to it names
     * @param used how many fixtures of the compared type are in it
     * @param cost empty when the job has no fixture of the compared type
     * @param lacks attributes that the mode most used here has and this one lacks, in words
     * @param adds the other way round
     */
    record ColumnView(
            String type,
            String mode,
            String target,
            int slots,
            long used,
            boolean doubted,
            Optional<StylePrice> cost,
            String lacks,
            String adds) {}

    /**
     * An attribute.
     *
     * @param kind "each cell", "each layer" or empty
     * @param runs one for each column: what its values do and not all others' do; empty where all do the same
     */
    record RowView(
            String words, String attribute, String kind, boolean isShared, List<String> cells, List<RunsView> runs) {}

    /** @param more how many are not shown */
    record RunsView(List<String> shown, int more) {}

    @GetMapping("/jobs/{job}/types/{id}/compare")
    Object compare(@PathVariable int job, @PathVariable String id, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        FixtureType type = TypePaths.type(state, library, id);
        Optional<FixtureType> with = Optional.ofNullable(request.getParameter("with"))
                .filter(w -> !w.isBlank())
                .map(w -> TypePaths.type(state, library, w));
        int from = first(request, type);
        List<Column> columns = columns(type, with, from);
        ModeComparison comparison = ModeComparison.of(columns);
        List<ColumnView> views = columns(state, type, comparison);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(comparison, views));
        }
        frames.open(job, Optional.of(Stage.TYPES), request, model);
        model.addAttribute("type", type);
        model.addAttribute("with", with.map(t -> t.id().value()).orElse(""));
        model.addAttribute("others", library.choices(state.plan(), with.map(FixtureType::id)));
        model.addAttribute("columns", views);
        model.addAttribute("basis", mostUsed(columns, state.plan().fixturesOf(type.id())));
        model.addAttribute("rows", rows(comparison));
        model.addAttribute("used", state.plan().fixturesOf(type.id()).size());
        model.addAttribute("from", from);
        model.addAttribute("modes", type.modes().size());
        model.addAttribute("most", MOST_COLUMNS);
        return "types/compare";
    }

    /** The first mode that is shown, for types with more modes than a page is wide. */
    private static int first(HttpServletRequest request, FixtureType type) {
        String text = Objects.requireNonNullElse(request.getParameter("from"), "");
        int wanted = text.matches("\\d{1,3}") ? Integer.parseInt(text) : 1;
        return Math.max(1, Math.min(wanted, type.modes().size()));
    }

    private static List<Column> columns(FixtureType type, Optional<FixtureType> with, int from) {
        List<Column> columns = new ArrayList<>();
        type.modes().stream().skip(from - 1L).limit(MOST_COLUMNS).forEach(m -> columns.add(new Column(type, m)));
        with.filter(w -> !w.id().equals(type.id()))
                .ifPresent(w -> w.modes().stream().limit(MOST_COLUMNS).forEach(m -> columns.add(new Column(w, m))));
        return columns;
    }

    private List<ColumnView> columns(JobState state, FixtureType type, ModeComparison comparison) {
        List<Fixture> fixtures = state.plan().fixturesOf(type.id());
        int most = mostUsed(comparison.columns(), fixtures);
        return IntStream.range(0, comparison.columns().size())
                .mapToObj(i -> column(state, comparison, i, fixtures, most))
                .toList();
    }

    private static int mostUsed(List<Column> columns, List<Fixture> fixtures) {
        return IntStream.range(0, columns.size())
                .boxed()
                .max(java.util.Comparator.comparingLong((Integer i) -> used(columns.get(i), fixtures))
                        .thenComparing(java.util.Comparator.reverseOrder()))
                .orElse(0);
    }

    private static long used(Column column, List<Fixture> fixtures) {
        return fixtures.stream()
                .filter(f -> f.type().equals(column.type().id())
                        && f.mode().equals(column.mode().name()))
                .count();
    }

    private static ColumnView column(
            JobState state, ModeComparison comparison, int at, List<Fixture> fixtures, int most) {
        Column column = comparison.columns().get(at);
        List<Attribute> lacks = new ArrayList<>(comparison.onlyIn(most, at));
        List<Attribute> adds = new ArrayList<>(comparison.onlyIn(at, most));
        return new ColumnView(
                column.type().fullName(),
                column.mode().name(),
                column.type().id() + "/" + column.mode().name(),
                column.mode().footprint(),
                used(column, fixtures),
                state.shop().doubt(column.type().id(), column.mode().name()).isPresent(),
                cost(state, column, fixtures),
                words(lacks, comparison.finerIn(most, at)),
                words(adds, comparison.finerIn(at, most)));
    }

    private static String words(List<Attribute> attributes, List<Attribute> finer) {
        List<String> words = new ArrayList<>();
        attributes.forEach(a -> words.add(AttributeBook.words(a)));
        finer.forEach(a -> words.add("fine " + AttributeBook.words(a)));
        return words.stream().distinct().collect(Collectors.joining(", "));
    }

    private static Optional<StylePrice> cost(JobState state, Column column, List<Fixture> fixtures) {
        if (fixtures.isEmpty()) {
            return Optional.empty();
        }
        Set<FixtureKey> keys = fixtures.stream().map(Fixture::key).collect(Collectors.toSet());
        ChangeRequest change = new ChangeRequest(
                List.of(new Switch(keys, column.type(), column.mode().name())), Style.LEAST_DISTURBANCE);
        StylePrice price = ModeChange.price(state.plan(), change);
        // The price counts the fixtures that change; the page says what all of them take.
        return Optional.of(new StylePrice(
                price.style(),
                price.moved(),
                price.touched(),
                price.overlaps(),
                fixtures.size() * column.mode().footprint(),
                price.universes()));
    }

    private static List<RowView> rows(ModeComparison comparison) {
        return comparison.rows().stream()
                .map(r -> new RowView(
                        AttributeBook.words(r.attribute()),
                        r.attribute().name(),
                        r.kind() == Part.Kind.CELL ? "each cell" : r.kind() == Part.Kind.LAYER ? "each layer" : "",
                        r.isShared(),
                        IntStream.range(0, r.entries().size())
                                .mapToObj(i -> r.entries()
                                        .get(i)
                                        .map(c -> ModeComparison.words(
                                                c, comparison.columns().get(i).mode()))
                                        .orElse(""))
                                .toList(),
                        runs(r.channels())))
                .toList();
    }

    /** What values do is compared among the modes that have the attribute and say what its values do. */
    static List<RunsView> runs(List<Optional<Channel>> channels) {
        List<List<String>> all = channels.stream()
                .map(c -> c.map(ModeSheet::runWords).orElse(List.of()))
                .toList();
        List<Set<String>> described =
                all.stream().filter(r -> !r.isEmpty()).map(Set::copyOf).toList();
        if (described.stream().distinct().count() < 2) {
            return List.of();
        }
        Set<String> common = new HashSet<>(described.get(0));
        described.forEach(common::retainAll);
        return all.stream()
                .map(runs -> runs.stream().filter(r -> !common.contains(r)).toList())
                .map(own -> new RunsView(own.stream().limit(MOST_RUNS).toList(), Math.max(0, own.size() - MOST_RUNS)))
                .toList();
    }

    private static ObjectNode json(ModeComparison comparison, List<ColumnView> views) {
        ObjectNode body = Json.object();
        var columns = body.putArray("columns");
        views.forEach(v -> {
            ObjectNode column = columns.addObject()
                    .put("type", v.type())
                    .put("mode", v.mode())
                    .put("slots", v.slots())
                    .put("used", v.used())
                    .put("lacks", v.lacks())
                    .put("adds", v.adds());
            v.cost().ifPresent(c -> column.set("cost", ChangeJson.price(c)));
        });
        var rows = body.putArray("rows");
        rows(comparison).forEach(r -> {
            ObjectNode row = rows.addObject().put("attribute", r.attribute()).put("part", r.kind());
            var cells = row.putArray("slots");
            r.cells().forEach(cells::add);
        });
        return body;
    }
}
