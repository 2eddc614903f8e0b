package taxon.core.boxcheck;

import java.util.List;
import taxon.core.boxcheck.SeenBox.Protocol;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.BoxPort.Merge;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;

/** One thing in which a box is not as it is planned. Ports count from 1. */
public sealed interface BoxDifference {
    /** It does not answer. */
    record Silent(Silence why) implements BoxDifference {}

    /** An interface that is not plugged into this computer. */
    record NotPluggedIn() implements BoxDifference {}

    /** It calls itself otherwise. */
    record OtherName(String seen, String planned) implements BoxDifference {}

    /**
     * It does something else when its data stops than these of its ports are planned to.
     *
     * @param ports in order; all of one plan
     */
    record OtherWhenLost(List<Integer> ports, WhenLost seen, WhenLost planned) implements BoxDifference {
        public OtherWhenLost {
            ports = List.copyOf(ports);
        }
    }

    /** It answers, and gives another address as its own. */
    record SaysOtherIp(Ipv4 says) implements BoxDifference {}

    /** @param name of another device that answers at the same address */
    record AnotherThere(String name) implements BoxDifference {}

    record OtherMask(int seen, int planned) implements BoxDifference {}

    /** @param port planned with a universe, which a box of {@code seen} ports has not */
    record NoSuchPort(int port, int seen) implements BoxDifference {}

    record Turned(int port, Direction seen, Direction planned) implements BoxDifference {}

    record OtherNumber(int port, UniverseNumber universe, PortAddress seen, PortAddress planned)
            implements BoxDifference {}

    /** It takes its levels by another protocol than that of a universe that is planned there. */
    record OtherProtocol(int port, UniverseNumber universe, Protocol seen, Protocol planned) implements BoxDifference {}

    record OtherMerge(int port, Merge seen, Merge planned) implements BoxDifference {}

    record RdmOff(int port) implements BoxDifference {}
}
