package taxon.app.frame;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.edit.NoSuchJobException;
import taxon.app.form.FormFault;
import taxon.app.form.Selection;
import taxon.app.store.JournalStore;
import taxon.app.store.RevisionStore;
import taxon.core.finding.Severity;
import taxon.core.rig.Fixture;

/** Opens pages of a job: puts the frame and the fault of a refused form, if there is one, into the model. */
@Component
public class Frames {
    private static final int SHOWN = 6;

    private final JobEditor editor;
    private final JournalStore journal;
    private final RevisionStore revisions;

    public Frames(JobEditor editor, JournalStore journal, RevisionStore revisions) {
        this.editor = editor;
        this.journal = journal;
        this.revisions = revisions;
    }

    public JobState state(int job) {
        return editor.find(job).orElseThrow(() -> new NoSuchJobException(job));
    }

    /**
     * Opens a page.
     *
     * @param stage the stage that it belongs to; empty for a page beside the stages
     */
    public JobState open(int job, Optional<Stage> stage, HttpServletRequest request, Model model) {
        return open(job, stage, request.getServletPath(), request, model);
    }

    /** As {@link #open(int, Optional, HttpServletRequest, Model)}, for what becomes part of another page. */
    public JobState open(int job, Optional<Stage> stage, String page, HttpServletRequest request, Model model) {
        JobState state = state(job);
        Selection selection = Selection.read(Objects.requireNonNullElse(request.getParameter("sel"), ""));
        PageView view = PageView.of(request);
        model.addAttribute("frame", frame(state, stage, selection, view, page + view.query(selection.text())));
        model.addAttribute(
                FormFault.NAME, Objects.requireNonNullElse(request.getAttribute(FormFault.NAME), FormFault.NONE));
        return state;
    }

    private Frame frame(JobState state, Optional<Stage> stage, Selection selection, PageView view, String here) {
        List<Fixture> chosen = selection.in(state.plan());
        Tally tally = Tally.of(state);
        return new Frame(
                state.job(),
                state.version(),
                state.plan().sheet().name(),
                revisions.state(state.job()).words(),
                Arrays.stream(Stage.values())
                        .map(s -> link(state, s, stage, tally))
                        .toList(),
                tally,
                here,
                selection,
                view,
                journal.undoTitle(state.job()),
                journal.redoTitle(state.job()),
                chosen.size() == 1 ? Optional.of(Card.of(state, chosen.get(0))) : Optional.empty(),
                chosen.size() > 1 ? Optional.of(Several.of(state.plan(), chosen)) : Optional.empty(),
                stage.filter(s -> s == Stage.RIG || s == Stage.ADDRESSES).isPresent(),
                stage.map(s -> open(state, s)).orElse(List.of()));
    }

    private static List<FindingView> open(JobState state, Stage stage) {
        return state.check().findings().stream()
                .filter(f -> stage.rules().contains(f.rule()))
                .limit(SHOWN)
                .map(FindingView::of)
                .toList();
    }

    private static Frame.Link link(JobState state, Stage stage, Optional<Stage> here, Tally tally) {
        boolean isHere = here.equals(Optional.of(stage));
        if (stage == Stage.CHECKS) {
            return new Frame.Link(stage.title(), stage.path(), isHere, tally.stale(), tally.stale() > 0 ? "warn" : "");
        }
        long stops = count(state, stage, Severity.STOP);
        long warns = count(state, stage, Severity.WARN);
        String severity = stops > 0 ? "stop" : warns > 0 ? "warn" : "";
        return new Frame.Link(stage.title(), stage.path(), isHere, stops + warns, severity);
    }

    private static long count(JobState state, Stage stage, Severity severity) {
        return stage.rules().stream()
                .filter(r -> r.severity() == severity)
                .mapToLong(
                        r -> state.check().byRule().getOrDefault(r, List.of()).size())
                .sum();
    }
}
