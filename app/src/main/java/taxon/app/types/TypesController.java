package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.access.People;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.library.TypeLibrary;
import taxon.app.store.FavouriteStore;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.library.ModeSummary;
import taxon.core.library.TypeIndex;
import taxon.core.library.TypeQuery;
import taxon.core.library.TypeSummary;
import taxon.core.rig.Fixture;
import taxon.formats.json.FixtureTypeJson;
import taxon.formats.json.Json;
import taxon.formats.json.TypeSummaryJson;

/** The stage's first page: the types of the job counted against the shelf, and the search through the library. */
@Controller
class TypesController {
    private static final int SHOWN = 60;
    private static final int MOST_OF_A_MAKER = 500;

    private final Frames frames;
    private final TypeLibrary library;
    private final FavouriteStore favourites;

    TypesController(Frames frames, TypeLibrary library, FavouriteStore favourites) {
        this.frames = frames;
        this.library = library;
        this.favourites = favourites;
    }

    /**
     * A type that the job uses.
     *
     * @param modes "24-channel × 8"
     * @param owned how many the shelf holds; empty when it is not on it
     * @param isShort how many are missing, 0 when none
     */
    record UsedLine(
            FixtureType type,
            String modes,
            String reach,
            String hazard,
            long used,
            Optional<Integer> owned,
            long isShort,
            boolean doubted) {}

    /** @param modes those that fit, "24-channel, 34-channel" */
    record HitLine(TypeSummary type, String modes, Optional<Integer> owned, long used) {}

    @GetMapping("/jobs/{job}/types")
    Object types(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        String typed = Objects.requireNonNullElse(request.getParameter("q"), "");
        TypeQuery query = TypeQuery.of(typed);
        String maker = Objects.requireNonNullElse(request.getParameter("maker"), "");
        boolean isShelf =
                query.isEmpty() && maker.isEmpty() && !library.onShelf().isEmpty();
        TypeIndex.Hits hits =
                isShelf ? shelf() : maker.isEmpty() ? library.index().search(query, SHOWN) : of(maker);
        if (Reply.wantsJson(request)) {
            return json(state, hits);
        }
        frames.open(job, Optional.of(Stage.TYPES), request, model);
        model.addAttribute("typed", typed);
        model.addAttribute("used", used(state));
        model.addAttribute("hits", hits.hits().stream().map(h -> hit(state, h)).toList());
        model.addAttribute("total", hits.total());
        model.addAttribute("isShelf", isShelf);
        model.addAttribute("maker", maker);
        model.addAttribute("makers", makers());
        model.addAttribute("favourites", favourites(state, People.of(request)));
        model.addAttribute("who", People.of(request));
        model.addAttribute("known", library.index().size());
        return "types/page";
    }

    /** Those that the job or the library still knows. */
    private List<FixtureType> favourites(JobState state, String who) {
        return favourites.of(who).stream()
                .flatMap(id -> library.knownTo(state.plan()).find(id).stream())
                .sorted(Comparator.comparing(FixtureType::fullName))
                .toList();
    }

    /** A maker, and how many types of theirs are known. */
    record MakerLine(String maker, long types) {}

    private List<MakerLine> makers() {
        Map<String, Long> byMaker = library.index().all().stream()
                .collect(Collectors.groupingBy(TypeSummary::maker, TreeMap::new, Collectors.counting()));
        return byMaker.entrySet().stream()
                .map(e -> new MakerLine(e.getKey(), e.getValue()))
                .toList();
    }

    /** All types of a maker. */
    private TypeIndex.Hits of(String maker) {
        List<TypeIndex.Hit> hits = library.index().all().stream()
                .filter(t -> t.maker().equals(maker))
                .map(t -> new TypeIndex.Hit(t, t.modes()))
                .toList();
        return new TypeIndex.Hits(
                hits.size(), hits.stream().limit(MOST_OF_A_MAKER).toList());
    }

    /** What an empty search shows: what the shop owns. */
    private TypeIndex.Hits shelf() {
        List<TypeSummary> onShelf = library.onShelf();
        return new TypeIndex.Hits(
                onShelf.size(),
                onShelf.stream()
                        .limit(SHOWN)
                        .map(t -> new TypeIndex.Hit(t, t.modes()))
                        .toList());
    }

    private Object json(JobState state, TypeIndex.Hits hits) {
        var body = Json.object().put("job", state.job()).put("version", state.version());
        var used = body.putArray("types");
        state.plan().types().types().forEach(t -> used.add(FixtureTypeJson.write(t)));
        body.put("found", hits.total());
        var found = body.putArray("hits");
        hits.hits().forEach(h -> found.add(TypeSummaryJson.write(h.type())));
        return Reply.json(HttpStatus.OK, body);
    }

    private List<UsedLine> used(JobState state) {
        return state.plan().types().types().stream()
                .map(t -> line(state, t, state.plan().fixturesOf(t.id())))
                .toList();
    }

    private static UsedLine line(JobState state, FixtureType type, List<Fixture> fixtures) {
        Map<String, Long> byMode =
                fixtures.stream().collect(Collectors.groupingBy(Fixture::mode, Collectors.counting()));
        String modes = byMode.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(e -> (e.getKey().isBlank() ? "no mode" : e.getKey()) + " × " + e.getValue())
                .collect(Collectors.joining(", "));
        Optional<Integer> owned = state.shop().owned(type.id());
        return new UsedLine(
                type,
                modes,
                FactsText.words(type.facts().reach()),
                FactsText.words(type.hazard()),
                fixtures.size(),
                owned,
                owned.map(o -> Math.max(0L, fixtures.size() - o)).orElse(0L),
                byMode.keySet().stream()
                        .anyMatch(m -> state.shop().doubt(type.id(), m).isPresent()));
    }

    private static HitLine hit(JobState state, TypeIndex.Hit hit) {
        String modes = hit.fitting().stream().limit(6).map(ModeSummary::name).collect(Collectors.joining(", "));
        TypeId id = hit.type().id();
        return new HitLine(
                hit.type(),
                hit.fitting().size() > 6 ? modes + " and " + (hit.fitting().size() - 6) + " more" : modes,
                state.shop().owned(id),
                state.plan().fixturesOf(id).size());
    }
}
