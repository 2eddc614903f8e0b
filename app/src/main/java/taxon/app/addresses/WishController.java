package taxon.app.addresses;

import jakarta.servlet.http.HttpServletRequest;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.addresses.wish.PlacementJson;
import taxon.app.addresses.wish.PriceLine;
import taxon.app.addresses.wish.WishFields;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.proposals.ComputedProposals.Running;
import taxon.app.proposals.ProposalDesk;
import taxon.core.addressing.Planner;
import taxon.core.addressing.Planner.StylePrice;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.rig.KeptWish;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.WishEdits;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** What is wished of the addresses: the price of each style, the wish in force, and those kept by name. */
@Controller
public class WishController {
    private static final String FORM = "place";

    private final Frames frames;
    private final JobEditor editor;
    private final ProposalDesk desk;

    public WishController(Frames frames, JobEditor editor, ProposalDesk desk) {
        this.frames = frames;
        this.editor = editor;
        this.desk = desk;
    }

    /** The four styles side by side for the wish in the form; a piece of the page, or JSON. */
    @GetMapping("/jobs/{job}/addresses/prices")
    public Object prices(@PathVariable int job, HttpServletRequest request, Model model) {
        Reply reply = Reply.to(request, FORM, page(job));
        JobState state = frames.state(job);
        Optional<PlacementRequest> wanted =
                WishFields.request(reply.fields(), state.plan().wish().orElse(Wish.USUAL));
        if (wanted.isEmpty()) {
            model.addAttribute("fault", reply.fields().fault());
            return Reply.wantsJson(request) ? reply.refused() : "addresses/prices :: faults";
        }
        var lines = PriceLine.of(prices(state, wanted.get()), wanted.get());
        if (Reply.wantsJson(request)) {
            ObjectNode body = Json.object();
            var list = body.putArray("styles");
            lines.forEach(l -> list.addObject()
                    .put("style", l.style())
                    .put("touched", l.set())
                    .put("plannedOnly", l.planned())
                    .put("first", l.first())
                    .put("universes", l.universes())
                    .put("notPlaced", l.notPlaced())
                    .put("proof", l.proof()));
            return Reply.json(HttpStatus.OK, body);
        }
        model.addAttribute("prices", lines);
        return "addresses/prices :: prices";
    }

    /** All four begin at once; each is the proposal that would be made, and is kept for it. */
    private List<StylePrice> prices(JobState state, PlacementRequest wanted) {
        Map<Style, Running<Optional<AddressProposal>>> running = new EnumMap<>(Style.class);
        for (Style style : Style.values()) {
            PlacementRequest request = wanted.withStyle(style);
            running.put(
                    style,
                    desk.computed(
                            state,
                            PlacementJson.question(request),
                            (plan, effort) -> Planner.propose(plan, request, effort)));
        }
        return running.entrySet().stream()
                .map(e -> Planner.price(e.getKey(), e.getValue().get().orElseThrow()))
                .toList();
    }

    /** Puts the wish in the form in force, or with a name keeps it. */
    @PostMapping("/jobs/{job}/wishes")
    public Object keep(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, FORM, page(job));
        long version = reply.version();
        Optional<Wish> wish =
                WishFields.wish(reply.fields(), frames.state(job).plan().wish().orElse(Wish.USUAL));
        String name = reply.fields().text("wishName");
        Optional<KeptWish> named = wish.flatMap(w -> reply.fields().build("wishName", () -> KeptWish.inForce(name, w)));
        if (named.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        Edit edit = name.isEmpty()
                ? WishEdits.enforce(name, named.get().wish())
                : Edit.inTurn(
                        "Wish kept: " + name,
                        List.of(
                                WishEdits.keep(named.get().wish(), name),
                                WishEdits.enforce(name, named.get().wish())));
        return reply.after(editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), edit));
    }

    /** Takes a kept wish up again: it is in force from now on. */
    @PostMapping("/jobs/{job}/wishes/{number}/enforce")
    public Object enforce(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        Optional<KeptWish> kept = frames.state(job).plan().keptWishes().stream()
                .filter(w -> w.number() == number)
                .findFirst();
        return kept.map(w -> change(job, request, WishEdits.enforce(w.name(), w.wish())))
                .orElseGet(() -> Reply.to(request, FORM, page(job)).conflicting("This wish is no longer kept."));
    }

    @PostMapping("/jobs/{job}/wishes/{number}/forget")
    public Object forget(@PathVariable int job, @PathVariable int number, HttpServletRequest request) {
        return change(job, request, WishEdits.forget(number));
    }

    /** From now on no wish is in force. */
    @PostMapping("/jobs/{job}/wishes/lift")
    public Object lift(@PathVariable int job, HttpServletRequest request) {
        return change(job, request, WishEdits.lift());
    }

    private Object change(int job, HttpServletRequest request, Edit edit) {
        Reply reply = Reply.to(request, FORM, page(job));
        long version = reply.version();
        return reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, People.of(request), edit));
    }

    private static String page(int job) {
        return "/jobs/" + job + "/addresses";
    }
}
