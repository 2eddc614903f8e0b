package taxon.simrig;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.network.PortAddress;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.wire.artnet.codec.ArtPacket.Flow;
import taxon.wire.rdm.codec.Uid;

/**
 * A port of a simulated node and the units that it reaches.
 *
 * @param units at most 200, what one table of devices holds
 * @param tells false for a port that refuses its table of devices
 * @param flow which way its data goes; what is no output reaches no unit
 * @param rdm false where remote management is off
 * @param sacn the universe of streaming ACN by which it takes its levels; empty where it takes them by Art-Net
 * @param latest true where it says that it takes the latest of two sources; what leaves by it is the highest all the same
 */
public record SimPort(
        PortAddress address,
        List<SimUnit> units,
        boolean tells,
        Flow flow,
        boolean rdm,
        Optional<SacnUniverse> sacn,
        boolean latest) {
    public SimPort {
        units = List.copyOf(units);
        if (units.size() > 200) {
            throw new IllegalArgumentException(units.size() + " units are more than a line of this rig takes, 200");
        }
    }

    public SimPort(PortAddress address, List<SimUnit> units, boolean tells) {
        this(address, units, tells, Flow.OUT, true, Optional.empty(), false);
    }

    public SimPort(PortAddress address, List<SimUnit> units) {
        this(address, units, true);
    }

    /** The same set to another Port-Address. */
    SimPort at(PortAddress changed) {
        return new SimPort(changed, units, tells, flow, rdm, sacn, latest);
    }

    /** The same turned round, or switched off. */
    SimPort turned(Flow changed) {
        return new SimPort(address, units, tells, changed, rdm, sacn, latest);
    }

    /** The same with remote management on or off. */
    SimPort withRdm(boolean changed) {
        return new SimPort(address, units, tells, flow, changed, sacn, latest);
    }

    /** The same that joins two sources so. */
    SimPort takingLatest(boolean changed) {
        return new SimPort(address, units, tells, flow, rdm, sacn, changed);
    }

    /** The same that takes its levels by Art-Net. */
    SimPort takingArtNet() {
        return new SimPort(address, units, tells, flow, rdm, Optional.empty(), latest);
    }

    /** The same that reaches nobody. */
    SimPort unheard() {
        return new SimPort(address, List.of(), tells, flow, rdm, sacn, latest);
    }

    /** The same that takes its levels by streaming ACN; it is managed by Art-Net all the same (common practice). */
    public SimPort taking(SacnUniverse universe) {
        return new SimPort(address, units, tells, flow, rdm, Optional.of(universe), latest);
    }

    /** Under which number its levels come. */
    Carrier carrier() {
        return sacn.map(Carrier::of).orElseGet(() -> Carrier.of(address));
    }

    /** The units that a question comes to. */
    List<SimUnit> reached() {
        return flow == Flow.OUT && rdm ? units : List.of();
    }

    /** The units that its table of devices names: not those for which another one stands. */
    List<Uid> listed() {
        Set<Uid> behind = units.stream().flatMap(u -> u.standsFor().stream()).collect(Collectors.toSet());
        return units.stream().map(SimUnit::uid).filter(u -> !behind.contains(u)).toList();
    }

    /** True when it has a table of devices to give. */
    boolean hasTable() {
        return tells && rdm && flow == Flow.OUT;
    }
}
