package taxon.core.network;

import java.util.Optional;
import taxon.core.dmx.UniverseNumber;

/**
 * How the universes of a job are counted on the network: one rule for all of them.
 *
 * @param firstPortAddress the Port-Address of universe 1, 0 to 32767: 0 where the network counts from 0, 1 where it has the same
 *     numbers
 * @param sacnOffset what streaming ACN adds to the job's number, 0 to 63998. It has no universe 0, so that it has the job's own
 *     numbers whatever Art-Net counts from (ANSI E1.31, 9.1.1, from memory)
 */
public record Counting(int firstPortAddress, int sacnOffset) {
    /** The job's own numbers everywhere. */
    public static final Counting SAME = new Counting(1, 0);

    /** Art-Net counts from 0: universe 16 is Port-Address 15. */
    public static final Counting FROM_ZERO = new Counting(0, 0);

    public Counting {
        if (firstPortAddress < 0 || firstPortAddress > PortAddress.LAST) {
            throw new IllegalArgumentException(
                    "the Port-Address of universe 1 is " + firstPortAddress + "; it takes 0 to " + PortAddress.LAST);
        }
        if (sacnOffset < 0 || sacnOffset >= UniverseNumber.LAST) {
            throw new IllegalArgumentException(
                    "streaming ACN adds " + sacnOffset + "; it takes 0 to " + (UniverseNumber.LAST - 1));
        }
    }

    /** The Port-Address of a universe; empty where it would be above the last. */
    public Optional<PortAddress> portAddress(UniverseNumber universe) {
        int number = firstPortAddress + universe.number() - 1;
        return number > PortAddress.LAST ? Optional.empty() : Optional.of(new PortAddress(number));
    }

    /** The number of a universe in streaming ACN; empty where it would be above the last. */
    public Optional<SacnUniverse> sacn(UniverseNumber universe) {
        int number = universe.number() + sacnOffset;
        return UniverseNumber.isLegal(number) ? Optional.of(new SacnUniverse(number)) : Optional.empty();
    }

    /** The universe that has this Port-Address; empty where it lies before universe 1. */
    public Optional<UniverseNumber> universe(PortAddress address) {
        return universe(address.number() - firstPortAddress + 1);
    }

    /** The universe that streaming ACN calls so; empty where it lies before universe 1. */
    public Optional<UniverseNumber> universe(SacnUniverse sacn) {
        return universe(sacn.number() - sacnOffset);
    }

    private static Optional<UniverseNumber> universe(int number) {
        return UniverseNumber.isLegal(number) ? Optional.of(UniverseNumber.of(number)) : Optional.empty();
    }

    /** A route as this rule would number it, over the same port; empty where there is no such number. */
    public Optional<Route> counted(UniverseNumber universe, Route route) {
        if (route instanceof Route.ArtNet a) {
            return portAddress(universe).map(n -> new Route.ArtNet(n, a.delivery(), a.port()));
        }
        if (route instanceof Route.Sacn s) {
            return sacn(universe).map(n -> new Route.Sacn(n, s.delivery(), s.priority(), s.port()));
        }
        return Optional.of(route);
    }
}
