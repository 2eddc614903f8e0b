package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.library.TypeLibrary;
import taxon.core.library.ChannelOrder;
import taxon.core.library.StandIn;
import taxon.core.library.StandInText;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Looks for a known mode whose channels come in a typed order. It asks and changes nothing. */
@Controller
class StandInController {
    private static final int SHOWN = 25;
    private static final int MISFITS_SHOWN = 8;

    private final Frames frames;
    private final TypeLibrary library;

    StandInController(Frames frames, TypeLibrary library) {
        this.frames = frames;
        this.library = library;
    }

    /** @param modeNumber its place in the type, counted from 1 */
    record Line(StandIn standIn, int modeNumber, String fit, String advice, List<String> wrong, int more) {
        static Line of(StandIn s) {
            return new Line(
                    s,
                    s.type().modes().indexOf(s.mode()) + 1,
                    StandInText.words(s.fit()),
                    StandInText.advice(s),
                    s.wrong().stream()
                            .limit(MISFITS_SHOWN)
                            .map(StandInText::sentence)
                            .toList(),
                    Math.max(0, s.wrong().size() - MISFITS_SHOWN));
        }
    }

    @GetMapping("/jobs/{job}/types/stand-in")
    Object ask(@PathVariable int job, HttpServletRequest request, Model model) {
        String typed = Objects.requireNonNullElse(request.getParameter("order"), "");
        ChannelOrder order = ChannelOrder.of(typed);
        List<StandIn> found = StandIn.rank(order, library.index().all(), SHOWN);
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(order, found));
        }
        frames.open(job, Optional.of(Stage.TYPES), request, model);
        model.addAttribute("typed", typed);
        model.addAttribute(
                "slots", order.slots().stream().map(StandInText::words).toList());
        model.addAttribute("unknown", order.unknown());
        model.addAttribute("lines", found.stream().map(Line::of).toList());
        model.addAttribute("known", library.index().size());
        return "types/stand-in";
    }

    private static ObjectNode json(ChannelOrder order, List<StandIn> found) {
        ObjectNode body = Json.object();
        var slots = body.putArray("slots");
        order.slots().forEach(slots::add);
        var unknown = body.putArray("unknown");
        order.unknown().forEach(unknown::add);
        var list = body.putArray("standIns");
        found.forEach(s -> {
            ObjectNode one = list.addObject()
                    .put("type", s.type().id().value())
                    .put("mode", s.mode().name())
                    .put("fit", Json.slug(s.fit()))
                    .put("right", s.right())
                    .put("advice", StandInText.advice(s));
            var wrong = one.putArray("wrong");
            s.wrong().forEach(m -> wrong.add(StandInText.sentence(m)));
        });
        return body;
    }
}
