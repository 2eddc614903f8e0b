package taxon.core.raising;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.text.Listed;

/** What raising has to say, as sentences. */
public final class RaisingText {
    private static final int MOST_NAMED = 3;

    private RaisingText() {}

    /** Why a slot was left as it is, without a stop. */
    public static String of(Barred barred) {
        if (barred instanceof Barred.Hazard h) {
            return h.unit() + " can hurt people (" + h.what() + ") and was not armed by its name";
        }
        if (barred instanceof Barred.ZoneFirst z) {
            return z.unit() + " is a laser whose zone is not parked: set it by a test pattern and park it first";
        }
        if (barred instanceof Barred.Parked p) {
            return p.unit() + " is parked there at " + p.value() + " (" + p.why() + ")";
        }
        if (barred instanceof Barred.WouldMix) {
            return "the box makes the highest of both sources, which only brightness bears";
        }
        return "it was not armed";
    }

    /** One sentence on all that was left: "Left as it is: 2.017 and 2.018: parked …". Empty where nothing was. */
    public static String of(List<Grip.Left> left) {
        Map<String, List<StartAddress>> bySentence = new TreeMap<>();
        left.forEach(l -> bySentence
                .computeIfAbsent(of(l.why()), s -> new java.util.ArrayList<>())
                .add(l.slot()));
        return bySentence.entrySet().stream()
                .map(e -> "Left as it is: " + slots(e.getValue()) + ": " + e.getKey() + ".")
                .collect(Collectors.joining(" "));
    }

    private static String slots(List<StartAddress> slots) {
        if (slots.size() <= MOST_NAMED) {
            return Listed.of(slots.stream().map(StartAddress::toString).toList());
        }
        return slots.get(0) + " and " + (slots.size() - 1) + " more slots";
    }

    /** What a second source comes to, with a stop. */
    public static String of(Meeting meeting) {
        if (meeting instanceof Meeting.Over over) {
            return over.who() + " sends it with priority " + over.theirs()
                    + ". Its levels are followed and sent on with priority " + over.ours()
                    + "; receivers take the highest priority alone, so they hear Taxon until it is let go.";
        }
        if (meeting instanceof Meeting.TooHigh high) {
            return high.who() + " sends it with priority 200, above which there is none: nothing can be held over it."
                    + " Have it sent with a lower priority.";
        }
        if (meeting instanceof Meeting.HeldElsewhere held) {
            return "It is driven by hand already (" + held.who() + "). Have it let go first.";
        }
        if (meeting instanceof Meeting.Highest highest) {
            return highest.who()
                    + " sends to it too, and the box makes the highest of both: only brightness can be raised,"
                    + " and only above what comes from there.";
        }
        if (meeting instanceof Meeting.Latest latest) {
            return latest.who() + " sends to it, and the box takes whoever sent last: it would jump between the two."
                    + " Set the port to HTP, or stop the other source first.";
        }
        if (meeting instanceof Meeting.Unknown unknown) {
            return "Somebody sends to " + unknown.box()
                    + ", and with what priority cannot be heard from here. Stop that source first, or have it sent to the group.";
        }
        if (meeting instanceof Meeting.Silent silent) {
            return silent.box() + " does not answer, so nobody knows whether somebody sends to it.";
        }
        return "Nobody sends it. Taxon does: all that is not raised is at rest and dark.";
    }

    /** Why all was let go, with a stop. */
    public static String of(Ended ended) {
        if (ended instanceof Ended.LetGo l) {
            return (l.who().isBlank() ? "Somebody" : l.who()) + " let go.";
        }
        if (ended instanceof Ended.TimeIsUp) {
            return "Its time was up.";
        }
        if (ended instanceof Ended.PageGone) {
            return "No page that shows it answered any more.";
        }
        if (ended instanceof Ended.SourceGone s) {
            return s.who() + " sends " + s.carrier() + " no more.";
        }
        if (ended instanceof Ended.Joined j) {
            return j.who() + " began to send " + j.carrier() + ".";
        }
        if (ended instanceof Ended.Outbid o) {
            return o.who() + " sends " + o.carrier() + " with priority " + o.priority() + ".";
        }
        if (ended instanceof Ended.PlanChanged) {
            return "The plan routes it otherwise now.";
        }
        return ended instanceof Ended.CannotSend c ? "It could not be sent: " + c.why() + "." : "Taxon was stopped.";
    }

    /** Why a universe cannot be driven, with a stop. */
    public static String of(Outlets.NoWay none) {
        UniverseNumber universe = none.universe();
        return switch (none.why()) {
            case NOT_ROUTED -> "Universe " + universe + " has no way in the plan: give it one on the stage Network.";
            case BY_CABLE -> "Universe " + universe + " leaves by a cable, and levels are sent to networks alone.";
            case BOX_WITHOUT_IP -> "The box of universe " + universe + " has no IP address in the plan.";
        };
    }
}
