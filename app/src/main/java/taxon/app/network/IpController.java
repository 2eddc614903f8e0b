package taxon.app.network;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.cards.Cards;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.proposals.ProposalDesk;
import taxon.core.network.BoxKind;
import taxon.core.network.IpRules;
import taxon.core.network.Ipv4;
import taxon.core.network.NetworkRules;
import taxon.core.network.Subnet;
import taxon.core.rig.edit.NetworkEdits;
import taxon.core.text.Texts;
import taxon.formats.json.Json;

/** The job's range of addresses, and the card that Taxon speaks from. */
@Controller
class IpController {
    private final Frames frames;
    private final JobEditor editor;
    private final ProposalDesk desk;
    private final Cards cards;

    IpController(Frames frames, JobEditor editor, ProposalDesk desk, Cards cards) {
        this.frames = frames;
        this.editor = editor;
        this.desk = desk;
        this.cards = cards;
    }

    /** Proposes an address for every box: {@code range}, {@code others} for further networks,
     * {@code first-KIND} where a kind begins, {@code anew} = yes to move all. */
    @PostMapping("/jobs/{job}/ip-plan")
    Object propose(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "ip-plan", "/jobs/" + job + "/network");
        JobState state = frames.state(job);
        Optional<IpRules> rules = rules(reply.fields());
        if (rules.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        int id = desk.open(
                job,
                state.version(),
                IpKind.NAME,
                IpKind.request(rules.get(), reply.fields().text("anew").equals("yes")));
        return reply.done(
                "Proposed; no address has changed yet.",
                "/jobs/" + job + "/ip-plan/" + id,
                Json.object().put("proposal", id));
    }

    private static Optional<IpRules> rules(Fields fields) {
        Optional<Subnet> range = Subnet.parse(fields.text("range"));
        if (range.isEmpty()) {
            fields.refuse(
                    "range",
                    "The range reads " + Texts.clip(fields.text("range"), 60)
                            + "; it takes 10.0.0.0/24 or 10.0.0.0 255.255.255.0.");
            return Optional.empty();
        }
        Map<BoxKind, Integer> first = new EnumMap<>(IpRules.usual(range.get()).first());
        for (BoxKind kind : BoxKind.values()) {
            fields.numberOrNone(
                            "first-" + Json.slug(kind),
                            "first " + kind.words(),
                            1,
                            range.get().hosts())
                    .ifPresent(host -> first.put(kind, host));
        }
        List<Subnet> others = others(fields);
        return fields.isFaulty()
                ? Optional.empty()
                : fields.build("others", () -> new IpRules(range.get(), first, others));
    }

    /** "10.1.0.0/24, 192.168.2.0/24"; none for one network. */
    private static List<Subnet> others(Fields fields) {
        List<Subnet> others = new ArrayList<>();
        for (String part : fields.text("others").split("[,;]")) {
            if (!part.isBlank()) {
                Subnet.parse(part)
                        .ifPresentOrElse(
                                others::add,
                                () -> fields.refuse(
                                        "others",
                                        "The network reads " + Texts.clip(part.strip(), 60)
                                                + "; it takes 10.1.0.0/24 or 10.1.0.0 255.255.255.0, several with commas."));
            }
        }
        return others;
    }

    /** Chooses the card that the job is spoken from; empty for the one that Taxon was started with. */
    @PostMapping("/jobs/{job}/card")
    Object card(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "card", "/jobs/" + job + "/network");
        long version = reply.version();
        Optional<Ipv4> ip = Ipv4.parse(reply.fields().text("card"));
        boolean none = !reply.fields().has("card");
        if (!none && ip.flatMap(cards::find).isEmpty()) {
            reply.fields()
                    .refuse(
                            "card",
                            "This computer has no card with the address "
                                    + Texts.clip(reply.fields().text("card"), 60) + ".");
        }
        List<Ipv4> beside = beside(request, reply.fields());
        if (reply.fields().isFaulty()) {
            return reply.refused();
        }
        NetworkRules rules = frames.state(job).plan().sheet().network().from(none ? Optional.empty() : ip, beside);
        String others =
                rules.beside().stream().map(b -> ", and " + b + " beside it").collect(Collectors.joining());
        String title = (none ? "Spoken from the usual card" : "Spoken from " + ip.orElseThrow()) + others;
        return reply.after(
                editor.apply(job, version, Guard.UNTOUCHED_ELEMENTS, reply.who(), NetworkEdits.rules(title, rules)));
    }

    /** The cards that are ticked, each of this computer. */
    private List<Ipv4> beside(HttpServletRequest request, Fields fields) {
        List<Ipv4> beside = new ArrayList<>();
        String[] ticked = request.getParameterValues("also");
        for (String text : ticked == null ? new String[0] : ticked) {
            Optional<Ipv4> ip = Ipv4.parse(text);
            if (ip.flatMap(cards::find).isEmpty()) {
                fields.refuse("also", "This computer has no card with the address " + Texts.clip(text, 60) + ".");
            } else {
                beside.add(ip.get());
            }
        }
        if (beside.size() > NetworkRules.MOST_BESIDE) {
            fields.refuse(
                    "also", beside.size() + " cards beside the first are more than " + NetworkRules.MOST_BESIDE + ".");
        }
        return beside;
    }
}
