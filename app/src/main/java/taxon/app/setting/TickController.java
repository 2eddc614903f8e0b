package taxon.app.setting;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Keys;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.edit.JobEdits;
import taxon.core.setting.SettingWalk;
import taxon.core.setting.UnitMenu;
import taxon.core.text.Texts;

/** Ticking off what was set by hand on units, and taking a tick back. */
@Controller
class TickController {
    private static final int LONGEST_SHOWED = 20;
    private static final int LONGEST_ORIGIN = 80;

    private final Frames frames;
    private final JobEditor editor;
    private final Clock clock;

    TickController(Frames frames, JobEditor editor, Clock clock) {
        this.frames = frames;
        this.editor = editor;
        this.clock = clock;
    }

    /**
     * Ticks off that someone set the planned address and mode by hand on the unit; {@code showed} is what it showed before, if that
     * is to be remembered.
     */
    @PostMapping("/jobs/{job}/fixtures/{key}/set")
    Object set(@PathVariable int job, @PathVariable int key, HttpServletRequest request) {
        Reply reply = Reply.to(request, "set", "/jobs/" + job + "/checks?sel=" + key);
        JobState state = frames.state(job);
        return tick(reply, state, List.of(fixture(state, key)));
    }

    /** The same for all that are chosen, as one act. */
    @PostMapping("/jobs/{job}/fixtures/set")
    Object setAll(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "set", "/jobs/" + job + "/checks");
        JobState state = frames.state(job);
        List<Fixture> fixtures = chosen(reply, state);
        return reply.fields().isFaulty() ? reply.refused() : tick(reply, state, fixtures);
    }

    /** The same for all that are open from one unit to another along their position. */
    @PostMapping("/jobs/{job}/setting/run")
    Object setRun(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "run", "/jobs/" + job + "/setting");
        JobState state = frames.state(job);
        Optional<FixtureKey> from = key(reply, "from");
        Optional<FixtureKey> to = key(reply, "to");
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        List<Fixture> run = SettingWalk.of(state.plan()).run(from.orElseThrow(), to.orElseThrow());
        return run.isEmpty()
                ? reply.conflicting("There is nothing to tick off between these two; a run is of one position.")
                : tick(reply, state, run);
    }

    private static Optional<FixtureKey> key(Reply reply, String name) {
        Optional<Integer> number = reply.fields().number(name, name, 1, Integer.MAX_VALUE);
        if (number.isEmpty() && !reply.fields().isFaulty()) {
            reply.fields().refuse(name, "A run needs its first and its last unit.");
        }
        return number.map(FixtureKey::of);
    }

    /** Takes the ticks of all that are chosen back, as one act: nothing is known of these units any more. */
    @PostMapping("/jobs/{job}/fixtures/untick")
    Object untick(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "set", "/jobs/" + job + "/setting");
        JobState state = frames.state(job);
        List<Fixture> fixtures = chosen(reply, state);
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        List<BlockEvidence> evidence = fixtures.stream()
                .flatMap(f -> state.plan().blocksOf(f).stream())
                .map(b -> state.plan().evidence(b.ref()))
                .filter(e -> e.set().isPresent())
                .map(BlockEvidence::withoutMarks)
                .toList();
        return evidence.isEmpty()
                ? reply.conflicting(who(fixtures) + ": nobody has ticked anything off.")
                : reply.after(editor.tick(
                        state.job(), reply.who(), JobEdits.record(who(fixtures) + " no longer ticked off", evidence)));
    }

    private static Fixture fixture(JobState state, int key) {
        return state.plan()
                .fixture(Keys.fixture(key))
                .orElseThrow(() -> new NotThereException("fixture with the key " + key));
    }

    private static List<Fixture> chosen(Reply reply, JobState state) {
        List<Fixture> fixtures = reply.fields().keys("sel").stream()
                .flatMap(k -> state.plan().fixture(k).stream())
                .toList();
        if (fixtures.isEmpty()) {
            reply.fields().refuse("sel", "No fixture is chosen; choose some first.");
        }
        return fixtures;
    }

    private Object tick(Reply reply, JobState state, List<Fixture> fixtures) {
        Optional<String> by = by(reply);
        if (by.isEmpty()) {
            return reply.refused();
        }
        List<BlockEvidence> evidence = fixtures.stream()
                .flatMap(f -> state.plan().blocksOf(f).stream())
                .filter(b -> b.start().isPresent())
                .map(b -> state.plan()
                        .evidence(b.ref())
                        .withSet(new Mark(b.start().orElseThrow(), b.mode().name(), clock.instant(), by.get()))
                        .withMenu(UnitMenu.asked(state.plan(), b.fixture())))
                .toList();
        if (evidence.isEmpty()) {
            return reply.conflicting(who(fixtures) + (fixtures.size() == 1 ? " has" : " have")
                    + " no planned address that could be set.");
        }
        return reply.after(
                editor.tick(state.job(), reply.who(), JobEdits.record(who(fixtures) + " ticked off as set", evidence)));
    }

    private static String who(List<Fixture> fixtures) {
        return fixtures.size() == 1 ? fixtures.get(0).label() : fixtures.size() + " fixtures";
    }

    /** Who says so, and what the unit showed before; empty where that is too long to be kept. */
    private static Optional<String> by(Reply reply) {
        String showed = reply.fields().text("showed");
        reply.fields().build("showed", () -> Texts.allowLine("what it showed before", showed, LONGEST_SHOWED));
        return reply.fields().isFaulty()
                ? Optional.empty()
                : Optional.of(Texts.clip(
                        "ticked off " + reply.who() + (showed.isEmpty() ? "" : ", showed " + showed + " before"),
                        LONGEST_ORIGIN));
    }
}
