package taxon.core.boxcheck;

import java.util.List;
import java.util.Optional;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;

/**
 * What a box said of itself when it was asked.
 *
 * @param answering the address that its answer came from
 * @param says the address that it gives as its own
 * @param prefix of its mask; empty where it does not say
 * @param ports in its own order
 */
public record SeenBox(Ipv4 answering, Ipv4 says, String name, Optional<Integer> prefix, List<SeenPort> ports) {
    public SeenBox {
        ports = List.copyOf(ports);
    }

    /**
     * A port as the box has it set.
     *
     * @param address the Port-Address that it is set to
     */
    public record SeenPort(Direction direction, PortAddress address, boolean rdm) {}
}
