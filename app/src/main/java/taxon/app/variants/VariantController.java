package taxon.app.variants;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.app.store.RevisionStore;
import taxon.app.store.VariantStore;
import taxon.app.variants.TakeOverKind.Asked;
import taxon.app.variants.TakeOverKind.From;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.text.Texts;
import taxon.core.variant.WithoutEvidence;
import taxon.formats.json.Json;

/** Variants of a job: made, held against it, taken over or dropped; and revisions that are restored. */
@Controller
class VariantController {
    private static final int LONGEST = 60;

    private final Frames frames;
    private final JobEditor editor;
    private final VariantStore variants;
    private final RevisionStore revisions;
    private final ProposalDesk desk;

    VariantController(
            Frames frames, JobEditor editor, VariantStore variants, RevisionStore revisions, ProposalDesk desk) {
        this.frames = frames;
        this.editor = editor;
        this.variants = variants;
        this.revisions = revisions;
        this.desk = desk;
    }

    /** One variant in the list: what it has otherwise than it was made with. */
    public record Line(int job, String name, int otherwise) {}

    @GetMapping("/jobs/{job}/variants")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        frames.state(job);
        List<Line> lines =
                variants.of(job).stream().flatMap(v -> line(v).stream()).toList();
        Optional<VariantStore.Variant> self = variants.find(job);
        if (Reply.wantsJson(request)) {
            var body = Json.object().put("job", job);
            self.ifPresent(v -> body.put("variantOf", v.of()));
            var list = body.putArray("variants");
            lines.forEach(l ->
                    list.addObject().put("job", l.job()).put("name", l.name()).put("otherwise", l.otherwise()));
            return Reply.json(HttpStatus.OK, body);
        }
        frames.open(job, Optional.of(Stage.HANDOVER), request, model);
        model.addAttribute("variants", lines);
        model.addAttribute("variantOf", self.map(VariantStore.Variant::of).orElse(0));
        model.addAttribute(
                "original",
                self.flatMap(v -> editor.find(v.of()))
                        .map(s -> s.plan().sheet().name())
                        .orElse(""));
        return "variants/page";
    }

    private Optional<Line> line(int variant) {
        return editor.find(variant)
                .flatMap(s -> variants.find(variant)
                        .map(v -> new Line(
                                variant,
                                s.plan().sheet().name(),
                                PlanDelta.between(WithoutEvidence.of(v.base()), WithoutEvidence.of(s.plan()))
                                        .changes()
                                        .size())));
    }

    /** Makes one: {@code name}, what is tried. What was set, proved and checked stays with the job. */
    @PostMapping("/jobs/{job}/variants")
    Object make(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "variant", "/jobs/" + job + "/variants");
        JobState state = frames.state(job);
        Optional<String> name = reply.fields()
                .build(
                        "name",
                        () -> Texts.requireLine("what is tried", reply.fields().text("name"), LONGEST));
        if (name.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        if (variants.find(job).isPresent()) {
            return reply.conflicting("This is a variant itself; try it in the job that it was made from.");
        }
        JobSheet sheet = state.plan().sheet();
        String called = Texts.clip(sheet.name(), 120 - LONGEST - 2) + ": " + name.get();
        Plan plan = WithoutEvidence.of(state.plan())
                .with(new JobSheet(
                        called, sheet.venue(), sheet.from(), sheet.to(), sheet.note(), sheet.view(), sheet.network()));
        int variant = editor.make(plan);
        variants.add(variant, job, plan);
        return reply.done(
                called + " is made; edit it freely.",
                "/jobs/" + variant + "/rig",
                Json.object().put("job", variant));
    }

    /** Proposes to take over what a variant or a revision has otherwise: {@code from}, {@code which}. */
    @PostMapping("/jobs/{job}/take-overs")
    Object propose(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "take-over", "/jobs/" + job + "/variants");
        long version = frames.state(job).version();
        Optional<From> from = reply.fields().choice("from", From.class, From.VARIANT);
        String which = reply.fields().text("which");
        if (from.isPresent() && !isThere(job, from.get(), which)) {
            reply.fields().refuse("which", "“" + Texts.clip(which, 40) + "” is nothing that can be taken over here.");
        }
        if (from.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        Asked asked = new Asked(job, from.get(), which, true, Set.of());
        int id = desk.open(job, version, TakeOverKind.NAME, asked.json());
        return reply.done(
                "Held against the job; nothing is taken over yet.",
                "/jobs/" + job + "/take-overs/" + id,
                Json.object().put("takeOver", id));
    }

    private boolean isThere(int job, From from, String which) {
        return switch (from) {
            case REVISION -> revisions.find(job, which).isPresent();
            case VARIANT ->
                which.matches("\\d{1,9}")
                        && variants.find(Integer.parseInt(which))
                                .filter(v -> v.of() == job)
                                .isPresent();
        };
    }

    /** Which parts are taken over: {@code part}, as often as needed, or {@code all}. */
    @PostMapping("/jobs/{job}/take-overs/{id}/parts")
    Object choose(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "take-over", "/jobs/" + job + "/take-overs/" + id);
        StoredProposal stored = desk.find(job, id, TakeOverKind.NAME);
        Asked before = TakeOverKind.asked(stored);
        String[] parts = request.getParameterValues("part");
        Set<String> chosen = parts == null ? Set.of() : Arrays.stream(parts).collect(Collectors.toSet());
        boolean all = reply.fields().has(TakeOverKind.ALL);
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        Asked now = new Asked(before.job(), before.from(), before.which(), all, chosen);
        desk.choose(job, stored, TakeOverKind.NAME, now.json());
        return reply.done("Looked at again with what you chose.", Json.object().put("takeOver", id));
    }
}
