package taxon.core.seen;

import java.util.Locale;
import taxon.core.reception.Heard;
import taxon.core.reception.Sender;
import taxon.core.reception.Sender.Protocol;
import taxon.core.text.Listed;

/** Remarks on what is heard, as sentences. */
public final class SeenText {
    private SeenText() {}

    /** A sentence. */
    public static String of(Remark remark) {
        if (remark instanceof Remark.Missing) {
            return "Planned, and nobody sends it.";
        }
        if (remark instanceof Remark.NotForThisCard) {
            return "Planned for one box alone: this card cannot hear whether it is sent.";
        }
        if (remark instanceof Remark.Unplanned) {
            return "Not planned.";
        }
        if (remark instanceof Remark.AllZero) {
            return "Every slot is at 0.";
        }
        if (remark instanceof Remark.PreviewOnly) {
            return "All of it is marked as preview: no fixture follows it.";
        }
        if (remark instanceof Remark.Sampling) {
            return "Heard for less than a second and a half; what is said of it does not count yet.";
        }
        if (remark instanceof Remark.TurnedAway r) {
            return "Packets of too many senders came: " + r.count() + " were not looked at.";
        }
        return ofSenders(remark);
    }

    /** "104 is parked at 255 in slot 1.150, and is sent 0; 2 more are moved too." */
    private static String of(Remark.ParkedMoved r) {
        String more = r.count() == 1 ? "" : "; " + (r.count() - 1) + " more are moved too";
        return r.first().unit() + " is parked at " + r.first().value() + " in slot "
                + r.first().slot() + ", and is sent " + r.level() + more + ".";
    }

    private static String ofSenders(Remark remark) {
        if (remark instanceof Remark.Several r) {
            String who = Listed.of(r.senders().stream().map(SeenText::name).toList());
            String end =
                    r.same() ? "; they say the same now." : ", and say different things: the higher level is heard.";
            return who + " send it with the same priority" + (r.planned() ? ", as planned" : "") + end;
        }
        if (remark instanceof Remark.OtherPriority r) {
            return name(r.sender()) + " sends it with priority " + r.sender().priority() + "; planned is " + r.planned()
                    + ".";
        }
        if (remark instanceof Remark.ParkedMoved r) {
            return of(r);
        }
        if (remark instanceof Remark.Slow r) {
            return name(r.sender()) + " sends " + rate(r.sender().movingRate())
                    + " packets a second while its levels move: under " + (int) SeenCheck.SLOWEST
                    + " it is seen to step.";
        }
        if (remark instanceof Remark.Fast r) {
            return name(r.sender()) + " sends " + rate(r.sender().rate()) + " packets a second; a line carries "
                    + rate(r.most()) + " of " + r.sender().slots() + " slots.";
        }
        if (remark instanceof Remark.Still r) {
            return name(r.sender()) + " changes nothing; it may send one packet a second then.";
        }
        if (remark instanceof Remark.Gaps r) {
            return "Of " + name(r.sender()) + ", " + r.sender().lost() + " packets were lost and "
                    + r.sender().late() + " came late, beside " + r.sender().packets() + " in order.";
        }
        if (remark instanceof Remark.Synchronised r) {
            return "Its levels wait for the synchronisation address "
                    + r.sender().synchronisation() + ".";
        }
        Remark.SameAs r = (Remark.SameAs) remark;
        String planned = r.planned().isEmpty() ? "" : ", planned as universe " + Listed.of(r.planned());
        return "The same levels are sent as " + r.other() + planned + ": is one of them counted otherwise?";
    }

    /** "All 7 universes of streaming ACN are heard one higher than planned: …". */
    public static String of(Seen.Shift shift) {
        int by = Math.abs(shift.by());
        String way = (by == 1 ? "one" : "sixteen") + (shift.by() > 0 ? " higher" : " lower") + " than planned";
        String what = shift.count() == 1
                ? "The one universe that is planned for " + words(shift.protocol()) + " is heard "
                : "All " + shift.count() + " universes that are planned for " + words(shift.protocol()) + " are heard ";
        return what
                + way
                + (by == 1
                        ? ": one side counts from 0 and the other from 1."
                        : ": one side counts the Sub-Net otherwise.");
    }

    /** "streaming ACN". */
    public static String words(Protocol protocol) {
        return protocol == Protocol.SACN ? "streaming ACN" : "Art-Net";
    }

    /** A sender as people know it: by its name, and by its address where it has none. */
    public static String name(Sender sender) {
        return sender.name().isBlank() ? sender.id() : sender.name();
    }

    private static String name(Heard heard) {
        return name(heard.sender());
    }

    /** "43.9". */
    public static String rate(double rate) {
        return String.format(Locale.ROOT, "%.1f", rate);
    }
}
