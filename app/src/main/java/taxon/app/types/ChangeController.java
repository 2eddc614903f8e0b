package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.library.ModeTarget;
import taxon.app.library.TypeLibrary;
import taxon.app.proposals.ProposalDesk;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.modes.ChangeProposal;
import taxon.core.modes.ChangeRequest;
import taxon.core.modes.ChangeRequest.Style;
import taxon.core.modes.ChangeRequest.Switch;
import taxon.core.modes.ModeChange;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;

/** Changing the type or mode of fixtures: asked for, looked at as a proposal, applied as one edit. */
@Controller
class ChangeController {
    private static final int MOST_SWITCHES = 500;

    private final Frames frames;
    private final TypeLibrary library;
    private final ProposalDesk desk;
    private final ChangeForm form;

    ChangeController(Frames frames, TypeLibrary library, ProposalDesk desk, ChangeForm form) {
        this.frames = frames;
        this.library = library;
        this.desk = desk;
        this.form = form;
    }

    /** Asks for a change of the chosen fixtures. With {@code type} the page offers a type of the library too. */
    @GetMapping("/jobs/{job}/changes")
    String ask(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.open(job, Optional.of(Stage.TYPES), request, model);
        form.fill(state, request, model);
        return "types/change";
    }

    /**
     * Makes a proposal. The fields are {@code sel} with {@code to}, a type and mode for the chosen fixtures; or {@code of}
     * with {@code to}, for all fixtures of a type; or {@code all},
     * any number of a type and mode for all fixtures of that type; or {@code again}, an earlier proposal in another style; or
     * {@code renew}, a type whose definition is to be that of the library. With {@code from} they are placed together from
     * there on; with {@code addressing} those without an address get one.
     */
    @PostMapping("/jobs/{job}/changes")
    Object propose(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "change", "/jobs/" + job + "/changes");
        JobState state = frames.state(job);
        Fields fields = reply.fields();
        Optional<ChangeRequest> earlier = earlier(job, fields);
        Optional<StartAddress> from =
                fields.has("from") ? fields.address("from") : earlier.flatMap(ChangeRequest::from);
        // Whoever says where they begin wants them there.
        Optional<Style> style = (fields.has("style")
                        ? ChangeJson.style(fields.text("style"))
                        : Optional.of(Style.LEAST_DISTURBANCE))
                .map(s -> fields.has("from") && s == Style.LEAST_DISTURBANCE ? Style.IN_ORDER : s);
        if (style.isEmpty()) {
            fields.refuse("style", "The style is one of least-disturbance, in-order and keep-starts.");
        }
        if (fields.has("from") && style.filter(s -> s != Style.IN_ORDER).isPresent()) {
            fields.refuse("from", "A first address goes with “" + ChangeText.words(Style.IN_ORDER) + "” only.");
        }
        boolean addressing = earlier.map(ChangeRequest::addressing).orElseGet(() -> fields.has("addressing"));
        List<Switch> switches = earlier.map(ChangeRequest::switches)
                .orElseGet(() -> fields.has("renew") ? renew(state, fields) : wanted(state, fields, request));
        if (!fields.isFaulty() && switches.stream().allMatch(s -> s.fixtures().isEmpty())) {
            fields.refuse("to", "No fixture is chosen; choose some on the rig or the tapes first.");
        }
        Optional<ChangeProposal> tried = fields.isFaulty()
                ? Optional.empty()
                : fields.build(
                        "to",
                        () -> ModeChange.propose(
                                state.plan(), new ChangeRequest(switches, style.orElseThrow(), from, addressing)));
        if (tried.isEmpty()) {
            return reply.refused();
        }
        if (tried.get().changed().isEmpty()) {
            fields.refuse("to", "Nothing would change: they have that type and mode already.");
            return reply.refused();
        }
        int id = desk.open(
                job,
                state.version(),
                ChangeKind.NAME,
                ChangeJson.write(tried.get().request()));
        return reply.done(
                "Proposed; nothing has changed yet.",
                "/jobs/" + job + "/changes/" + id,
                Json.object().put("proposal", id));
    }

    /** The proposal that is to be made again in another style. */
    private Optional<ChangeRequest> earlier(int job, Fields fields) {
        return fields.has("again")
                ? fields.number("again", "proposal", 1, Integer.MAX_VALUE)
                        .map(id -> ChangeJson.read(ProposalDesk.request(desk.find(job, id, ChangeKind.NAME))))
                : Optional.empty();
    }

    /** All fixtures of a type get the library's definition, each in the mode of its name, else in the first. */
    private List<Switch> renew(JobState state, Fields fields) {
        Optional<FixtureType> newer =
                Optional.of(fields.text("renew")).filter(TypeId::isLegal).flatMap(id -> library.find(TypeId.of(id)));
        if (newer.isEmpty()) {
            fields.refuse("renew", "The library has no such type.");
            return List.of();
        }
        FixtureType type = newer.get();
        List<Switch> switches = new ArrayList<>();
        state.plan().fixturesOf(type.id()).stream()
                .collect(Collectors.groupingBy(
                        f -> type.mode(f.mode()).orElse(type.modes().get(0)).name(),
                        java.util.TreeMap::new,
                        Collectors.mapping(Fixture::key, Collectors.toSet())))
                .forEach((mode, keys) -> switches.add(new Switch(keys, type, mode)));
        return switches;
    }

    private List<Switch> wanted(JobState state, Fields fields, HttpServletRequest request) {
        String[] all = Objects.requireNonNullElse(request.getParameterValues("all"), new String[0]);
        List<Switch> switches = new ArrayList<>();
        for (String one : List.of(all).subList(0, Math.min(MOST_SWITCHES, all.length))) {
            ModeTarget.read(one)
                    .ifPresentOrElse(
                            t -> add(state, fields, t, ofType(state.plan(), t.type()), switches),
                            () -> fields.refuse("to", "There is no such type and mode; choose one from the list."));
        }
        if (all.length == 0) {
            Set<FixtureKey> keys = fields.has("of") ? ofType(state.plan(), fields.text("of")) : chosen(state, fields);
            ModeTarget.read(fields.text("to"))
                    .ifPresentOrElse(
                            t -> add(state, fields, t, keys, switches),
                            () -> fields.refuse("to", "There is no such type and mode; choose one from the list."));
        }
        return switches;
    }

    private void add(JobState state, Fields fields, ModeTarget target, Set<FixtureKey> keys, List<Switch> switches) {
        Optional<FixtureType> type = library.knownTo(state.plan()).find(target.type());
        if (type.flatMap(t -> t.mode(target.mode())).isEmpty()) {
            fields.refuse("to", "There is no such type and mode; choose one from the list.");
        } else {
            switches.add(new Switch(keys, type.get(), target.mode()));
        }
    }

    private static Set<FixtureKey> chosen(JobState state, Fields fields) {
        return Selection.read(fields.text("sel")).in(state.plan()).stream()
                .map(Fixture::key)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static Set<FixtureKey> ofType(Plan plan, String id) {
        return TypeId.isLegal(id) ? ofType(plan, TypeId.of(id)) : Set.of();
    }

    private static Set<FixtureKey> ofType(Plan plan, TypeId type) {
        return plan.fixturesOf(type).stream().map(Fixture::key).collect(Collectors.toSet());
    }
}
