package taxon.app.wireless;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
import taxon.app.form.Outlets;
import taxon.app.form.Reply;
import taxon.app.frame.FindingView;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.finding.Grounds;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.RadioLink;
import taxon.core.rig.edit.Edit;
import taxon.core.text.Counted;
import taxon.core.text.Listed;
import taxon.core.wireless.AirWay;
import taxon.core.wireless.AirWays;
import taxon.core.wireless.LinkEdits;

/** Wireless links: what is to be linked to what, when it was, by whom, and after what it has to be done again. */
@Controller
class WirelessController {
    private static final String PLANNED = "planned";

    private final Frames frames;
    private final JobEditor editor;
    private final Clock clock;

    WirelessController(Frames frames, JobEditor editor, Clock clock) {
        this.frames = frames;
        this.editor = editor;
        this.clock = clock;
    }

    @GetMapping("/jobs/{job}/wireless")
    Object page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        WirelessView view = WirelessView.of(state.plan());
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, view.json(state.version()));
        }
        frames.open(job, Optional.of(Stage.NETWORK), request, model);
        model.addAttribute("wireless", view);
        model.addAttribute(
                "findings",
                state.check().findings().stream()
                        .filter(f -> f.grounds() instanceof Grounds.OfRadio)
                        .map(FindingView::of)
                        .toList());
        return "wireless/page";
    }

    /** Notes that {@code receiver} were linked just now, {@code to} box/port or {@code planned}: each where the plan has it. */
    @PostMapping("/jobs/{job}/wireless/link")
    Object link(@PathVariable int job, HttpServletRequest request) {
        return change(job, request, (reply, plan) -> edit(reply, plan, ReceiverNames.read(reply.fields(), "receiver")));
    }

    private Optional<Edit> edit(Reply reply, Plan plan, List<RadioLink.Receiver> receivers) {
        Fields fields = reply.fields();
        if (fields.has("to") && !fields.text("to").equals(PLANNED)) {
            return Outlets.read(fields, "to").map(to -> link(reply, receivers, to));
        }
        AirWays ways = AirWays.of(plan);
        Map<PortRef, List<RadioLink.Receiver>> byChannel = new LinkedHashMap<>();
        List<RadioLink.Receiver> open = new ArrayList<>();
        for (RadioLink.Receiver receiver : receivers) {
            List<PortRef> channels = ways.of(receiver).map(AirWay::channels).orElse(List.of());
            if (channels.size() == 1) {
                byChannel
                        .computeIfAbsent(channels.get(0), c -> new ArrayList<>())
                        .add(receiver);
            } else {
                open.add(receiver);
            }
        }
        if (!open.isEmpty()) {
            fields.refuse(
                    "to",
                    "The plan has no one channel for "
                            + Listed.of(open.stream()
                                    .map(r -> NetworkText.receiver(plan, r))
                                    .toList())
                            + "; choose the channel.");
        }
        return Optional.of(Edit.inTurn(
                Counted.of(receivers.size(), "receiver") + " linked",
                byChannel.entrySet().stream()
                        .map(e -> link(reply, e.getValue(), e.getKey()))
                        .toList()));
    }

    private Edit link(Reply reply, List<RadioLink.Receiver> receivers, PortRef to) {
        return LinkEdits.link(receivers, to, clock.instant(), reply.who());
    }

    /**
     * Notes {@code after} what the links of {@code receiver}, or all to the {@code channel} box/port, do not hold any more.
     */
    @PostMapping("/jobs/{job}/wireless/lost")
    Object lost(@PathVariable int job, HttpServletRequest request) {
        return change(job, request, (reply, plan) -> {
            Fields fields = reply.fields();
            List<RadioLink.Receiver> receivers =
                    fields.has("channel") ? linkedTo(fields, plan) : ReceiverNames.read(fields, "receiver");
            return fields.build("after", () -> new RadioLink.Loss(clock.instant(), reply.who(), fields.text("after")))
                    .map(loss -> LinkEdits.lose(receivers, loss));
        });
    }

    private static List<RadioLink.Receiver> linkedTo(Fields fields, Plan plan) {
        Optional<PortRef> channel = Outlets.read(fields, "channel");
        List<RadioLink.Receiver> linked = plan.radioLinks().stream()
                .filter(l -> channel.equals(Optional.of(l.to())) && l.lost().isEmpty())
                .map(RadioLink::receiver)
                .toList();
        if (linked.isEmpty() && !fields.isFaulty()) {
            fields.refuse("channel", "No receiver is known to be linked to it.");
        }
        return linked;
    }

    /** Forgets what was said of the links of {@code receiver}. */
    @PostMapping("/jobs/{job}/wireless/forget")
    Object forget(@PathVariable int job, HttpServletRequest request) {
        return change(
                job,
                request,
                (reply, plan) -> Optional.of(LinkEdits.forget(ReceiverNames.read(reply.fields(), "receiver"))));
    }

    private interface Wanted {
        /** What is to be done; faults are in the reply's fields. */
        Optional<Edit> edit(Reply reply, Plan plan);
    }

    private Object change(int job, HttpServletRequest request, Wanted wanted) {
        Reply reply = Reply.to(request, "wireless", "/jobs/" + job + "/wireless");
        long version = reply.version();
        Optional<Edit> edit = wanted.edit(reply, frames.state(job).plan());
        return edit.isEmpty() || reply.fields().isFaulty()
                ? reply.refused()
                : reply.after(editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, reply.who(), edit.get()));
    }
}
