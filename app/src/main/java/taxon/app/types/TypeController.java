package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.library.TypeLibrary;
import taxon.app.library.TypeLibrary.Entry;
import taxon.app.store.FavouriteStore;
import taxon.app.store.HandoverStore;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.library.Doubt;
import taxon.core.library.ModeRef;
import taxon.core.library.Shop;
import taxon.core.text.Texts;
import taxon.formats.json.FixtureTypeJson;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** One type: what is known of it, its modes, the sheet of one of them, and what the shop says of it. */
@Controller
class TypeController {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.UK);

    private final Frames frames;
    private final TypeLibrary library;
    private final FavouriteStore favourites;
    private final HandoverStore said;

    TypeController(Frames frames, TypeLibrary library, FavouriteStore favourites, HandoverStore said) {
        this.frames = frames;
        this.library = library;
        this.favourites = favourites;
        this.said = said;
    }

    /**
     * A mode in the list.
     *
     * @param number counted from 1, its place in the address of its page
     */
    record ModeLine(int number, Mode mode, long used, Optional<Doubt> doubt, boolean isShown) {}

    /**
     * Where a type comes from and how it stands.
     *
     * @param differs true when the job's copy is not what the library has now
     */
    record Standing(
            String source,
            Optional<Entry> entry,
            Optional<Integer> owned,
            long used,
            boolean differs,
            boolean canBeChanged,
            boolean isPutAway) {}

    @GetMapping("/jobs/{job}/types/{id}")
    Object type(@PathVariable int job, @PathVariable String id, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        FixtureType type = TypePaths.type(state, library, id);
        if (Reply.wantsJson(request)) {
            return json(state, type);
        }
        int first = IntStream.range(0, type.modes().size())
                .filter(i -> used(state, type, type.modes().get(i)) > 0)
                .findFirst()
                .orElse(0);
        return page(job, type, first + 1, request, model);
    }

    @GetMapping("/jobs/{job}/types/{id}/modes/{number}")
    Object mode(
            @PathVariable int job,
            @PathVariable String id,
            @PathVariable int number,
            HttpServletRequest request,
            Model model) {
        FixtureType type = TypePaths.type(frames.state(job), library, id);
        if (number < 1 || number > type.modes().size()) {
            throw new NotThereException("mode " + number + " of " + type.fullName());
        }
        return page(job, type, number, request, model);
    }

    private String page(int job, FixtureType type, int number, HttpServletRequest request, Model model) {
        JobState state = frames.open(job, Optional.of(Stage.TYPES), request, model);
        Mode mode = type.modes().get(number - 1);
        model.addAttribute("type", type);
        model.addAttribute("standing", standing(state, type));
        model.addAttribute("modes", modes(state, type, number));
        model.addAttribute("number", number);
        model.addAttribute("isFavourite", favourites.of(People.of(request)).contains(type.id()));
        model.addAttribute("facts", FactsText.lines(type.facts()));
        model.addAttribute("software", FactsText.software(type.facts().remote()));
        model.addAttribute("remembered", said.values(type.id()));
        model.addAttribute("sheet", ModeSheet.of(mode));
        Optional<Doubt> doubt = state.shop().doubt(type.id(), mode.name());
        model.addAttribute("doubt", doubt);
        model.addAttribute(
                "doubtedOn",
                doubt.map(d -> DAY.format(d.at().atOffset(ZoneOffset.UTC))).orElse(""));
        return "types/type";
    }

    private Standing standing(JobState state, FixtureType type) {
        Optional<Entry> entry = library.entry(type.id());
        return new Standing(
                entry.map(e -> e.source().words()).orElse("only in this job"),
                entry,
                state.shop().owned(type.id()),
                state.plan().fixturesOf(type.id()).size(),
                entry.filter(e -> !e.type().equals(type)).isPresent(),
                library.isMadeHere(type.id()),
                entry.flatMap(Entry::stored).filter(s -> s.putAway()).isPresent());
    }

    private static List<ModeLine> modes(JobState state, FixtureType type, int shown) {
        return IntStream.range(0, type.modes().size())
                .mapToObj(i -> {
                    Mode mode = type.modes().get(i);
                    return new ModeLine(
                            i + 1,
                            mode,
                            used(state, type, mode),
                            state.shop().doubt(type.id(), mode.name()),
                            i + 1 == shown);
                })
                .toList();
    }

    private static long used(JobState state, FixtureType type, Mode mode) {
        return state.plan().fixturesOf(type.id()).stream()
                .filter(f -> f.mode().equals(mode.name()))
                .count();
    }

    private Object json(JobState state, FixtureType type) {
        ObjectNode body = FixtureTypeJson.write(type);
        Standing standing = standing(state, type);
        body.put("source", standing.source()).put("used", standing.used());
        standing.owned().ifPresent(o -> body.put("owned", o));
        ObjectNode remembered = body.putObject("remembered");
        said.values(type.id()).forEach(v -> remembered.put(v.name(), v.value()));
        var notes = body.putArray("notes");
        standing.entry().flatMap(Entry::stored).ifPresent(s -> s.notes().forEach(notes::add));
        var doubts = body.putArray("doubts");
        type.modes()
                .forEach(m -> state.shop()
                        .doubt(type.id(), m.name())
                        .ifPresent(d -> doubts.addObject()
                                .put("mode", m.name())
                                .put("note", d.note())
                                .put("who", d.who())
                                .put("at", d.at().toString())));
        return Reply.json(HttpStatus.OK, body);
    }

    /** Sets how many the shop owns; an empty field takes the type off the shelf. */
    @PostMapping("/jobs/{job}/types/{id}/owned")
    Object own(@PathVariable int job, @PathVariable String id, HttpServletRequest request) {
        Reply reply = reply(job, id, "owned", request);
        Optional<Integer> owned = reply.fields().numberOrNone("owned", "number owned", 0, Shop.MOST_OWNED);
        TypeId type = known(job, id);
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        library.own(type, owned);
        return reply.done(
                owned.map(n -> "On the shelf: " + n + ".").orElse("Off the shelf."),
                Json.object().put("type", id));
    }

    /** Says that a mode is not what the real unit does. */
    @PostMapping("/jobs/{job}/types/{id}/modes/{number}/doubt")
    Object doubt(@PathVariable int job, @PathVariable String id, @PathVariable int number, HttpServletRequest request) {
        Reply reply = reply(job, id, "doubt", request);
        ModeRef mode = mode(job, id, number);
        Fields fields = reply.fields();
        fields.build("note", () -> Texts.requireLine("note", fields.text("note"), 300));
        if (fields.isFaulty()) {
            return reply.refused();
        }
        library.doubt(mode, fields.text("note"), People.of(request));
        return reply.done(
                mode.mode() + " is doubted from now on.", Json.object().put("mode", mode.mode()));
    }

    @PostMapping("/jobs/{job}/types/{id}/modes/{number}/trust")
    Object trust(@PathVariable int job, @PathVariable String id, @PathVariable int number, HttpServletRequest request) {
        Reply reply = reply(job, id, "doubt", request);
        ModeRef mode = mode(job, id, number);
        return library.trust(mode)
                ? reply.done(mode.mode() + " is trusted again.", Json.object().put("mode", mode.mode()))
                : reply.conflicting("Nobody doubts this mode.");
    }

    /** Takes a type out of the search; {@code back} returns it. Jobs that use it keep it. */
    @PostMapping("/jobs/{job}/types/{id}/away")
    Object away(@PathVariable int job, @PathVariable String id, HttpServletRequest request) {
        Reply reply = reply(job, id, "away", request);
        boolean back = reply.fields().text("to").equals("library");
        TypeId type = known(job, id);
        return library.putAway(type, !back)
                ? reply.done(
                        back ? "Back in the library." : "Put away: the search does not find it any more.",
                        Json.object().put("type", id))
                : reply.conflicting(
                        back
                                ? "It is in the library already."
                                : "It is not in the library that one can put away from.");
    }

    private Reply reply(int job, String id, String form, HttpServletRequest request) {
        return Reply.to(request, form, "/jobs/" + job + "/types/" + id);
    }

    private TypeId known(int job, String id) {
        return TypePaths.type(frames.state(job), library, id).id();
    }

    private ModeRef mode(int job, String id, int number) {
        FixtureType type = TypePaths.type(frames.state(job), library, id);
        if (number < 1 || number > type.modes().size()) {
            throw new NotThereException("mode " + number + " of " + type.fullName());
        }
        return new ModeRef(type.id(), type.modes().get(number - 1).name());
    }
}
