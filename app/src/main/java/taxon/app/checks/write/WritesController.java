package taxon.app.checks.write;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.function.ToIntFunction;
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
import taxon.app.store.WriteListStore.Kept;
import taxon.core.proof.RigComparison.Line;
import taxon.core.rig.Box;
import taxon.core.rig.FixtureKey;
import taxon.core.text.Counted;
import taxon.core.writing.Item;
import taxon.core.writing.Prepared;
import taxon.core.writing.Result;
import taxon.core.writing.WriteList;
import taxon.core.writing.WriteList.State;
import taxon.formats.json.Json;
import taxon.formats.json.WriteListJson;
import tools.jackson.databind.node.ObjectNode;

/** Lists of what is written to units and boxes: made, armed, written, and put back. */
@Controller
class WritesController {
    private static final String ALL = "all";

    private final Frames frames;
    private final WriteRuns runs;
    private final Preparing preparing;

    WritesController(Frames frames, WriteRuns runs, Preparing preparing) {
        this.frames = frames;
        this.runs = runs;
        this.preparing = preparing;
    }

    private static String at(int job) {
        return "/jobs/" + job + "/checks/writes";
    }

    /** A list in the list of lists. */
    public record ListLine(int id, String title, String who, String at, String state) {
        /** "by Ann", "at this machine". */
        public String by() {
            return who.equals(People.NOBODY_SAID) ? who : "by " + who;
        }

        static ListLine of(Kept kept, boolean running) {
            WriteList list = kept.list();
            return new ListLine(kept.id(), list.title(), list.who(), list.at().toString(), words(list, running));
        }
    }

    /** An order with what became of it. */
    public record OrderLine(
            String whom, String what, String was, String will, String outcome, String mark, String says) {}

    private static String words(WriteList list, boolean running) {
        long written = list.count(Result.Outcome.WRITTEN);
        String sum = written + " of " + list.orders().size() + " written and read back";
        return switch (list.state()) {
            case READY -> list.orders().isEmpty() ? "nothing of it can be written" : "not written";
            case BEGUN -> running ? "being written: " + sum : "broke off: " + sum + ", of the rest nobody knows";
            case ENDED -> sum;
        };
    }

    @GetMapping("/jobs/{job}/checks/writes")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        frames.state(job);
        List<Kept> all = runs.of(job);
        if (Reply.wantsJson(request)) {
            ObjectNode body = Json.object().put("job", job);
            var lists = body.putArray("lists");
            all.forEach(k -> lists.add(WriteListJson.write(k.list()).put("id", k.id())));
            return Reply.json(HttpStatus.OK, body);
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute(
                "lists",
                all.stream()
                        .map(k -> ListLine.of(k, runs.isRunning(job, k.id())))
                        .toList());
        return "checks/writes";
    }

