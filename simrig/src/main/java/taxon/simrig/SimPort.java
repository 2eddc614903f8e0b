package taxon.simrig;

import java.util.List;
import taxon.core.network.PortAddress;

/**
 * A port of a simulated node and the units on its line.
 *
 * @param units at most 200, what one table of devices holds
 * @param tells false for a port that refuses its table of devices
 */
public record SimPort(PortAddress address, List<SimUnit> units, boolean tells) {
    public SimPort {
        units = List.copyOf(units);
        if (units.size() > 200) {
            throw new IllegalArgumentException(units.size() + " units are more than a line of this rig takes, 200");
        }
    }

    public SimPort(PortAddress address, List<SimUnit> units) {
        this(address, units, true);
    }
}
