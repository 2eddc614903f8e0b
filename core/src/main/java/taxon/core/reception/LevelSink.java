package taxon.core.reception;

import java.util.List;
import taxon.core.network.SacnUniverse;

/** Takes what comes. */
public interface LevelSink {
    /**
     * Takes a packet of a universe.
     *
     * @param nanos a clock that never goes back
     */
    void take(Carrier carrier, LevelPacket packet, long nanos);

    /** Takes a page of the list of what a sender sends. */
    void announced(String sender, int page, List<SacnUniverse> sent, long nanos);
}
