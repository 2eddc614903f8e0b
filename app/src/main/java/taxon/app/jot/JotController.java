package taxon.app.jot;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.EditOutcome;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.form.Selection;
import taxon.app.frame.Frames;
import taxon.app.library.TypeLibrary;
import taxon.app.store.JournalStore;
import taxon.core.fixture.FixtureType;
import taxon.core.jot.JotLine;
import taxon.core.jot.JotMeaning;
import taxon.core.jot.JotMeaning.Changes;
import taxon.core.jot.JotMeaning.Chooses;
import taxon.core.jot.JotMeaning.Refused;
import taxon.core.jot.JotMeaning.Turns;
import taxon.core.jot.JotMeaning.Unfinished;
import taxon.core.jot.JotNames;
import taxon.core.jot.JotVerb;
import taxon.core.library.TypeQuery;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.formats.json.Json;

/** Reads the jot line as it is typed, and does what it says. */
@Controller
class JotController {
    private final Frames frames;
    private final JobEditor editor;
    private final TypeLibrary library;
    private final JournalStore journal;

    JotController(Frames frames, JobEditor editor, TypeLibrary library, JournalStore journal) {
        this.frames = frames;
        this.editor = editor;
        this.library = library;
        this.journal = journal;
    }

    /** What the line {@code q} would do, with {@code sel} chosen: a part of a page, or JSON. Nothing is changed. */
    @GetMapping("/jobs/{job}/jot")
    Object look(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        String line = Objects.requireNonNullElse(request.getParameter("q"), "");
        JotView view = JotView.of(state.plan(), read(line, state.plan(), request), turnTitles(job));
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, view.json());
        }
        model.addAttribute("jot", view);
        return "jot/preview";
    }

    private JotView.Titles turnTitles(int job) {
        return new JotView.Titles(journal.undoTitle(job), journal.redoTitle(job));
    }

    /** The grammar, an example for each verb. */
    @GetMapping("/jobs/{job}/jot-line")
    String grammar(@PathVariable int job, HttpServletRequest request, Model model) {
        frames.open(job, Optional.empty(), request, model);
        model.addAttribute("verbs", JotVerb.values());
        return "jot/grammar";
    }

    private JotMeaning read(String line, Plan plan, HttpServletRequest request) {
        return JotLine.read(line, plan, chosen(request), names(plan));
    }

    private static Set<FixtureKey> chosen(HttpServletRequest request) {
        return new TreeSet<>(Selection.read(Objects.requireNonNullElse(request.getParameter("sel"), ""))
                .keys());
    }

    /** The types of the job before those of the library. */
    private JotNames names(Plan plan) {
        return (words, most) -> {
            TypeQuery query = TypeQuery.of(words);
            List<FixtureType> found = new ArrayList<>(plan.types().types().stream()
                    .filter(t -> fits(t, query))
                    .limit(most)
                    .toList());
            library.index().search(query, most).hits().stream()
                    .map(h -> h.type().id())
                    .filter(id -> plan.types().find(id).isEmpty())
                    .limit(most)
                    .flatMap(id -> library.find(id).stream())
                    .filter(t -> fits(t, query))
                    .forEach(found::add);
            return found.stream().limit(most).toList();
        };
    }

    private static boolean fits(FixtureType type, TypeQuery query) {
        List<String> name = TypeQuery.tokens(type.fullName());
        return query.words().stream().allMatch(w -> name.stream().anyMatch(n -> n.startsWith(w)));
    }

    /** Does it: {@code q}, {@code sel}, {@code version}. A line that cannot be done stays in its field with the reason. */
    @PostMapping("/jobs/{job}/jot")
    Object act(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "jot", "/jobs/" + job + "/rig");
        long version = reply.version();
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        String line = reply.fields().text("q");
        JotMeaning reading = read(line, frames.state(job).plan(), request);
        if (reading instanceof Chooses chooses) {
            Selection selection = Selection.of(chooses.fixtures());
            int count = chooses.fixtures().size();
            return reply.done(
                    count == 1 ? "1 fixture chosen." : count + " fixtures chosen.",
                    path(reply, chooses.fixtures()),
                    Json.object().put("sel", selection.text()));
        }
        if (reading instanceof Changes changes) {
            EditOutcome outcome =
                    editor.apply(job, version, reply.who(), plan -> edit(read(line, plan, request), changes));
            return outcome instanceof EditOutcome.Done
                    ? reply.going(path(reply, changes.chosen())).after(outcome)
                    : reply.after(outcome);
        }
        if (reading instanceof Turns turns) {
            return reply.after(
                    turns.undo() ? editor.undo(job, version, reply.who()) : editor.redo(job, version, reply.who()));
        }
        reply.fields().refuse("q", why(reading));
        return reply.refused();
    }

    /** The same line on the plan that is under the lock; it is the one that was looked at, so it means the same. */
    private static Edit edit(JotMeaning now, Changes seen) {
        return now instanceof Changes changes ? changes.edit() : seen.edit();
    }

    private static String why(JotMeaning reading) {
        if (reading instanceof Unfinished unfinished) {
            return "The line is not whole: " + unfinished.expected() + " is missing.";
        }
        return reading instanceof Refused refused ? refused.sentence() : "The line cannot be done.";
    }

    private static String path(Reply reply, Set<FixtureKey> chosen) {
        return reply.page().replaceAll("\\?.*", "") + Selection.of(chosen).query();
    }
}
