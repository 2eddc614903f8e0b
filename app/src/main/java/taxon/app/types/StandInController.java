package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.form.Fields;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.library.ModeTarget;
import taxon.app.library.TypeLibrary;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.RemoteManagement;
import taxon.core.fixture.SettingGuide;
import taxon.core.fixture.TypeId;
import taxon.core.library.ChannelOrder;
import taxon.core.library.StandIn;
import taxon.core.library.StandInText;
import taxon.core.text.Texts;
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
        model.addAttribute("leftOut", StandInText.leftOut(order));
        model.addAttribute("lines", found.stream().map(Line::of).toList());
        model.addAttribute("known", library.index().size());
        return "types/stand-in";
    }

    /**
     * Keeps a known mode as what a unit is taken for: a type under the unit's own name with that one mode. {@code of} is the
     * stand-in as {@code heron/24-channel}, {@code maker} and {@code name} the real unit's.
     */
    @PostMapping("/jobs/{job}/types/stand-in")
    Object keep(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(
                request,
                "stand-in",
                "/jobs/" + job + "/types/stand-in?order="
                        + URLEncoder.encode(
                                Objects.requireNonNullElse(request.getParameter("order"), ""), StandardCharsets.UTF_8));
        Fields fields = reply.fields();
        fields.build("maker", () -> Texts.requireLine("maker", fields.text("maker"), 60));
        fields.build("name", () -> Texts.requireLine("name", fields.text("name"), 60));
        Optional<ModeTarget.Found> chosen = ModeTarget.read(fields.text("of"))
                .flatMap(t -> t.in(library.knownTo(frames.state(job).plan())));
        if (chosen.isEmpty()) {
            fields.refuse("of", "“" + Texts.clip(fields.text("of"), 60) + "” is no type and mode that is known here.");
        }
        if (fields.isFaulty()) {
            return reply.refused();
        }
        FixtureType type = standingIn(fields.text("maker"), fields.text("name"), chosen.orElseThrow());
        TypeId id =
                library.keep(type, Optional.empty(), chosen.map(c -> c.type().id()));
        return reply.done(
                type.fullName() + " is patched as " + words(chosen.get()) + ".",
                "/jobs/" + job + "/types/" + id,
                Json.object().put("type", id.value()));
    }

    /** What only the stand-in's own units are known by, such as personalities, is not the real unit's. */
    private static FixtureType standingIn(String maker, String name, ModeTarget.Found chosen) {
        Facts of = chosen.type().facts();
        Facts facts = new Facts(
                of.hazard(),
                of.reach(),
                of.inputs(),
                of.outputs(),
                of.loadEighths(),
                Optional.empty(),
                RemoteManagement.NONE,
                SettingGuide.first(of.settings()));
        Mode mode = new Mode(
                chosen.mode().name(),
                Optional.empty(),
                chosen.mode().blocks(),
                chosen.mode().breaks());
        TypeId id = TypeId.named(maker, name);
        return new FixtureType(
                id,
                FixtureType.guidOf(id),
                maker,
                name,
                Texts.clip(name, FixtureType.LONGEST_SHORT_NAME),
                "",
                Texts.clip("stand-in: " + words(chosen), 80),
                facts,
                List.of(mode));
    }

    private static String words(ModeTarget.Found chosen) {
        return chosen.type().fullName() + ", " + chosen.mode().name();
    }

    private static ObjectNode json(ChannelOrder order, List<StandIn> found) {
        ObjectNode body = Json.object();
        var slots = body.putArray("slots");
        order.slots().forEach(slots::add);
        var unknown = body.putArray("unknown");
        order.unknown().forEach(unknown::add);
        StandInText.leftOut(order).ifPresent(sentence -> body.put("leftOut", sentence));
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
