package taxon.app.demo;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import taxon.app.demo.DemoDesk.Act;
import taxon.app.demo.DemoFaults.Kind;
import taxon.app.demo.DemoFaults.UnitKind;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.live.LiveFeed;
import taxon.core.rig.Box;
import taxon.formats.json.Json;
import taxon.simrig.SimFault;
import taxon.simrig.SimNode;
import taxon.simrig.SimUnit;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The simulated rig behind the demo: faults on demand, to see what checks make of them. Not there where real work is served. */
@Controller
@ConditionalOnProperty("taxon.demo")
class DemoRigController {
    private final DemoFaults rig;
    private final DemoDesk desk;
    private final DemoPractice practice;
    private final Frames frames;
    private final LiveFeed live;

    DemoRigController(DemoFaults rig, DemoDesk desk, DemoPractice practice, Frames frames, LiveFeed live) {
        this.practice = practice;
        this.live = live;
        this.rig = rig;
        this.desk = desk;
        this.frames = frames;
    }

    /** A box of the rig as it is now. */
    record BoxLine(String name, String ip, List<String> faults) {
        /** While somebody practises it is not told what is wrong. */
        static BoxLine hiding(SimNode node) {
            return new BoxLine(node.name(), "", List.of("hidden while somebody practises"));
        }

        static BoxLine of(SimNode node) {
            return new BoxLine(
                    node.name(),
                    node.ip().toString(),
                    node.faults().stream().map(SimFault::words).toList());
        }
    }

    /** "204 is dead", for each unit that was given a fault. */
    private List<String> faultyUnits() {
        return rig.rig().stream()
                .flatMap(r -> r.units().stream())
                .flatMap(u -> u.faults().stream().map(f -> u.hangs() + " " + f.words()))
                .toList();
    }

    /** A kind to choose. */
    record Choice(String value, String words) {}