    /**
     * {@code boxes} ("all" or numbers) or {@code units} ("all" or a choice of fixtures, 25,27-30), of units {@code items} ("address,label", or
     * "identify-on" or "identify-off" alone); its {@code id}.
     */
    @PostMapping("/jobs/{job}/checks/writes")
    Object prepare(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "writes", "/jobs/" + job + "/checks");
        JobState state = frames.state(job);
        Fields fields = reply.fields();
        boolean boxes = fields.has("boxes");
        Optional<Set<Integer>> chosen = boxes ? numbers(fields) : keys(fields);
        boolean identify = fields.text("items").matches("identify-o(n|ff)");
        Optional<Set<Item>> items = boxes || identify ? Optional.of(Set.of()) : items(fields);
        if (fields.isFaulty()) {
            return reply.refused();
        }
        if (!preparing.isKnown(job, boxes)) {
            return reply.conflicting(
                    boxes
                            ? "No box was asked since Taxon was started. Look for boxes first."
                            : "The rig was not read since Taxon was started, so no unit is known. Read it first.");
        }
        Set<Integer> numbers = chosen.orElseThrow();
        if (boxes) {
            return kept(job, reply, "boxes", preparing.boxes(job, state.plan(), isChosen(numbers, Box::number)));
        }
        Predicate<Line> lines = isChosen(numbers, WritesController::key);
        if (identify) {
            boolean on = fields.text("items").equals("identify-on");
            Prepared orders = preparing.identify(job, state.plan(), lines, on);
            return kept(job, reply, on ? "Units make themselves known" : "Nobody makes itself known", false, orders);
        }
        return kept(job, reply, "units", preparing.units(job, state.plan(), items.orElseThrow(), lines));
    }

    private Object kept(int job, Reply reply, String whom, Prepared prepared) {
        String title = "As planned: " + Counted.of(prepared.orders().size(), "write") + " to " + whom;
        return kept(job, reply, title, true, prepared);
    }

    private Object kept(int job, Reply reply, String title, boolean asPlanned, Prepared prepared) {
        try {
            int id = runs.prepare(job, title, reply.who(), asPlanned, prepared);
            return reply.going(at(job) + "/" + id)
                    .done(
                            "Nothing is written yet: look at the list, and arm it.",
                            Json.object().put("id", id));
        } catch (NotWrittenException e) {
            return reply.conflicting(String.valueOf(e.getMessage()));
        }
    }

    private static int key(Line line) {
        return line.key().map(FixtureKey::number).orElse(0);
    }

    /** None stands for all. */
    private static <T> Predicate<T> isChosen(Set<Integer> numbers, ToIntFunction<T> number) {
        return t -> numbers.isEmpty() || numbers.contains(number.applyAsInt(t));
    }

    /** Fixtures as they are chosen on pages: 25,27-30. */
    private static Optional<Set<Integer>> keys(Fields fields) {
        if (fields.text("units").equals(ALL)) {
            return Optional.of(Set.of());
        }
        Set<Integer> keys = new TreeSet<>();
        fields.keys("units").forEach(k -> keys.add(k.number()));
        if (keys.isEmpty()) {
            fields.refuse(
                    "units",
                    "It takes “all”, or the keys of fixtures such as 25,27-30, not “" + fields.text("units") + "”.");
        }
        return Optional.of(keys);
    }

    private static Optional<Set<Integer>> numbers(Fields fields) {
        String text = fields.text("boxes");
        if (text.equals(ALL)) {
            return Optional.of(Set.of());
        }
        if (!text.matches("\\d{1,9}(,\\d{1,9}){0,9999}")) {
            fields.refuse("boxes", "It takes “all”, or the numbers of boxes with commas, not “" + text + "”.");
            return Optional.empty();
        }
        Set<Integer> numbers = new TreeSet<>();
        Arrays.stream(text.split(",")).map(Integer::valueOf).forEach(numbers::add);
        return Optional.of(numbers);
    }

    private static Optional<Set<Item>> items(Fields fields) {
        Set<Item> items = EnumSet.noneOf(Item.class);
        for (String word : fields.text("items").split(",")) {
            Preparing.OF_UNITS.stream().filter(i -> Json.slug(i).equals(word)).forEach(items::add);
            if (word.equals("axes")) {
                items.addAll(Set.of(Item.PAN_REVERSED, Item.TILT_REVERSED, Item.AXES_SWAPPED));
            }
        }
        if (items.isEmpty()) {
            fields.refuse("items", "Say what is to be written: address, mode, label or axes.");
        }
        return Optional.of(items);
    }

    private Kept find(int job, int id) {
        return runs.find(job, id).orElseThrow(() -> new NotThereException("list " + id));
    }

    @GetMapping("/jobs/{job}/checks/writes/{id}")
    Object one(@PathVariable int job, @PathVariable int id, HttpServletRequest request, Model model) {
        frames.state(job);
        Kept kept = find(job, id);
        boolean running = runs.isRunning(job, id);
        if (Reply.wantsJson(request)) {
            ObjectNode body = WriteListJson.write(kept.list()).put("id", id).put("running", running);
            runs.armed(id).ifPresent(a -> body.put("armedUntil", a.until().toString()));
            return Reply.json(HttpStatus.OK, body);
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        WriteList list = kept.list();
        model.addAttribute("line", ListLine.of(kept, running));
        model.addAttribute("orders", orders(list));
        model.addAttribute("left", list.left());
        model.addAttribute(
                "ready", list.state() == State.READY && !list.orders().isEmpty());
        model.addAttribute("running", running);
        model.addAttribute("armed", runs.armed(id));
        model.addAttribute("outside", runs.outside(job, list));
        model.addAttribute("backs", list.back().orders().size());
        return "checks/write-list";
    }

    private static List<OrderLine> orders(WriteList list) {
        List<OrderLine> lines = new ArrayList<>();
        for (int i = 0; i < list.orders().size(); i++) {
            var order = list.orders().get(i);
            Optional<Result> result = list.result(i);
            lines.add(new OrderLine(
                    order.target().words(),
                    order.what(),
                    order.was().map(w -> w.words()).orElse("not known"),
                    order.will().words(),
                    result.map(r -> r.outcome().words()).orElse(""),
                    result.map(r -> mark(r.outcome())).orElse(""),
                    result.map(Result::says).orElse("")));
        }
        return lines;
    }

    private static String mark(Result.Outcome outcome) {
        return switch (outcome) {
            case WRITTEN -> "moss";
            case NOT_TRIED -> "note";
            case OTHERWISE, REFUSED, UNKNOWN -> "stop";
        };
    }

    /** {@code arm=network} where it leaves this machine; {@code stops=on} to write nothing more after the first surprise. */
    @PostMapping("/jobs/{job}/checks/writes/{id}/arm")
    Object arm(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        frames.state(job);
        Reply reply = Reply.to(request, "writes", at(job) + "/" + id);
        try {
            var armed = runs.arm(
                    job,
                    id,
                    reply.fields().text("arm").equals("network"),
                    reply.fields().has("stops"));
            return reply.done(
                    "Armed for a minute. Nothing is written yet.",
                    Json.object().put("until", armed.until().toString()));
        } catch (NotWrittenException e) {
            return reply.conflicting(String.valueOf(e.getMessage()));
        }
    }

    @PostMapping("/jobs/{job}/checks/writes/{id}/disarm")
    Object disarm(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        frames.state(job);
        find(job, id);
        runs.disarm(id);
        return Reply.to(request, "writes", at(job) + "/" + id).done("Disarmed; nothing was written.", Json.object());
    }

    @PostMapping("/jobs/{job}/checks/writes/{id}/write")
    Object write(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        frames.state(job);
        Reply reply = Reply.to(request, "writes", at(job) + "/" + id);
        try {
            runs.write(job, id);
            return reply.done("It is being written, and read back one by one.", Json.object());
        } catch (NotWrittenException e) {
            return reply.conflicting(String.valueOf(e.getMessage()));
        }
    }

    @PostMapping("/jobs/{job}/checks/writes/{id}/stop")
    Object stop(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        frames.state(job);
        runs.stop(job, id);
        return Reply.to(request, "writes", at(job) + "/" + id)
                .done("Nothing more is written after the one that is under way.", Json.object());
    }

    /** A list that puts back what was there before this one. */
    @PostMapping("/jobs/{job}/checks/writes/{id}/back")
    Object back(@PathVariable int job, @PathVariable int id, HttpServletRequest request) {
        frames.state(job);
        Reply reply = Reply.to(request, "writes", at(job) + "/" + id);
        if (runs.isRunning(job, id)) {
            return reply.conflicting("It is being written still; stop it first.");
        }
        Prepared back = find(job, id).list().back();
        return kept(job, reply, "Back to what was there before list " + id, false, back);
    }
}
