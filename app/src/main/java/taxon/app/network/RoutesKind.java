package taxon.app.network;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.network.RouteWords;
import taxon.core.packing.Effort;
import taxon.core.rig.Box;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.routing.RouteProposal;
import taxon.core.routing.RouteProposal.Choice;
import taxon.core.routing.RouteWish;
import taxon.core.routing.RouteWish.Aim;
import taxon.core.routing.RouteWish.Protocol;
import taxon.core.text.Counted;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A port for every universe. */
@Component
class RoutesKind implements NetworkKind<RouteProposal> {
    static final String NAME = "routes";

    /**
     * A universe and its port, in words.
     *
     * @param far "12.4 m", to its nearest unit; says so where that cannot be reckoned
     * @param why why it goes to that box; empty where nothing needs to be said
     */
    record Line(
            int universe,
            String label,
            String before,
            String outlet,
            String outletWords,
            String carried,
            String far,
            String why) {
        static Line of(Plan plan, RouteProposal.Move move) {
            return new Line(
                    move.universe().number().number(),
                    move.universe().label(),
                    move.before()
                            .map(r -> NetworkText.port(plan, r.port()) + ", " + RouteWords.brief(r))
                            .orElse(move.universe().isRouted() ? "one way more" : "nowhere"),
                    UniverseLine.outletOf(move.route().port()),
                    NetworkText.port(plan, move.route().port()),
                    RouteWords.carried(move.route()),
                    distance(move),
                    reason(move.choice()));
        }
    }

    private static String distance(RouteProposal.Move move) {
        return switch (move.means()) {
            case AIR -> "by radio";
            case OWN -> "the unit itself";
            case CABLE -> move.metres().map(RoutesKind::metres).orElse("not reckoned: a place is not said");
        };
    }

    private static String reason(Choice choice) {
        String nearer = choice.nearer().map(Box::name).orElse("");
        return switch (choice.reason()) {
            case NEAREST -> "no box is nearer";
            case NEARER_IS_FULL -> nearer + " is nearer, and full";
            case NEARER_IS_SPARED -> nearer + " is nearer, and not among the fewest boxes";
            case NOT_RECKONED, HEARD_THERE -> "";
        };
    }

    /**
     * @param left universes that get no port, with the reason
     * @param bound what is certain of it
     */
    record View(List<Line> moves, List<String> left, String bound) {}

    private static String metres(double metres) {
        return String.format(Locale.ROOT, "%.1f m", metres);
    }

    static ObjectNode request(RouteWish wish) {
        return Json.object()
                .put("aim", Json.slug(wish.aim()))
                .put("protocol", Json.slug(wish.protocol()))
                .put("anew", wish.anew());
    }

    private static RouteWish wish(StoredProposal stored) {
        JsonNode request = ProposalDesk.request(stored);
        return new RouteWish(
                Json.constant(Aim.class, request.path("aim").asString()),
                Json.constant(Protocol.class, request.path("protocol").asString()),
                request.path("anew").asBoolean(false));
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public Optional<RouteProposal> compute(StoredProposal stored, JobState state, Effort effort) {
        return Optional.of(RouteProposal.of(state.plan(), wish(stored)));
    }

    @Override
    public String headline(Looked<RouteProposal> looked) {
        RouteProposal proposal = looked.content();
        long set = proposal.moves().stream()
                .filter(RouteProposal.Move::keepsItsPort)
                .count();
        long patched = proposal.moves().size() - set;
        return (patched == 0 ? "no port" : Counted.of(patched, "port")) + " to be patched anew, "
                + (set == 0 ? "" : set + " only set anew, ") + proposal.staying()
                + (proposal.staying() == 1 ? " universe stays" : " universes stay");
    }

    private static View view(Looked<RouteProposal> looked) {
        RouteProposal proposal = looked.content();
        return new View(
                proposal.moves().stream()
                        .map(m -> Line.of(looked.state().plan(), m))
                        .toList(),
                proposal.omissions().stream()
                        .map(o -> o.who() + ": " + o.why().words())
                        .toList(),
                bound(proposal, wish(looked.stored()).aim()));
    }

    /** Says only what is certain: of the number of boxes, or of the cable as far as it can be reckoned. */
    private static String bound(RouteProposal proposal, Aim aim) {
        if (aim == Aim.FEWEST_BOXES) {
            return proposal.boxes() == proposal.atLeast()
                    ? (proposal.boxes() == 1 ? "1 box is" : proposal.boxes() + " boxes are")
                            + " in use then; with fewer not as many universes have a port."
                    : proposal.boxes() + " boxes are in use then; at least " + proposal.atLeast() + " must.";
        }
        String way = metres(proposal.metres()) + " from the boxes to the nearest units in all";
        return proposal.unreckoned() == 0
                ? way + "; no other choice of boxes takes less."
                : way + ", as far as it can be reckoned: of " + Counted.of(proposal.unreckoned(), "universe")
                        + " a place is not said.";
    }

    @Override
    public ObjectNode json(Looked<RouteProposal> looked) {
        View view = view(looked);
        ObjectNode body = request(wish(looked.stored())).put("certain", view.bound());
        ArrayNode moves = body.putArray("moves");
        view.moves()
                .forEach(m -> moves.addObject()
                        .put("universe", m.universe())
                        .put("before", m.before())
                        .put("outlet", m.outlet())
                        .put("carried", m.carried())
                        .put("toNearestUnit", m.far())
                        .put("why", m.why()));
        ArrayNode left = body.putArray("left");
        view.left().forEach(left::add);
        return body;
    }

    @Override
    public void show(Looked<RouteProposal> looked, Model model) {
        model.addAttribute("proposal", view(looked));
    }
}
