package taxon.core.finding;

import java.util.List;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Route.PortRef;

/**
 * What rules about wireless links saw. Receivers are told by name, channels too: "Dock radio port 1".
 */
public sealed interface RadioGrounds {

    /** What is wrong with links to one channel. */
    sealed interface OfChannel extends RadioGrounds {
        PortRef to();
    }

    /** @param wanted universes of the receivers that no transmitter sends, or not one alone */
    record SentByNone(List<UniverseNumber> wanted, List<String> receivers) implements RadioGrounds {}

    /**
     * Linked to a channel that does not bring what they are to hear.
     *
     * @param sent what the channel brings; none where nothing leaves by it
     */
    record Elsewhere(
            List<UniverseNumber> wanted, List<String> receivers, PortRef to, String channel, List<UniverseNumber> sent)
            implements OfChannel {}

    /** @param after what the links were lost after */
    record Lost(List<String> receivers, PortRef to, String channel, String after) implements OfChannel {}

    /** @param channels one of which each is to be linked to */
    record NeverLinked(List<String> receivers, List<String> channels) implements RadioGrounds {}
}
