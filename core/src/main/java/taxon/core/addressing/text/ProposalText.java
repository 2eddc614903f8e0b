package taxon.core.addressing.text;

import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.AddressProposal.Break;
import taxon.core.addressing.answer.AddressProposal.NotPlaced;
import taxon.core.addressing.answer.AddressProposal.Price;
import taxon.core.addressing.answer.AddressProposal.Proof;
import taxon.core.addressing.answer.AddressProposal.Reason;
import taxon.core.addressing.answer.AddressProposal.Trouble;
import taxon.core.addressing.answer.AddressProposal.Why;
import taxon.core.addressing.request.SharingClass;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;

/** The sentences of a proposal. */
public final class ProposalText {
    private ProposalText() {}

    /** "8 fixtures move, 3 stay, 2 units must be set again". */
    public static String headline(AddressProposal proposal) {
        long moving =
                proposal.moves().stream().map(m -> m.ref().fixture()).distinct().count();
        long staying =
                proposal.stays().stream().map(b -> b.fixture().key()).distinct().count();
        String undone = proposal.notPlaced().isEmpty()
                ? ""
                : ", " + proposal.notPlaced().size() + " cannot be placed";
        return counted(moving, "fixture")
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

    private static String counted(long count, String what) {
        return count == 1 ? "1 " + what : count + " " + what + "s";
    }

    /** How good the answer is: "7 universes, and no plan for this wish needs fewer". Empty where nothing is claimed. */
    public static String sentence(Proof proof) {
        if (proof instanceof Proof.Universes u) {
            return counted(u.used(), "universe") + (u.isProved() ? ", proved the fewest" : gap(u.used(), u.atLeast()));
        }
        if (proof instanceof Proof.Least l) {
            return "price " + l.points()
                    + (l.isProved()
                            ? ", proved the least"
                            : "; not proved: it may be off by " + (l.points() - l.atLeast()) + " at most");
        }
        if (proof instanceof Proof.Ports p) {
            String ports = p.lacking() == 0
                    ? "of " + counted(p.existing(), "port") + ", " + (p.existing() - p.used()) + " left"
                    : "of " + counted(p.existing(), "port") + ": " + p.lacking() + " lacking";
            return counted(p.used(), "universe") + " " + ports
                    + (p.isProved() ? ", proved the fewest" : gap(p.used(), p.atLeast()));
        }
        return "";
    }

    private static String gap(int used, int atLeast) {
        return "; not proved: " + atLeast + " might do, " + (used - atLeast) + " fewer at most";
    }

    public static String sentence(Reason reason) {
        if (reason instanceof Reason.Follows f) {
            return f.gap() == 0
                    ? "follows " + f.previous()
                    : "follows " + f.previous() + ", " + counted(f.gap(), "slot") + " free between";
        }
        if (reason instanceof Reason.Around a) {
            return "first free place after slots " + a.taken().first() + " to "
                    + a.taken().last() + ", which are taken";
        }
        if (reason instanceof Reason.NextUniverse n) {
            return "needs " + n.needed() + " slots; universe " + n.left() + " has no such run left";
        }
        if (reason instanceof Reason.Begins b) {
            return "begins universe " + b.universe();
        }
        if (reason instanceof Reason.Shares s) {
            return "shares the address of " + s.with() + " on purpose";
        }
        if (reason instanceof Reason.ByHand) {
            return "put there by hand";
        }
        if (reason instanceof Reason.Leaves l) {
            return sentence(l.trouble());
        }
        return "the start that was asked for";
    }

    /** Why something cannot stay. */
    public static String sentence(Trouble trouble) {
        if (trouble instanceof Trouble.Meets m) {
            return m.gap() == 0
                    ? "overlapped " + m.other()
                    : "overlapped " + m.other() + " or was nearer than " + m.gap() + " slots";
        }
        if (trouble instanceof Trouble.PastEnd p) {
            return "ended at " + p.lastSlot() + "; the last slot to use is " + p.allowed();
        }
        if (trouble instanceof Trouble.Reserved r) {
            return "lay on slots reserved for " + r.label();
        }
        if (trouble instanceof Trouble.NotAllowed n) {
            return "lay on universe " + n.universe() + ", which is not allowed";
        }
        if (trouble instanceof Trouble.Apart a) {
            return "lay with " + words(a.here()) + ", from which " + words(a.other()) + " is kept apart";
        }
        return trouble instanceof Trouble.ShareApart
                ? "joins those that it shares an address with"
                : "makes room for the others";
    }

    /** Whose universe it is, in words. */
    public static String words(SharingClass company) {
        String rest = company.hazard() ? "what has a hazard" : "the rest";
        String named = company.of() + (company.hazard() ? " with a hazard" : "");
        return (company.of().isEmpty() ? rest : named) + (company.later() ? ", later blocks" : "");
    }

    /** Why a universe is begun: "universe 3 from 209 on: universe 2 has 8 slots left and 16 are needed". */
    public static String sentence(Break broken) {
        return "Universe " + broken.begun() + " from " + broken.first() + " on: "
                + sentence(broken.left(), broken.why());
    }

    private static String sentence(UniverseNumber left, Why why) {
        if (why instanceof Why.Full f) {
            return f.needed() + " slots are needed, universe " + left + " has "
                    + (f.largest() == 0 ? "none" : f.largest()) + " left";
        }
        if (why instanceof Why.Split s) {
            return words(s.begun()) + " shares no universe with " + words(s.left());
        }
        if (why instanceof Why.LineFull l) {
            return "the line of universe " + left + " carries " + counted(l.units(), "unit");
        }
        return why instanceof Why.Stays
                ? "it stays where it is"
                : "so all fit, though universe " + left + " has room for it";
    }

    public static String sentence(NotPlaced notPlaced) {
        String lost = notPlaced.fixture().addresses().values().stream()
                .findFirst()
                .filter(a -> losesAddress(notPlaced))
                .map(StartAddress::toString)
                .map(a -> "; it loses " + a)
                .orElse("");
        return why(notPlaced) + lost;
    }

    private static boolean losesAddress(NotPlaced notPlaced) {
        return switch (notPlaced.obstacle()) {
            case MODE_MISSING, NEVER_HEARS, LOCKED -> false;
            case TOO_LONG, NO_UNIVERSE, NO_ROOM -> true;
        };
    }

    private static String why(NotPlaced notPlaced) {
        return switch (notPlaced.obstacle()) {
            case MODE_MISSING ->
                "its mode, " + notPlaced.fixture().mode()
                        + ", is not one of its type, so its length is not known: choose a mode first";
            case NEVER_HEARS -> "only an app's radio reaches it: it hears no universe";
            case LOCKED -> "it is locked and lacks an address: unlock it first";
            case TOO_LONG ->
                "needs " + notPlaced.slots() + " slots with the room kept for it; no universe has so many to use";
            case NO_UNIVERSE -> "no universe that is allowed is open to it";
            case NO_ROOM ->
                "needs " + notPlaced.slots() + " slots; the longest run open to it is "
                        + notPlaced
                                .largest()
                                .map(r -> counted(r.slots().length(), "slot") + " at "
                                        + new StartAddress(
                                                r.universe(), Slot.of(r.slots().first())))
                                .orElse("none");
        };
    }
}
