package taxon.app.handover;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.handover.Handover.Line;
import taxon.app.store.HandoverStore;
import taxon.app.store.HandoverStore.Side;
import taxon.core.fixture.TypeId;
import taxon.core.text.Counted;
import taxon.core.text.Texts;
import taxon.formats.json.Json;

/** What is said at a hand-over: what is taken over, who signs off, and what the programmer should know. */
@Controller
class ReadinessController {
    private static final int LONGEST_NAME = 60;
    private static final int LONGEST_REASON = 300;
    private static final int LONGEST_NOTE = 1_000;

    private final Frames frames;
    private final Handover handover;
    private final HandoverStore said;

    ReadinessController(Frames frames, Handover handover, HandoverStore said) {
        this.frames = frames;
        this.handover = handover;
        this.said = said;
    }

    private static String page(int job) {
        return "/jobs/" + job + "/handover";
    }

    private static Optional<String> line(Fields fields, String field, String words, int longest) {
        return fields.build(field, () -> Texts.requireLine(words, fields.text(field), longest));
    }

    /** Takes over what stands in the way: {@code about}, as often as needed, or {@code all} that is open, with {@code reason} and {@code who}. */
    @PostMapping("/jobs/{job}/handover/take")
    Object take(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "take", page(job));
        JobState state = frames.state(job);
        Fields fields = reply.fields();
        Optional<String> reason = line(fields, "reason", "reason", LONGEST_REASON);
        Optional<String> who = line(fields, "by", "name", LONGEST_NAME);
        boolean all = fields.has("all");
        Set<String> about = new HashSet<>(
                Arrays.asList(Objects.requireNonNullElse(request.getParameterValues("about"), new String[0])));
        List<Line> wanted = handover.lines(state).stream()
                .filter(l -> l.isOpen() && (all || about.contains(l.about())))
                .toList();
        if (wanted.isEmpty()) {
            fields.refuse("about", "Nothing that is open was ticked; look at the page again.");
        }
        if (reason.isEmpty() || who.isEmpty() || fields.isFaulty()) {
            return reply.refused();
        }
        wanted.forEach(l -> said.take(job, l.about(), reason.get(), who.get(), state.version()));
        return reply.done(
                Counted.of(wanted.size(), "thing") + " taken over by " + who.get() + ".",
                Json.object().put("taken", wanted.size()));
    }

    /** Gives back what was taken over: {@code about}. */
    @PostMapping("/jobs/{job}/handover/give-back")
    Object giveBack(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "take", page(job));
        frames.state(job);
        if (!said.giveBack(job, reply.fields().text("about"))) {
            return reply.conflicting("That was not taken over.");
        }
        return reply.done("It is open again.", Json.object());
    }

    /** Signs off: {@code side}, {@code by} and {@code note}. Not while something stands in the way that nobody took over. */
    @PostMapping("/jobs/{job}/handover/sign")
    Object sign(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "sign", page(job));
        Fields fields = reply.fields();
        long seen = reply.version();
        JobState state = frames.state(job);
        Optional<Side> side = fields.choice("side", Side.class, Side.CREW);
        Optional<String> who = line(fields, "by", "name", LONGEST_NAME);
        Optional<String> note = fields.build("note", () -> Texts.allowNote("note", fields.text("note"), LONGEST_NOTE));
        if (side.isEmpty() || who.isEmpty() || note.isEmpty() || fields.isFaulty()) {
            return reply.refused();
        }
        if (state.version() != seen) {
            return reply.conflicting("The job changed since this page was made; look at it again, then sign.");
        }
        long open = handover.lines(state).stream().filter(Line::isOpen).count();
        if (open > 0) {
            return reply.conflicting(Counted.of(open, "thing") + (open == 1 ? " stands" : " stand")
                    + " in the way; close each, or take it over with a reason.");
        }
        said.sign(job, side.get(), who.get(), note.get(), state.version());
        return reply.done("Signed off by " + who.get() + ".", Json.object().put("version", state.version()));
    }

    /** What the programmer should know of a group or a type: {@code about} and {@code words}; empty words take it away. */
    @PostMapping("/jobs/{job}/handover/notes")
    Object note(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "note", page(job));
        Fields fields = reply.fields();
        JobState state = frames.state(job);
        String about = fields.text("about");
        if (HandoverView.subjects(state.plan()).stream()
                .noneMatch(s -> s.about().equals(about))) {
            fields.refuse("about", "No group and no type of this job is called so.");
        }
        Optional<String> words =
                fields.build("words", () -> Texts.allowNote("note", fields.text("words"), LONGEST_NOTE));
        if (words.isEmpty() || fields.isFaulty()) {
            return reply.refused();
        }
        said.note(job, about, words.get(), reply.who());
        return reply.done(words.get().isBlank() ? "The note is gone." : "Kept.", Json.object());
    }

    /** A value worth remembering of a type: {@code type}, {@code name} and {@code value}; an empty value takes it away. */
    @PostMapping("/jobs/{job}/handover/values")
    Object value(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "value", page(job));
        Fields fields = reply.fields();
        JobState state = frames.state(job);
        String type = fields.text("type");
        if (state.plan().fixtures().stream().noneMatch(f -> f.type().value().equals(type))) {
            fields.refuse("type", "No fixture of this job is of that type.");
        }
        Optional<String> name = line(fields, "name", "name of the value", LONGEST_NAME);
        Optional<String> value =
                fields.build("value", () -> Texts.allowLine("value", fields.text("value"), LONGEST_NAME));
        if (name.isEmpty() || value.isEmpty() || fields.isFaulty()) {
            return reply.refused();
        }
        said.remember(TypeId.of(type), name.get(), value.get(), reply.who());
        return reply.done(
                value.get().isBlank() ? "Forgotten." : "Kept with the type, for this job and the next.", Json.object());
    }
}
