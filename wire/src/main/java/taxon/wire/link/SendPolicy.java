package taxon.wire.link;

import taxon.core.network.Ipv4;

/** Where packets may go. Nothing is sent to an address that the policy does not allow. */
@FunctionalInterface
public interface SendPolicy {
    /** Never leaves this machine. */
    SendPolicy LOOPBACK_ONLY = Ipv4::isLoopback;

    boolean allows(Ipv4 destination);
}