    @GetMapping("/jobs/{job}/simulated-rig")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        List<BoxLine> boxes = rig.boxes().stream()
                .map(b -> practice.isRunning() ? BoxLine.hiding(b) : BoxLine.of(b))
                .toList();
        if (Reply.wantsJson(request)) {
            return Reply.json(
                    HttpStatus.OK, json(boxes).put("console", desk.state().orElse("")));
        }
        frames.open(job, Optional.of(Stage.CHECKS), request, model);
        model.addAttribute("boxes", boxes);
        model.addAttribute(
                "unitKinds",
                Arrays.stream(UnitKind.values())
                        .map(k -> new Choice(Json.slug(k), k.words()))
                        .toList());
        model.addAttribute("faultyUnits", practice.isRunning() ? List.of() : faultyUnits());
        model.addAttribute("practising", practice.isRunning());
        model.addAttribute("pluggedIn", rig.isPluggedIn());
        model.addAttribute("desk", desk.state());
        model.addAttribute(
                "acts",
                Arrays.stream(Act.values())
                        .map(a -> new Choice(Json.slug(a), a.words()))
                        .toList());
        model.addAttribute(
                "kinds",
                Arrays.stream(Kind.values())
                        .map(k -> new Choice(Json.slug(k), k.words()))
                        .toList());
        return "checks/simulated";
    }

    private static ObjectNode json(List<BoxLine> boxes) {
        ObjectNode body = Json.object();
        ArrayNode all = body.putArray("boxes");
        boxes.forEach(b -> {
            ArrayNode faults =
                    all.addObject().put("name", b.name()).put("ip", b.ip()).putArray("faults");
            b.faults().forEach(faults::add);
        });
        return body;
    }

    /** What the units do now: drawn, or as JSON with where each listens. */
    @GetMapping("/jobs/{job}/simulated-rig/units")
    Object units(@PathVariable int job, HttpServletRequest request, Model model) {
        if (Reply.wantsJson(request)) {
            frames.state(job);
            return Reply.json(HttpStatus.OK, DemoUnits.json(rig.boxes()));
        }
        model.addAttribute(
                "rows",
                DemoUnits.rows(frames.open(job, Optional.of(Stage.CHECKS), request, model)
                        .plan()));
        return "checks/simulated-units";
    }

    @GetMapping(path = "/jobs/{job}/simulated-rig/units/follow", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter follow(@PathVariable int job) {
        frames.state(job);
        return live.follow("simulated units", () -> DemoUnits.json(rig.boxes()).toString());
    }

    /** Gives the box {@code box} (by name) the fault {@code fault}, at {@code port} where it is one of a port. */
    @PostMapping("/jobs/{job}/simulated-rig/faults")
    Object add(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "fault", "/jobs/" + job + "/simulated-rig");
        Optional<SimNode> box = rig.boxes().stream()
                .filter(b -> b.name().equals(reply.fields().text("box")))
                .findFirst();
        if (box.isEmpty()) {
            reply.fields().refuse("box", "The simulated rig has no such box.");
        }
        Optional<Kind> kind = reply.fields().choice("fault", Kind.class, Kind.OTHER_IP);
        Optional<Integer> port =
                reply.fields().has("port") ? reply.fields().number("port", "port", 1, Box.MOST_PORTS) : Optional.of(1);
        if (reply.fields().isFaulty() || box.isEmpty() || kind.isEmpty()) {
            return reply.refused();
        }
        return done(
                reply,
                "The box has the fault now; read the rig to see what that looks like.",
                () -> rig.add(box.get(), kind.get(), port.orElseThrow()));
    }

    /** Gives the unit {@code unit} (by what is written on it) the fault {@code unitFault}. */
    @PostMapping("/jobs/{job}/simulated-rig/unit-faults")
    Object addToUnit(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "unitFault", "/jobs/" + job + "/simulated-rig");
        Optional<SimUnit> unit = rig.unit(reply.fields().text("unit"));
        if (unit.isEmpty()) {
            reply.fields().refuse("unit", "The simulated rig has no unit on which that is written.");
        }
        Optional<UnitKind> kind = reply.fields().choice("unitFault", UnitKind.class, UnitKind.DEAD);
        if (reply.fields().isFaulty() || unit.isEmpty() || kind.isEmpty()) {
            return reply.refused();
        }
        return done(reply, "The unit has the fault now.", () -> rig.add(unit.get(), kind.get()));
    }

    /** Lets the console {@code act}. */
    @PostMapping("/jobs/{job}/simulated-rig/console")
    Object console(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "console", "/jobs/" + job + "/simulated-rig");
        Optional<Act> act = reply.fields().choice("act", Act.class, Act.RUN);
        if (act.isEmpty()) {
            return reply.refused();
        }
        return desk.act(act.get())
                .map(told -> reply.done(told, Json.object()))
                .orElseGet(() -> reply.conflicting("There is no console: no loopback address was free."));
    }

    /** Pulls the interface on USB out. */
    @PostMapping("/jobs/{job}/simulated-rig/unplug")
    Object unplug(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "fault", "/jobs/" + job + "/simulated-rig");
        return done(reply, "The interface on USB is pulled out.", rig::pullOut);
    }

    /** All boxes as they are planned again. */
    @PostMapping("/jobs/{job}/simulated-rig/heal")
    Object heal(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "fault", "/jobs/" + job + "/simulated-rig");
        return done(reply, "The simulated boxes have no fault any more.", rig::heal);
    }

    private interface Work {
        void run() throws IOException;
    }

    private static Object done(Reply reply, String told, Work work) {
        try {
            work.run();
            return reply.done(told, Json.object());
        } catch (IllegalArgumentException e) {
            reply.fields().refuse("port", e.getMessage() + ".");
        } catch (IOException e) {
            reply.fields().refuse("box", "It cannot sit there: " + e.getMessage() + ".");
        }
        return reply.refused();
    }
}
