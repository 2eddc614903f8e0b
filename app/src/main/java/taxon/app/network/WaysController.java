package taxon.app.network;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.form.Fields;
import taxon.app.form.NotThereException;
import taxon.app.form.Outlets;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.NetworkEdits;
import taxon.core.routing.MovedWay;

/** How a universe is called, by which ways it leaves and who sends it. */
@Controller
class WaysController {
    private final Frames frames;
    private final JobEditor editor;

    WaysController(Frames frames, JobEditor editor) {
        this.frames = frames;
        this.editor = editor;
    }

    @GetMapping("/jobs/{job}/network/universes/{number}")
    Object page(@PathVariable int job, @PathVariable int number, HttpServletRequest request, Model model) {
        Plan plan = frames.state(job).plan();
        UniverseLine line = UniverseLine.of(plan, universe(plan, number));
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, NetworkJson.write(line));
        }
        frames.open(job, Optional.of(Stage.NETWORK), request, model);
        model.addAttribute("universe", line);
        model.addAttribute("outlets", Outlets.routable(plan));
        model.addAttribute("deliveries", Choices.ALL.deliveries());
        model.addAttribute("senders", Senders.of(plan, universe(plan, number)));
        return "network/universe";
    }

    @PostMapping("/jobs/{job}/universes")
    Object add(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "universe", "/jobs/" + job + "/network");
        Optional<Integer> number =
                reply.fields().number("universe", "universe", UniverseNumber.FIRST, UniverseNumber.LAST);
        return number.isEmpty() ? reply.refused() : put(job, number.get(), reply);
    }

    /** Its label, and with a protocol its only way; an empty protocol means that it is routed nowhere. */
    @PostMapping("/jobs/{job}/universes/{number}")
    Object change(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        universe(frames.state(job).plan(), number);
        return put(job, number, Reply.to(request, "universe-" + number, page(job, number)));
    }

    private Object put(int job, int number, Reply reply) {
        Fields fields = reply.fields();
        Plan plan = frames.state(job).plan();
        Universe before = plan.universe(UniverseNumber.of(number));
        List<Route> routes = fields.has("protocol")
                ? WayForm.read(fields, before.number(), plan).stream().toList()
                : fields.isGiven("protocol") ? List.of() : before.routes();
        String label = fields.isGiven("label") ? fields.text("label") : before.label();
        return kept(
                job, reply, fields.build("label", () -> before.labelled(label).with(routes)));
    }

    /** Adds a way, or changes the one that leads to {@code instead}, else to the same port. */
    @PostMapping("/jobs/{job}/universes/{number}/ways")
    Object way(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Plan plan = frames.state(job).plan();
        Universe before = universe(plan, number);
        Reply reply = Reply.to(request, "way", page(job, number));
        Optional<Route> way = WayForm.read(reply.fields(), before.number(), plan);
        Optional<PortRef> instead =
                reply.fields().has("instead") ? Outlets.read(reply.fields(), "instead") : way.map(Route::port);
        return kept(
                job,
                reply,
                way.flatMap(w -> reply.fields()
                        .build("outlet", () -> before.with(replaced(before.routes(), instead.orElse(w.port()), w)))));
    }

    private static List<Route> replaced(List<Route> routes, PortRef instead, Route by) {
        List<Route> changed = new ArrayList<>();
        boolean placed = false;
        for (Route route : routes) {
            if (route.port().equals(instead)) {
                changed.add(by);
                placed = true;
            } else if (!route.port().equals(by.port())) {
                changed.add(route);
            }
        }
        if (!placed) {
            changed.add(by);
        }
        return changed;
    }

    /** Takes the way to the port {@code instead} to {@code outlet}; without the first, carries it there in addition. */
    @PostMapping("/jobs/{job}/universes/{number}/ways/move")
    Object move(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Universe before = universe(frames.state(job).plan(), number);
        Reply reply = Reply.to(request, "way", page(job, number));
        long version = reply.version();
        Optional<PortRef> to = Outlets.read(reply.fields(), "outlet");
        Optional<PortRef> from =
                reply.fields().has("instead") ? Outlets.read(reply.fields(), "instead") : Optional.empty();
        return reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job,
                        version,
                        Guard.UNTOUCHED_ELEMENTS,
                        reply.who(),
                        MovedWay.of(before, from, to.orElseThrow())));
    }

    /** Takes away the way to the port {@code outlet}. */
    @PostMapping("/jobs/{job}/universes/{number}/ways/remove")
    Object removeWay(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Universe before = universe(frames.state(job).plan(), number);
        Reply reply = Reply.to(request, "way", page(job, number));
        Optional<PortRef> port = Outlets.read(reply.fields(), "outlet");
        List<Route> left = before.routes().stream()
                .filter(r -> !Optional.of(r.port()).equals(port))
                .toList();
        if (port.isPresent() && left.size() == before.routes().size()) {
            reply.fields().refuse("outlet", "Universe " + number + " does not go there.");
        }
        return kept(job, reply, port.map(p -> before.with(left)));
    }

    /** Who sends it: {@code priority-N} for each box N that does, empty for one that does not. */
    @PostMapping("/jobs/{job}/universes/{number}/sources")
    Object sources(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Plan plan = frames.state(job).plan();
        Universe before = universe(plan, number);
        Reply reply = Reply.to(request, "sources", page(job, number));
        List<Universe.Source> sources = Senders.read(reply.fields(), plan, before);
        return kept(job, reply, reply.fields().build("sources", () -> before.from(sources)));
    }

    private Object kept(int job, Reply reply, Optional<Universe> universe) {
        long version = reply.version();
        return universe.isEmpty() || reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job, version, Guard.UNTOUCHED_ELEMENTS, reply.who(), NetworkEdits.route(universe.get())));
    }

    private static String page(int job, int number) {
        return "/jobs/" + job + "/network/universes/" + number;
    }

    private static Universe universe(Plan plan, int number) {
        if (!UniverseNumber.isLegal(number)) {
            throw new NotThereException("universe " + number);
        }
        return plan.universe(UniverseNumber.of(number));
    }
}
