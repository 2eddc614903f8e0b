package taxon.core.boxcheck;

import taxon.core.network.Ipv4;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;
import taxon.core.text.Listed;

/** Differences of boxes in a sentence each, with the way out. */
public final class BoxCheckText {
    private BoxCheckText() {}

    public static String sentence(Box box, BoxDifference difference) {
        if (difference instanceof BoxDifference.Silent s) {
            return box.name() + " at " + ip(box) + " " + silence(s.why());
        }
        if (difference instanceof BoxDifference.NotPluggedIn) {
            return box.name() + " is not plugged into this computer.";
        }
        if (difference instanceof BoxDifference.SaysOtherIp s) {
            return box.name() + " answers at " + ip(box) + " and says that it is " + s.says()
                    + ": something between translates addresses.";
        }
        if (difference instanceof BoxDifference.AnotherThere a) {
            return "Another box, " + a.name() + ", answers at the address of " + box.name() + ", " + ip(box)
                    + ": give one of them another.";
        }
        if (difference instanceof BoxDifference.OtherMask m) {
            return box.name() + " has the mask " + mask(box, m.seen()) + "; planned is " + mask(box, m.planned()) + ".";
        }
        if (difference instanceof BoxDifference.NoSuchPort p) {
            return box.name() + " says that it has " + (p.seen() == 1 ? "1 port" : p.seen() + " ports")
                    + "; the plan has something on port " + p.port() + ".";
        }
        if (difference instanceof BoxDifference.Turned t) {
            return box.name() + " port " + t.port() + " is set to " + t.seen().words() + "; planned is "
                    + t.planned().words() + ".";
        }
        if (difference instanceof BoxDifference.OtherNumber n) {
            return box.name() + " port " + n.port() + " is set to Port-Address " + n.seen() + "; planned is "
                    + n.planned() + ", for universe " + n.universe() + ".";
        }
        return ofItsSettings(box, difference);
    }

    private static String silence(Silence why) {
        if (why instanceof Silence.Elsewhere e) {
            return "does not answer: a box of its name answers at " + e.at()
                    + (e.isShared() ? ", and another box too." : ".");
        }
        if (why instanceof Silence.NotAsked) {
            return "was not asked: output to it is not armed.";
        }
        if (why instanceof Silence.Unreachable u) {
            return "cannot be asked: " + u.why() + ".";
        }
        return why instanceof Silence.OtherRange o
                ? "does not answer: this computer's card is " + o.own() + ", in another range."
                : "does not answer: it is off, its cable is out, or it is set to another address.";
    }

    private static String ofItsSettings(Box box, BoxDifference difference) {
        if (difference instanceof BoxDifference.OtherName n) {
            return box.name() + " at " + ip(box) + " calls itself " + n.seen() + ".";
        }
        if (difference instanceof BoxDifference.OtherWhenLost w) {
            return box.name() + " " + w.seen().words() + " when its data stops; planned for port "
                    + Listed.of(w.ports()) + " is that it " + w.planned().words() + ".";
        }
        if (difference instanceof BoxDifference.OtherProtocol p) {
            return box.name() + " port " + p.port() + " takes " + p.seen().words() + "; planned is "
                    + p.planned().words() + ", for universe " + p.universe() + ".";
        }
        if (difference instanceof BoxDifference.OtherMerge m) {
            return box.name() + " port " + m.port() + " joins two sources by "
                    + m.seen().words() + "; planned is " + m.planned().words() + ".";
        }
        BoxDifference.RdmOff off = (BoxDifference.RdmOff) difference;
        return box.name() + " port " + off.port() + " has RDM off; planned is on.";
    }

    private static Ipv4 ip(Box box) {
        return box.ip().orElseThrow();
    }

    private static Ipv4 mask(Box box, int prefix) {
        return Subnet.around(ip(box), prefix).mask();
    }
}
