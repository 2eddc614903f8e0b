package taxon.app.rig.tree;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Function;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.fixture.TypeId;
import taxon.core.grouping.Grouping;
import taxon.core.grouping.Groupings;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Group.Rule;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.GroupEdits;
import taxon.core.text.Texts;
import taxon.formats.json.Json;

/** Folders and groups: the rig as a tree. */
@Controller
public class GroupsController {
    private final Frames frames;
    private final JobEditor editor;

    public GroupsController(Frames frames, JobEditor editor) {
        this.frames = frames;
        this.editor = editor;
    }

    @GetMapping("/jobs/{job}/tree")
    public String page(@PathVariable int job, HttpServletRequest request, Model model) {
        Plan plan = frames.open(job, Optional.of(Stage.RIG), request, model).plan();
        model.addAttribute("tree", TreeView.of(plan));
        model.addAttribute("automatic", TreeView.automatic(plan));
        addChoices(plan, model);
        return "rig/tree";
    }

    private static void addChoices(Plan plan, Model model) {
        model.addAttribute("places", TreeView.places(plan));
        model.addAttribute("types", plan.types().types());
        model.addAttribute("positions", plan.positions());
    }

    /** What lies in one, for when it is opened. */
    @GetMapping("/jobs/{job}/groups/{number}/units")
    public String units(@PathVariable int job, @PathVariable int number, HttpServletRequest request, Model model) {
        inside(job, number, request, model);
        return "rig/tree-parts :: units(${line})";
    }

    /** The form that changes one, for when it is opened. */
    @GetMapping("/jobs/{job}/groups/{number}/form")
    public String form(@PathVariable int job, @PathVariable int number, HttpServletRequest request, Model model) {
        addChoices(inside(job, number, request, model), model);
        return "rig/tree-parts :: change(${line}, ${'group-' + line.number})";
    }

    private Plan inside(int job, int number, HttpServletRequest request, Model model) {
        Plan plan = frames.open(job, Optional.of(Stage.RIG), "/jobs/" + job + "/tree", request, model)
                .plan();
        model.addAttribute(
                "line",
                TreeView.of(plan).lines().stream()
                        .filter(l -> l.number() == number)
                        .findFirst()
                        .orElseThrow(() -> new NotThereException("folder or group " + number)));
        return plan;
    }

    /** All groups with their members, those that come by themselves too. */
    @GetMapping("/jobs/{job}/groups")
    public Object groups(@PathVariable int job) {
        JobState state = frames.state(job);
        var body = Json.object().put("job", job).put("version", state.version());
        var list = body.putArray("groups");
        for (Grouping grouping : Groupings.all(state.plan())) {
            var one = list.addObject().put("name", grouping.name()).put("origin", Json.slug(grouping.origin()));
            grouping.number().ifPresent(n -> one.put("number", n));
            grouping.id().ifPresent(i -> one.put("id", i.number()));
            var folders = one.putArray("folders");
            grouping.folders().forEach(folders::add);
            var members = one.putArray("members");
            grouping.members().forEach(m -> members.add(m.key().number()));
            var parts = one.putArray("parts");
            grouping.parts().forEach(p -> parts.add(p.ref().toString()));
        }
        return Reply.json(HttpStatus.OK, body);
    }

