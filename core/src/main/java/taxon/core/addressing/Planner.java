package taxon.core.addressing;

import java.util.Arrays;
import java.util.List;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.AddressProposal.Totals;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.style.Styles;
import taxon.core.packing.Effort;
import taxon.core.proof.Price;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Wish.Style;

/**
 * Answers a request with a proposal.
 *
 * <p>Guarantees, in every style: no placed run comes nearer to another than the wish says, passes the headroom, touches a
 * reserved run, begins where the wish lets nothing begin or leaves the universes that are allowed; what is not asked for and
 * what is locked keeps its address; a fixture is placed whole or not at all, and one that finds no place keeps what it has;
 * the same request on the same plan gives the same proposal.
 */
public final class Planner {
    private Planner() {}

    /** A plan for the request, in the style that its wish names. */
    public static AddressProposal propose(Plan plan, PlacementRequest request) {
        return propose(plan, request, Effort.of(Effort.OF_A_REQUEST));
    }

    /** As {@link #propose(Plan, PlacementRequest)}, with so much effort; less finds worse plans, which say so. */
    public static AddressProposal propose(Plan plan, PlacementRequest request, Effort effort) {
        return new ProposalMaker(Styles.lay(plan, request, effort)).make();
    }

    /**
     * What one style would cost.
     *
     * @param moves blocks that would get another address
     * @param leftOut fixtures that would find no place
     * @param certain true when no plan for the wish places more of them
     * @param outOfOrder fixtures of a plan in order that would take what the others leave, behind or before their turn
     */
    public record StylePrice(
            Style style,
            Price price,
            Totals totals,
            Optimum optimum,
            int moves,
            int leftOut,
            boolean certain,
            int outOfOrder) {}

    /** What each style would cost for the same request, side by side. */
    public static List<StylePrice> compare(Plan plan, PlacementRequest request) {
        return Arrays.stream(Style.values())
                .map(s -> price(s, propose(plan, request.withStyle(s))))
                .toList();
    }

    /** What a proposal in that style costs. */
    public static StylePrice price(Style style, AddressProposal proposal) {
        return new StylePrice(
                style,
                proposal.price(),
                proposal.totals(),
                proposal.optimum(),
                proposal.moves().size(),
                proposal.leftOut().size(),
                proposal.certain(),
                style == Style.IN_ORDER ? outOfOrder(proposal) : 0);
    }

    private static int outOfOrder(AddressProposal proposal) {
        return (int) proposal.moves().stream()
                .filter(m -> m.reason() instanceof Reason.LeftFree || m.reason() instanceof Reason.Leaves)
                .map(m -> m.ref().fixture())
                .distinct()
                .count();
    }
}
