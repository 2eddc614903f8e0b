package taxon.wire.artnet.link;

import java.util.List;
import taxon.core.network.PortAddress;
import taxon.wire.rdm.codec.Uid;

/** What a node says of the devices on one of its ports. */
public sealed interface DeviceTable {

    /** The devices; none where it has looked and there are none. */
    record Found(List<Uid> devices) implements DeviceTable {
        public Found {
            devices = List.copyOf(devices);
        }
    }

    /** It has no table to give: remote management is off, or discovery is not at its end. That is not an empty line. */
    record Refused() implements DeviceTable {}

    /** It does not answer. */
    record Silent() implements DeviceTable {}

    /**
     * A port of a node.
     *
     * @param address under which it carries remote management
     * @param bindIndex of the page on which the node describes it; 0 where it has only one
     * @param port its number on that page, 1 to 4
     */
    record Outlet(PortAddress address, int bindIndex, int port) {}
}
