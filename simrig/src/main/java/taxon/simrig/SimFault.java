package taxon.simrig;

import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Subnet;

/** What can be wrong with a simulated box; ports count from 1. */
public sealed interface SimFault {
    /** It sits at another address than the one that it was given. */
    record OtherIp(Ipv4 ip) implements SimFault {
        public OtherIp {
            if (!ip.isLoopback()) {
                throw new IllegalArgumentException("a simulated box has a loopback address, not " + ip);
            }
        }
    }

    /** It has another mask. */
    record OtherMask(int prefix) implements SimFault {
        public OtherMask {
            if (prefix < Subnet.SHORTEST || prefix > Subnet.LONGEST) {
                throw new IllegalArgumentException("a mask of " + prefix + " bits");
            }
        }
    }

    /** A second box answers at the same address. */
    record Twin(String name) implements SimFault {}

    /** A port is set to another Port-Address of the box's Net and Sub-Net. */
    record OtherUniverse(int port, PortAddress address) implements SimFault {}

    /** A port is set to be an input. */
    record PortIsInput(int port) implements SimFault {}

    /** A port is switched off. */
    record PortIsOff(int port) implements SimFault {}

    /** A port lets no remote management through. */
    record RdmIsOff(int port) implements SimFault {}

    /** Receivers have lost their link: a transmitter reaches nobody by this port. */
    record LinksLost(int port) implements SimFault {}
}
