package taxon.simrig;

import java.util.List;
import taxon.core.network.PortAddress;
import taxon.wire.artnet.codec.ArtPacket.Flow;

/**
 * A port of a simulated node and the units that it reaches.
 *
 * @param units at most 200, what one table of devices holds
 * @param tells false for a port that refuses its table of devices
 * @param flow which way its data goes; what is no output reaches no unit
 * @param rdm false where remote management is off
 */
public record SimPort(PortAddress address, List<SimUnit> units, boolean tells, Flow flow, boolean rdm) {
    public SimPort {
        units = List.copyOf(units);
        if (units.size() > 200) {
            throw new IllegalArgumentException(units.size() + " units are more than a line of this rig takes, 200");
        }
    }

    public SimPort(PortAddress address, List<SimUnit> units, boolean tells) {
        this(address, units, tells, Flow.OUT, true);
    }

    public SimPort(PortAddress address, List<SimUnit> units) {
        this(address, units, true);
    }

    /** The same set to another Port-Address. */
    SimPort at(PortAddress changed) {
        return new SimPort(changed, units, tells, flow, rdm);
    }

    /** The same turned round, or switched off. */
    SimPort turned(Flow changed) {
        return new SimPort(address, units, tells, changed, rdm);
    }

    /** The same without remote management. */
    SimPort withoutRdm() {
        return new SimPort(address, units, tells, flow, false);
    }

    /** The same that reaches nobody. */
    SimPort unheard() {
        return new SimPort(address, List.of(), tells, flow, rdm);
    }

    /** The units that a question comes to. */
    List<SimUnit> reached() {
        return flow == Flow.OUT && rdm ? units : List.of();
    }

    /** True when it has a table of devices to give. */
    boolean hasTable() {
        return tells && rdm && flow == Flow.OUT;
    }
}
