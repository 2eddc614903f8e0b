package taxon.app.network;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.NotThereException;
import taxon.app.form.Reply;
import taxon.app.frame.FindingView;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Counting;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Node;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.NetworkEdits;
import taxon.core.text.Texts;

/** Nodes, and how each universe leaves. */
@Controller
class NetworkController {
    private static final String ART_NET = "art-net";
    private static final String SACN = "sacn";

    private final Frames frames;
    private final JobEditor editor;

    NetworkController(Frames frames, JobEditor editor) {
        this.frames = frames;
        this.editor = editor;
    }

    @GetMapping("/jobs/{job}/network")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        List<UniverseLine> universes = state.plan().universes().stream()
                .map(u -> UniverseLine.of(state.plan(), u))
                .toList();
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, NetworkJson.write(state, universes));
        }
        frames.open(job, Optional.of(Stage.NETWORK), request, model);
        model.addAttribute("drawing", NetworkDrawing.of(state.plan()));
        model.addAttribute("universes", universes);
        String box = Objects.requireNonNullElse(request.getParameter("box"), "");
        model.addAttribute("box", BoxMeaning.shown(box));
        model.addAttribute("meanings", BoxMeaning.of(box, state.plan()));
        model.addAttribute("counting", state.plan().sheet().counting());
        model.addAttribute("nodes", state.plan().nodes());
        model.addAttribute(
                "findings",
                state.check().findings().stream()
                        .filter(f -> Stage.NETWORK.rules().contains(f.rule()))
                        .map(FindingView::of)
                        .toList());
        return "network/page";
    }

    @PostMapping("/jobs/{job}/nodes")
    Object addNode(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "node", "/jobs/" + job + "/network");
        long version = reply.version();
        Optional<Node> node = node(reply.fields(), 1);
        return node.isEmpty() || reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job,
                        version,
                        Guard.UNCHANGED_JOB,
                        People.of(request),
                        NetworkEdits.addNode(
                                node.get().name(), node.get().ip(), node.get().ports())));
    }

    @PostMapping("/jobs/{job}/nodes/{number}")
    Object changeNode(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "node-" + number, "/jobs/" + job + "/network");
        if (frames.state(job).plan().node(number).isEmpty()) {
            throw new NotThereException("node " + number);
        }
        long version = reply.version();
        Optional<Node> node = node(reply.fields(), number);
        return node.isEmpty() || reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), NetworkEdits.putNode(node.get())));
    }

    @PostMapping("/jobs/{job}/nodes/{number}/remove")
    Object removeNode(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "node-" + number, "/jobs/" + job + "/network");
        long version = reply.version();
        return reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), NetworkEdits.removeNode(number)));
    }

    private static Optional<Node> node(Fields fields, int number) {
        Optional<Integer> ports = fields.number("ports", "number of ports", 1, Node.MOST_PORTS);
        Optional<Ipv4> ip = Ipv4.parse(fields.text("ip")).filter(Ipv4::isHost);
        if (ip.isEmpty()) {
            fields.refuse(
                    "ip",
                    "The IP address is " + Texts.clip(fields.text("ip"), 60)
                            + "; it takes four numbers such as 10.0.0.20, the first 1 to 223.");
        }
        return fields.isFaulty()
                ? Optional.empty()
                : fields.build(
                        "name", () -> new Node(number, fields.text("name"), ip.orElseThrow(), ports.orElseThrow()));
    }

    @PostMapping("/jobs/{job}/universes")
    Object addUniverse(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "universe", "/jobs/" + job + "/network");
        Optional<Integer> number = number(reply.fields());
        return number.isEmpty() ? reply.refused() : route(job, number.get(), reply);
    }

    private static Optional<Integer> number(Fields fields) {
        return fields.number("universe", "universe", UniverseNumber.FIRST, UniverseNumber.LAST);
    }

    @PostMapping("/jobs/{job}/universes/{number}")
    Object changeUniverse(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Reply reply = Reply.to(request, "universe-" + number, "/jobs/" + job + "/network");
        if (!UniverseNumber.isLegal(number)) {
            reply.fields()
                    .refuse("universe", "The universe is " + number + "; it takes 1 to " + UniverseNumber.LAST + ".");
            return reply.refused();
        }
        return route(job, number, reply);
    }

    private Object route(int job, int number, Reply reply) {
        Fields fields = reply.fields();
        long version = reply.version();
        Optional<Route> route =
                fields.has("protocol") ? route(fields, number, frames.state(job).plan()) : Optional.empty();
        Optional<Universe> universe = fields.isFaulty()
                ? Optional.empty()
                : fields.build("label", () -> new Universe(UniverseNumber.of(number), fields.text("label"), route));
        return universe.isEmpty()
                ? reply.refused()
                : reply.after(editor.apply(
                        job, version, Guard.UNTOUCHED_ELEMENTS, reply.who(), NetworkEdits.route(universe.get())));
    }

    /** Without a number it goes by the job's counting. */
    private static Optional<Route> route(Fields fields, int universe, Plan plan) {
        String[] outlet = (fields.text("outlet") + "/").split("/", 3);
        Optional<PortRef> port = outlet[0].matches("\\d{1,6}") && outlet[1].matches("\\d{1,3}")
                ? fields.build("outlet", () -> new PortRef(Integer.parseInt(outlet[0]), Integer.parseInt(outlet[1])))
                : Optional.empty();
        if (port.isEmpty()) {
            fields.refuse("outlet", "Choose a node and a port; it takes node/port, such as 1/2.");
        }
        Optional<UniverseNumber> counted = Optional.of(universe)
                .filter(u -> !fields.has("carriedAs") && UniverseNumber.isLegal(u))
                .map(UniverseNumber::of);
        Counting counting = plan.sheet().counting();
        return switch (fields.text("protocol")) {
            case ART_NET -> {
                Optional<PortAddress> address = counted.flatMap(counting::portAddress)
                        .or(() -> fields.number("carriedAs", "Port-Address", 0, PortAddress.LAST)
                                .map(PortAddress::new));
                yield port.flatMap(p -> address.map(a -> new Route.ArtNet(a, p)));
            }
            case SACN -> {
                Optional<SacnUniverse> number = counted.flatMap(counting::sacn)
                        .or(() -> fields.number(
                                        "carriedAs",
                                        "streaming ACN universe",
                                        UniverseNumber.FIRST,
                                        UniverseNumber.LAST)
                                .map(SacnUniverse::new));
                yield port.flatMap(p -> number.map(n -> new Route.Sacn(n, p)));
            }
            default -> {
                fields.refuse("protocol", "The protocol is one of art-net and sacn, or empty for no route.");
                yield Optional.empty();
            }
        };
    }
}
