package taxon.core.wireless;

import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.RadioLink;

/**
 * How levels come to one receiver through the air.
 *
 * @param wanted the universes of its units, ascending; none where they have no address yet
 * @param units the fixtures that hear by it: one for a receiver that is built in
 * @param channels outputs of transmitters that it can be linked to: that of its box where one is planned there, else all that
 *     send the whole of what is wanted
 * @param link what was made; empty where nobody has said
 */
public record AirWay(
        RadioLink.Receiver receiver,
        Set<UniverseNumber> wanted,
        List<FixtureKey> units,
        List<PortRef> channels,
        Optional<RadioLink> link,
        LinkState state) {
    public AirWay {
        wanted = Collections.unmodifiableSet(new TreeSet<>(wanted));
        units = List.copyOf(units);
        channels = List.copyOf(channels);
    }

    /** The channel behind which it is shown: the one that it is known to be linked to, else the first that it can be. */
    public Optional<PortRef> shownAt() {
        return link.map(RadioLink::to).or(() -> channels.stream().findFirst());
    }

    static AirWay of(
            RadioLink.Receiver receiver,
            Set<UniverseNumber> wanted,
            List<FixtureKey> units,
            List<PortRef> channels,
            Optional<RadioLink> link) {
        return new AirWay(receiver, wanted, units, channels, link, state(wanted, channels, link));
    }

    private static LinkState state(Set<UniverseNumber> wanted, Collection<PortRef> channels, Optional<RadioLink> link) {
        if (wanted.isEmpty()) {
            return LinkState.NOTHING_TO_HEAR;
        }
        if (link.isEmpty()) {
            return channels.isEmpty() ? LinkState.NO_CHANNEL : LinkState.NEVER_LINKED;
        }
        if (link.get().lost().isPresent()) {
            return channels.isEmpty() ? LinkState.NO_CHANNEL : LinkState.LOST;
        }
        return channels.contains(link.get().to()) ? LinkState.LINKED : LinkState.LINKED_ELSEWHERE;
    }
}
