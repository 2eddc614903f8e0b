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
import taxon.app.cards.Cards;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.FindingView;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;

/** The stage: boxes, and how each universe leaves. */
@Controller
class NetworkController {
    private final Frames frames;
    private final Cards cards;

    NetworkController(Frames frames, Cards cards) {
        this.frames = frames;
        this.cards = cards;
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
        Fold fold = Fold.of(state.plan(), request);
        model.addAttribute("drawnLater", fold.isLong());
        if (fold.isLong()) {
            model.addAttribute("folded", fold);
        } else {
            model.addAttribute("drawing", fold.drawing(state, request));
        }
        model.addAttribute("universes", universes);
        String box = Objects.requireNonNullElse(request.getParameter("box"), "");
        model.addAttribute("box", BoxMeaning.shown(box));
        model.addAttribute("meanings", BoxMeaning.of(box, state.plan()));
        model.addAttribute("counting", state.plan().sheet().counting());
        model.addAttribute("boxes", state.plan().boxes());
        model.addAttribute("cards", CardView.all(state.plan(), cards.all()));
        model.addAttribute(
                "chosenCard",
                state.plan().sheet().network().card().map(Object::toString).orElse(""));
        model.addAttribute("load", LoadView.of(state.plan()));
        model.addAttribute("ipPlan", IpPlanView.of(state.plan()));
        model.addAttribute("kinds", Choices.ALL.kinds());
        model.addAttribute(
                "findings",
                state.check().findings().stream()
                        .filter(f -> Stage.NETWORK.rules().contains(f.rule()))
                        .map(FindingView::of)
                        .toList());
        return "network/page";
    }

    /** The drawing alone, for a page that did not wait for it. */
    @GetMapping("/jobs/{job}/network/drawing")
    String drawing(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        frames.open(job, Optional.of(Stage.NETWORK), request, model);
        model.addAttribute("drawing", Fold.of(state.plan(), request).drawing(state, request));
        return "network/drawing :: drawn";
    }
}
