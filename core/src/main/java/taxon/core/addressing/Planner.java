package taxon.core.addressing;

import java.util.Arrays;
import java.util.List;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.AddressProposal.Price;
import taxon.core.addressing.answer.AddressProposal.Proof;
import taxon.core.addressing.answer.AddressProposal.Totals;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.style.FewestUniverses;
import taxon.core.addressing.style.InOrder;
import taxon.core.addressing.style.Layout;
import taxon.core.addressing.style.LeastChange;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.PlacementRequest;
import taxon.core.rig.wish.Wish.Style;

/**
 * Answers a request with a proposal.
 *
 * <p>Guarantees, in every style: no placed run meets another, passes the headroom, touches a reserved run or leaves the
 * universes that are allowed; what is not asked for and what is locked keeps its address; a fixture is placed whole or not at
 * all; the same request on the same plan gives the same proposal.
 */
public final class Planner {
    private Planner() {}

    /** A plan for the request, in the style that its wish names. */
    public static AddressProposal propose(Plan plan, PlacementRequest request) {
        ResolvedRequest asked = ResolvedRequest.of(plan, request);
        return new ProposalMaker(asked, lay(asked)).make();
    }

    private static Layout lay(ResolvedRequest asked) {
        return switch (asked.wish().style()) {
            case IN_ORDER -> InOrder.lay(asked, asked.ground());
            case FEWEST_UNIVERSES -> FewestUniverses.lay(asked, asked.ground());
            case LEAST_CHANGE -> LeastChange.lay(asked);
            case COMPACT_BY_PORT -> FewestUniverses.layByPort(asked, asked.ground());
        };
    }

    /**
     * What one style would cost.
     *
     * @param moves blocks that would get another address
     * @param notPlaced fixtures that would find no place
     */
    public record StylePrice(Style style, Price price, Totals totals, Proof proof, int moves, int notPlaced) {}

    /** What each style would cost for the same request, side by side. */
    public static List<StylePrice> compare(Plan plan, PlacementRequest request) {
        return Arrays.stream(Style.values())
                .map(s -> price(s, propose(plan, request.withStyle(s))))
                .toList();
    }

    private static StylePrice price(Style style, AddressProposal proposal) {
        return new StylePrice(
                style,
                proposal.price(),
                proposal.totals(),
                proposal.proof(),
                proposal.moves().size(),
                proposal.notPlaced().size());
    }
}
