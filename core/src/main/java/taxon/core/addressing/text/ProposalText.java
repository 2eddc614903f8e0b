package taxon.core.addressing.text;

import taxon.core.addressing.Planner.StylePrice;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.Break;
import taxon.core.addressing.answer.Break.Why;
import taxon.core.addressing.answer.LeftOut;
import taxon.core.addressing.answer.Obstacle;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.answer.Trouble;
import taxon.core.addressing.request.SharingClass;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.proof.Price;
import taxon.core.rig.wish.Wish.Style;
import taxon.core.text.Counted;

/** The sentences of a proposal. */
public final class ProposalText {
    private ProposalText() {}

    /** "8 fixtures move, 3 stay, 2 units must be set again". */
    public static String headline(AddressProposal proposal) {
        long moving =
                proposal.moves().stream().map(m -> m.ref().fixture()).distinct().count();
        long staying =
                proposal.stays().stream().map(b -> b.fixture().key()).distinct().count();
        int left = proposal.leftOut().size();
        String undone = left == 0 ? "" : ", " + left + (left == 1 ? " finds no place" : " find no place");
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
    public static String sentence(Optimum optimum) {
        if (optimum instanceof Optimum.Universes u) {
            return counted(u.used(), "universe")
                    + (u.isCertain() ? ", the fewest there can be" : gap(u.used(), u.atLeast()));
        }
        if (optimum instanceof Optimum.Least l) {
            return "price " + l.points()
                    + (l.isCertain()
                            ? ", the least there can be"
                            : "; it may be off by " + (l.points() - l.atLeast()) + " at most");
        }
        if (optimum instanceof Optimum.Ports p) {
            String ports = p.lacking() == 0
                    ? "of " + counted(p.existing(), "port") + ", " + (p.existing() - p.used()) + " left"
                    : "of " + counted(p.existing(), "port") + ": " + p.lacking() + " lacking";
            return counted(p.used(), "universe") + " " + ports
                    + (p.isCertain() ? ", the fewest there can be" : gap(p.used(), p.atLeast()));
        }
        return "";
    }

    /** How good what a style would give is, in a few words; nothing that its proposal does not claim. */
    public static String goodness(StylePrice price) {
        if (!(price.optimum() instanceof Optimum.Unclaimed)) {
            return sentence(price.optimum());
        }
        if (price.leftOut() > 0 && !price.certain()) {
            return "another plan may place more of them";
        }
        if (price.style() != Style.IN_ORDER) {
            return "no plan places more of them";
        }
        return price.outOfOrder() == 0
                ? "as the order has it"
                : "as the order has it, but for " + counted(price.outOfOrder(), "fixture") + " in what is left";
    }

    private static String gap(int used, int atLeast) {
        return "; not certain: " + atLeast + " might do, " + (used - atLeast) + " fewer at most";
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
            return "needs " + Counted.of(n.needed(), "slot") + "; universe " + n.left() + " has no such run left";
        }
        if (reason instanceof Reason.Begins b) {
            return "begins universe " + b.universe();
        }
        if (reason instanceof Reason.Shares s) {
            return "shares the address of " + s.with() + " on purpose";
        }
        if (reason instanceof Reason.LeftFree) {
            return "the first place that was left";
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
                    : "overlapped " + m.other() + " or was nearer than " + Counted.of(m.gap(), "slot");
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
        if (trouble instanceof Trouble.BeforeFirst b) {
            return "lay before " + b.from() + ", where the wish begins";
        }
        if (trouble instanceof Trouble.OffStarts o) {
            return "began at slot " + o.slot() + ", off the starts at 1 and every " + o.every();
        }
        if (trouble instanceof Trouble.LineFull l) {
            return "was one of " + counted(l.units(), "unit") + " on a line that is to carry " + l.most();
        }
        return trouble instanceof Trouble.ShareApart
                ? "joins those that it shares an address with"
                : "makes room for the others";
    }

    /** Whose universe it is, in words. */
    public static String words(SharingClass sharing) {
        String rest = sharing.hazard() ? "what has a hazard" : "the rest";
        String named = sharing.of() + (sharing.hazard() ? " with a hazard" : "");
        return (sharing.of().isEmpty() ? rest : named) + (sharing.later() ? ", later blocks" : "");
    }

    /** Why a universe is begun: "universe 3 from 209 on: universe 2 has 8 slots left and 16 are needed". */
    public static String sentence(Break broken) {
        return "Universe " + broken.begun() + " from " + broken.first() + " on: "
                + sentence(broken.left(), broken.why());
    }

    private static String sentence(UniverseNumber left, Why why) {
        if (why instanceof Why.Full f) {
            return Counted.of(f.needed(), "slot") + (f.needed() == 1 ? " is" : " are") + " needed, universe " + left
                    + " has " + (f.largest() == 0 ? "none" : f.largest()) + " left";
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

    /** Whether anybody could be placed who is left out: empty where nobody is. */
    public static String certainty(AddressProposal proposal) {
        if (proposal.leftOut().isEmpty()) {
            return "";
        }
        return proposal.certain()
                ? "No plan for this wish places more of them."
                : "Another plan for this wish may place more of them; none was found.";
    }

    /** Why a fixture finds no place, and what it keeps. */
    public static String sentence(LeftOut left) {
        boolean asIs = left.obstacle() instanceof Obstacle.ModeMissing
                || left.obstacle() instanceof Obstacle.NeverHears
                || left.obstacle() instanceof Obstacle.Locked;
        return why(left)
                + left.keeps().filter(a -> !asIs).map(a -> "; it stays at " + a).orElse("");
    }

    private static String why(LeftOut left) {
        Obstacle obstacle = left.obstacle();
        if (obstacle instanceof Obstacle.ModeMissing) {
            return "its mode, " + left.fixture().mode()
                    + ", is not one of its type, so its length is not known: choose a mode first";
        }
        if (obstacle instanceof Obstacle.NeverHears) {
            return "only an app's radio reaches it: it hears no universe";
        }
        if (obstacle instanceof Obstacle.Locked) {
            return "it is locked and lacks an address: unlock it first";
        }
        if (obstacle instanceof Obstacle.TooLong t) {
            return "needs " + counted(left.slots(), "slot") + " with the room kept for it; a universe has " + t.most()
                    + " to use";
        }
        if (obstacle instanceof Obstacle.NoUniverse) {
            return "no universe is allowed";
        }
        return obstacle instanceof Obstacle.NoRoom n ? noRoom(left, n) : onlyThere(left, obstacle);
    }

    private static String noRoom(LeftOut left, Obstacle.NoRoom none) {
        String needs = "needs " + counted(left.slots(), "slot") + "; the longest run open to it is ";
        return needs
                + none.largest()
                        .map(r -> counted(r.slots().length(), "slot") + " at "
                                + new StartAddress(
                                        r.universe(), Slot.of(r.slots().first())))
                        .orElse("none");
    }

    private static String onlyThere(LeftOut left, Obstacle obstacle) {
        String needs = "needs " + counted(left.slots(), "slot") + "; there is room at ";
        if (obstacle instanceof Obstacle.OrderPassed o) {
            return needs + o.place() + ", which the order has passed";
        }
        if (obstacle instanceof Obstacle.OffStarts o) {
            return needs + o.place() + ", but only off the starts that keep " + counted(o.every(), "slot") + " apart";
        }
        if (obstacle instanceof Obstacle.KeptForMode k) {
            return needs.replace("there is room", "there is room for the " + k.own() + " of its mode") + k.place()
                    + ", but not for the longest mode of its type";
        }
        if (obstacle instanceof Obstacle.TooNear t) {
            return needs + t.place() + ", but nearer than " + counted(t.gap(), "slot") + " to a neighbour";
        }
        if (obstacle instanceof Obstacle.Split s) {
            return needs + s.place() + ", but " + words(s.here()) + " there shares no universe with it";
        }
        if (obstacle instanceof Obstacle.LineFull l) {
            return needs + l.place() + ", but that line carries " + counted(l.units(), "unit");
        }
        Obstacle.NotTogether n = (Obstacle.NotTogether) obstacle;
        return "its " + n.runs() + " runs find no room together, though one would fit at " + n.place();
    }
}
