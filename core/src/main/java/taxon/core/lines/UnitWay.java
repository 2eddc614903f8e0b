package taxon.core.lines;

import java.util.List;
import java.util.Optional;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Route;
import taxon.core.rig.Box;
import taxon.core.rig.Line;

/**
 * How levels of one universe come to one fixture, from who sends them down to its socket.
 *
 * @param senders boxes that send the universe; none where nobody has said
 * @param route how it leaves; empty where it is routed nowhere, or no line leads to the fixture and it has several ways
 * @param hops the lines on the way, from the first to the one that the fixture hangs on; none where no line reaches it
 * @param place on the last line, from 1; 0 where no line reaches it
 * @param metres of cable from the first port, with slack; empty where that is not known or there is no line
 */
public record UnitWay(
        UniverseNumber universe,
        List<Box> senders,
        Optional<Route> route,
        List<Line> hops,
        int place,
        Optional<Double> metres) {
    public UnitWay {
        senders = List.copyOf(senders);
        hops = List.copyOf(hops);
    }

    /** The line that it hangs on. */
    public Optional<Line> line() {
        return hops.isEmpty() ? Optional.empty() : Optional.of(hops.get(hops.size() - 1));
    }
}
