package taxon.core.boxcheck;

import java.util.Optional;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;

/** One thing in which a box is not as it is planned. Ports count from 1. */
public sealed interface BoxDifference {
    /** @param elsewhere where a box of its name answers; empty where none is known to */
    record Silent(Optional<Ipv4> elsewhere) implements BoxDifference {}

    /** An interface that is not plugged into this computer. */
    record NotPluggedIn() implements BoxDifference {}

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

    record RdmOff(int port) implements BoxDifference {}
}
