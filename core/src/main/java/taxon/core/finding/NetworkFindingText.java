package taxon.core.finding;

import java.util.List;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.RouteWords;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;
import taxon.core.text.Counted;
import taxon.core.text.Listed;

/** The sentences of findings about the network. */
final class NetworkFindingText {
    private static final double MEGA = 1e6;

    private NetworkFindingText() {}

    static String sentence(NetworkGrounds grounds) {
        if (grounds instanceof NetworkGrounds.NumberTwice n) {
            return "Universes " + listed(n.universes()) + " leave under one number, " + RouteWords.carried(n.route())
                    + ": a box that is set to it may get either.";
        }
        if (grounds instanceof NetworkGrounds.PortTwice p) {
            return port(p.box(), p.port()) + " gets universes " + listed(p.universes())
                    + ": their levels are merged there.";
        }
        if (grounds instanceof NetworkGrounds.PortNoOutput p) {
            return "Universe " + p.universe() + " goes to " + port(p.box(), p.port()) + ", which is "
                    + p.direction().words() + ": nothing comes out there.";
        }
        if (grounds instanceof NetworkGrounds.SourcesEqual s) {
            return "Universe " + s.universe() + " is sent by " + names(s.boxes()) + " with the same priority, "
                    + s.priority() + ": their levels are merged.";
        }
        if (grounds instanceof NetworkGrounds.BoxFull b) {
            return b.box().name() + " gets " + Counted.of(b.universes(), "universe") + " and takes " + b.most() + ".";
        }
        if (grounds instanceof NetworkGrounds.NobodyHears n) {
            return "Universe " + n.universe() + " leaves by " + Counted.of(n.ways(), "way")
                    + " although no fixture sits in it.";
        }
        if (grounds instanceof NetworkGrounds.CountedOtherwise c) {
            return (c.universes().size() == 1 ? "Universe " : "Universes ") + listed(c.universes())
                    + (c.universes().size() == 1 ? " leaves" : " leave")
                    + " under another number than the job's counting gives; "
                    + (c.routed() - c.universes().size())
                    + " of " + c.routed() + " go by it.";
        }
        return address(grounds);
    }

    private static String address(NetworkGrounds grounds) {
        if (grounds instanceof NetworkGrounds.IpTwice i) {
            return names(i.boxes()) + " have one IP address, " + i.ip() + ": one of them will not be heard.";
        }
        if (grounds instanceof NetworkGrounds.IpNoHost i) {
            Subnet network = i.card().subnet();
            return i.box().name() + " has " + i.card().ip() + " with the mask " + network.mask() + ", which is "
                    + (i.card().ip().equals(network.base())
                            ? "the name of the network"
                            : "the address of everybody in it")
                    + "; a device takes " + network.host(1).orElseThrow() + " to "
                    + network.host(network.hosts()).orElseThrow() + ".";
        }
        if (grounds instanceof NetworkGrounds.CableFull c) {
            return "The cable of " + c.box().name() + " carries "
                    + Math.round(Math.max(c.load().toBox(), c.load().fromBox()) / MEGA) + " of "
                    + c.load().megabits()
                    + " Mbit/s when everything is sent at full rate; no more than half is planned with.";
        }
        if (grounds instanceof NetworkGrounds.IpOutside i) {
            return i.box().name() + " has " + i.card().ip() + ", outside the job's range " + i.range()
                    + (i.others().isEmpty() ? "." : " and its other networks, " + Listed.of(i.others()) + ".");
        }
        if (grounds instanceof NetworkGrounds.IpSelfGiven i) {
            return i.box().name() + " has " + i.card().ip()
                    + ", an address that a device gives itself when it got none.";
        }
        if (grounds instanceof NetworkGrounds.MaskDiffers m) {
            return m.box().name() + " has the mask " + m.card().subnet().mask() + "; the job's range " + m.expected()
                    + " has " + m.expected().mask() + ".";
        }
        NetworkGrounds.NetworksApart n = (NetworkGrounds.NetworksApart) grounds;
        return names(n.together()) + (n.together().size() == 1 ? " lies in " : " lie in ") + n.network() + "; "
                + names(n.boxes()) + (n.boxes().size() == 1 ? " is" : " are") + " not in one network with "
                + (n.together().size() == 1 ? "it." : "all of them.");
    }

    private static String port(Box box, int port) {
        return box.name() + " port " + port;
    }

    private static String names(List<Box> boxes) {
        return Listed.of(boxes.stream().map(Box::name).toList());
    }

    private static String listed(List<UniverseNumber> universes) {
        return Listed.of(universes);
    }
}
