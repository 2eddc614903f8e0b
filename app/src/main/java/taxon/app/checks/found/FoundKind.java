package taxon.app.checks.found;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.checks.Readings;
import taxon.app.checks.boxes.BoxSearches;
import taxon.app.edit.JobState;
import taxon.app.frame.Stage;
import taxon.app.library.TypeLibrary;
import taxon.app.proposals.ProposalDesk;
import taxon.app.proposals.ProposalKind;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.boxcheck.SeenBox;
import taxon.core.fixture.FixtureType;
import taxon.core.found.FoundProposal;
import taxon.core.network.Ipv4;
import taxon.core.packing.Effort;
import taxon.core.proof.FoundUnit;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;
import taxon.core.text.Counted;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Boxes and units that answered and were not planned. */
@Component
class FoundKind implements ProposalKind<FoundProposal> {
    static final String NAME = "found";

    private final BoxSearches searches;
    private final Readings readings;
    private final TypeLibrary library;

    FoundKind(BoxSearches searches, Readings readings, TypeLibrary library) {
        this.searches = searches;
        this.readings = readings;
        this.library = library;
    }

    static ObjectNode request(List<Ipv4> boxes, List<String> units) {
        ObjectNode request = Json.object();
        ArrayNode addresses = request.putArray("boxes");
        boxes.forEach(b -> addresses.add(b.toString()));
        ArrayNode uids = request.putArray("units");
        units.forEach(uids::add);
        return request;
    }

    private static List<String> words(StoredProposal stored, String field) {
        return ProposalDesk.request(stored)
                .path(field)
                .valueStream()
                .map(JsonNode::asString)
                .toList();
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public String path() {
        return NAME;
    }

    @Override
    public Stage stage() {
        return Stage.CHECKS;
    }

    @Override
    public String template() {
        return "checks/found";
    }

    /** What was found since is another question. */
    @Override
    public String question(StoredProposal stored) {
        return ProposalKind.super.question(stored) + " library " + library.version();
    }

    /** Empty once one of them is not known any more: since Taxon was started nobody has looked. */
    @Override
    public Optional<FoundProposal> compute(StoredProposal stored, JobState state, Effort effort) {
        List<String> addresses = words(stored, "boxes");
        List<String> uids = words(stored, "units");
        List<SeenBox> boxes = searches.of(state.job()).heard().stream()
                .flatMap(h -> h.unplanned(state.plan()).stream())
                .filter(s -> addresses.contains(s.answering().toString()))
                .toList();
        List<FoundUnit> units = readings.state(state.job()).last().stream()
                .flatMap(r -> r.units().stream())
                .filter(u -> uids.contains(u.uid()))
                .toList();
        return boxes.size() < addresses.size() || units.size() < uids.size()
                ? Optional.empty()
                : Optional.of(FoundProposal.of(state.plan(), boxes, units, u -> type(state.plan(), u)));
    }

    private Optional<FixtureType> type(Plan plan, FoundUnit unit) {
        return plan.types()
                .named(unit.maker(), unit.model())
                .or(() -> library.index().named(unit.maker(), unit.model()).flatMap(s -> library.find(s.id())));
    }

    @Override
    public String headline(Looked<FoundProposal> looked) {
        FoundProposal proposal = looked.content();
        List<String> parts = new ArrayList<>();
        if (!proposal.boxes().isEmpty()) {
            parts.add((proposal.boxes().size() == 1 ? "1 box" : proposal.boxes().size() + " boxes") + " with "
                    + Counted.of(proposal.ways(), "way") + " of planned universes");
        }
        parts.add(
                proposal.units().isEmpty()
                        ? "no unit"
                        : Counted.of(proposal.units().size(), "unit"));
        return String.join(", ", parts) + " taken into the plan";
    }

    /** A line of the page. */
    public record Line(String what, String how) {}

    private static List<Line> lines(FoundProposal proposal) {
        List<Line> lines = new ArrayList<>();
        for (Box box : proposal.boxes()) {
            lines.add(new Line(
                    box.name() + " at " + box.card().orElseThrow(),
                    Counted.of(box.ports().size(), "port")));
        }
        for (Added unit : proposal.units()) {
            lines.add(new Line(
                    unit.firstId().map(i -> i + " ").orElse("") + unit.type().fullName() + " at "
                            + unit.run().map(r -> r.first().toString()).orElse(""),
                    unit.mode().name() + ", " + unit.words().position()));
        }
        return lines;
    }

    @Override
    public ObjectNode json(Looked<FoundProposal> looked) {
        ObjectNode body = Json.object();
        ArrayNode lines = body.putArray("lines");
        lines(looked.content())
                .forEach(l -> lines.addObject().put("what", l.what()).put("how", l.how()));
        ArrayNode left = body.putArray("left");
        looked.content()
                .omissions()
                .forEach(o -> left.addObject().put("who", o.who()).put("why", o.why()));
        return body;
    }

    @Override
    public void show(Looked<FoundProposal> looked, Model model) {
        model.addAttribute("lines", lines(looked.content()));
        model.addAttribute("left", looked.content().omissions());
    }

    @Override
    public String then(int job, StoredProposal stored, HttpServletRequest request) {
        return "/jobs/" + job + "/checks";
    }
}
