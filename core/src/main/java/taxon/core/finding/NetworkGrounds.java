package taxon.core.finding;

import java.util.List;
import taxon.core.dmx.UniverseNumber;
import taxon.core.load.CableLoad;
import taxon.core.network.BoxPort;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.Route;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;

/** What rules about the network saw. */
public sealed interface NetworkGrounds {

    /** What is wrong with one box. */
    sealed interface OfOneBox extends NetworkGrounds {
        Box box();
    }

    /** What is wrong between boxes. */
    sealed interface OfBoxes extends NetworkGrounds {
        List<Box> boxes();
    }

    /** @param universes two or more that leave under the number of {@code route} */
    record NumberTwice(List<UniverseNumber> universes, Route route) implements NetworkGrounds {}

    /** @param universes two or more that come out of one port */
    record PortTwice(List<UniverseNumber> universes, Box box, int port) implements OfOneBox {}

    /** A universe that comes to a port which is no output. */
    record PortNoOutput(UniverseNumber universe, Box box, int port, BoxPort.Direction direction) implements OfOneBox {}

    /** @param boxes two or more that send the universe with the same, highest priority */
    record SourcesEqual(UniverseNumber universe, List<Box> boxes, int priority) implements OfBoxes {}

    /** @param universes more than the box takes */
    record BoxFull(Box box, int universes, int most) implements OfOneBox {}

    /** A universe that leaves although nothing sits in it. */
    record NobodyHears(UniverseNumber universe, int ways) implements NetworkGrounds {}

    /** @param universes those with a way whose number is not the counted one */
    record CountedOtherwise(List<UniverseNumber> universes, int routed) implements NetworkGrounds {}

    /** @param boxes two or more with the address */
    record IpTwice(Ipv4 ip, List<Box> boxes) implements OfBoxes {}

    /** An address that its own mask makes the name of the network, or everybody. */
    record IpNoHost(Box box, NetCard card) implements OfOneBox {}

    /** A cable that carries more than half of its speed. */
    record CableFull(Box box, CableLoad load) implements OfOneBox {}

    /** @param others further networks of the job, in none of which it lies either */
    record IpOutside(Box box, NetCard card, Subnet range, List<Subnet> others) implements OfOneBox {}

    /** An address that devices give themselves when nobody gave them one (RFC 3927). */
    record IpSelfGiven(Box box, NetCard card) implements OfOneBox {}

    /**
     * Boxes that cannot hear each other although they shall.
     *
     * @param together those in {@code network}
     * @param boxes each of whom does not hear, or is not heard by, one of them
     */
    record NetworksApart(Subnet network, List<Box> together, List<Box> boxes) implements OfBoxes {}

    /** @param expected the mask of the job's range */
    record MaskDiffers(Box box, NetCard card, Subnet expected) implements OfOneBox {}
}