    /** Makes a folder or group with the chosen in it: {@code kind}, {@code name}, {@code id}, {@code parent}, {@code sel}. */
    @PostMapping("/jobs/{job}/groups")
    public Object make(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "group", "/jobs/" + job + "/tree");
        long version = reply.version();
        List<FixtureKey> members = existing(job, reply.fields());
        Optional<Group> group = read(1, reply.fields(), request, members);
        return group.isEmpty() || reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(
                        editor.apply(job, version, Guard.UNCHANGED_JOB, reply.who(), GroupEdits.make(group.get())));
    }

    /** Gives one another name, number, place and rules; who was put in by hand stays. */
    @PostMapping("/jobs/{job}/groups/{number}")
    public Object change(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "group-" + number, "/jobs/" + job + "/tree");
        long version = reply.version();
        Optional<Group> now = frames.state(job).plan().group(number);
        List<FixtureKey> members =
                now.stream().flatMap(g -> g.members().stream()).toList();
        Optional<Group> group = read(Math.max(1, number), reply.fields(), request, members)
                .flatMap(g -> reply.fields()
                        .build("kind", () -> g.withParts(now.map(Group::parts).orElse(g.parts()))));
        return group.isEmpty() || reply.fields().isFaulty()
                ? reply.refused()
                : apply(job, version, reply, GroupEdits.change(group.get()));
    }

    @PostMapping("/jobs/{job}/groups/{number}/join")
    public Object join(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        return withChosen(job, number, request, chosen -> GroupEdits.join(number, chosen));
    }

    @PostMapping("/jobs/{job}/groups/{number}/leave")
    public Object leave(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        return withChosen(job, number, request, chosen -> GroupEdits.leave(number, chosen));
    }

    private Object withChosen(int job, int number, HttpServletRequest request, Function<List<FixtureKey>, Edit> edit) {
        Reply reply = Reply.to(request, "group-" + number, "/jobs/" + job + "/tree");
        long version = reply.version();
        List<FixtureKey> chosen = existing(job, reply.fields());
        requireSome(chosen, reply.fields());
        return reply.fields().isFaulty() ? reply.refused() : apply(job, version, reply, edit.apply(chosen));
    }

    @PostMapping("/jobs/{job}/groups/{number}/remove")
    public Object remove(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "group-" + number, "/jobs/" + job + "/tree");
        long version = reply.version();
        return reply.fields().isFaulty() ? reply.refused() : apply(job, version, reply, GroupEdits.remove(number));
    }

    private Object apply(int job, long version, Reply reply, Edit edit) {
        return reply.after(editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, reply.who(), edit));
    }

    private List<FixtureKey> existing(int job, Fields fields) {
        Plan plan = frames.state(job).plan();
        return fields.keys("sel").stream()
                .filter(k -> plan.fixture(k).isPresent())
                .toList();
    }

    private static void requireSome(List<FixtureKey> members, Fields fields) {
        if (members.isEmpty()) {
            fields.refuse("sel", "No fixture is chosen; choose some on the rig first.");
        }
    }

    private static Optional<Group> read(
            int number, Fields fields, HttpServletRequest request, List<FixtureKey> members) {
        fields.build("name", () -> Texts.requireLine("name", fields.text("name"), 80));
        Optional<GroupKind> kind = fields.choice("kind", GroupKind.class, GroupKind.GROUP);
        Optional<Integer> id = fields.numberOrNone("id", "group number", 1, FixtureId.LAST);
        Optional<Integer> parent = fields.numberOrNone("parent", "place", 1, Integer.MAX_VALUE);
        List<Rule> rules = rules(fields, request);
        return fields.isFaulty()
                ? Optional.empty()
                : fields.build(
                        "kind",
                        () -> new Group(
                                number,
                                kind.orElseThrow(),
                                fields.text("name"),
                                id.map(FixtureId::of),
                                parent,
                                new TreeSet<>(members),
                                rules));
    }

    /** Rules that stand ({@code rule}, "type-id@position" with either side empty) and a new one out of two choices. */
    private static List<Rule> rules(Fields fields, HttpServletRequest request) {
        List<Rule> rules = new ArrayList<>();
        String[] kept = Optional.ofNullable(request.getParameterValues("rule")).orElse(new String[0]);
        for (String rule : kept) {
            int at = rule.lastIndexOf('@');
            if (at >= 0) {
                add(rules, fields, rule.substring(0, at), rule.substring(at + 1));
            }
        }
        if (fields.has("ruleType") || fields.has("rulePosition")) {
            add(rules, fields, fields.text("ruleType"), fields.text("rulePosition"));
        }
        return rules;
    }

    private static void add(List<Rule> rules, Fields fields, String type, String position) {
        if (!position.isEmpty() && !position.matches("[1-9]\\d{0,8}")) {
            fields.refuse("rulePosition", "A rule names a position by its number.");
            return;
        }
        fields.build(
                        "ruleType",
                        () -> new Rule(
                                Optional.of(type).filter(t -> !t.isEmpty()).map(TypeId::of),
                                Optional.of(position).filter(p -> !p.isEmpty()).map(Integer::valueOf)))
                .filter(r -> !rules.contains(r))
                .ifPresent(rules::add);
    }
}
