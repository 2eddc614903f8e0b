package taxon.core.addressing;

import taxon.core.addressing.Proposal.NotPlaced;
import taxon.core.addressing.Proposal.Price;
import taxon.core.addressing.Proposal.Reason;

/** The sentences of a proposal. */
public final class ProposalText {
    private ProposalText() {}

    /** "8 fixtures move, 3 stay, 2 units must be set again". */
    public static String headline(Proposal proposal) {
        long moving =
                proposal.moves().stream().map(m -> m.ref().fixture()).distinct().count();
        long staying =
                proposal.stays().stream().map(b -> b.fixture().key()).distinct().count();
        String undone = proposal.notPlaced().isEmpty()
                ? ""
                : ", " + proposal.notPlaced().size() + " cannot be placed";
        return fixtures(moving)
                + (moving == 1 ? " moves, " : " move, ")
                + staying
                + (staying == 1 ? " stays, " : " stay, ")
                + touched(proposal.price())
                + undone;
    }

    private static String touched(Price price) {
        return switch (price.touched()) {
            case 0 -> "nothing that is set is touched";
            case 1 -> "1 unit must be set again";
            default -> price.touched() + " units must be set again";
        };
    }

    private static String fixtures(long count) {
        return count == 1 ? "1 fixture" : count + " fixtures";
    }

    public static String sentence(Reason reason) {
        if (reason instanceof Reason.Follows f) {
            return f.gap() == 0
                    ? "follows " + f.previous()
                    : "follows " + f.previous() + ", " + f.gap() + " slots free between";
        }
        if (reason instanceof Reason.Around a) {
            return "first free place after slots " + a.taken().first() + " to "
                    + a.taken().last() + ", which are taken";
        }
        if (reason instanceof Reason.NextUniverse n) {
            return "needs " + n.needed() + " slots; universe " + n.left() + " has no such run left";
        }
        return "the start that was asked for";
    }

    public static String sentence(NotPlaced notPlaced) {
        return switch (notPlaced.obstacle()) {
            case MODE_MISSING ->
                "its mode, " + notPlaced.fixture().mode()
                        + ", is not one of its type, so its length is not known: choose a mode first";
            case NEVER_HEARS -> "only an app's radio reaches it: it hears no universe";
            case NO_ROOM -> "needs " + notPlaced.slots() + " slots; no universe up to 63999 has such a run left";
        };
    }
}
