package taxon.core.raising;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.core.reception.Heard;
import taxon.core.reception.LevelPacket;
import taxon.core.reception.LevelSink;
import taxon.core.reception.UniverseReception;

/** All who send on some universes but oneself. Safe for several threads. */
public final class Others implements LevelSink {
    private final String own;
    private final Map<Carrier, UniverseReception> universes = new HashMap<>();

    /** @param own the identity of one's own source, as {@link taxon.core.reception.Sender#id()} has it */
    public Others(Collection<Carrier> carriers, String own) {
        this.own = own;
        carriers.forEach(c -> universes.put(c, new UniverseReception(c, h -> {})));
    }

    @Override
    public synchronized void take(Carrier carrier, LevelPacket packet, long nanos) {
        UniverseReception universe = universes.get(carrier);
        if (universe != null && !packet.sender().id().equals(own)) {
            universe.take(packet, nanos);
        }
    }

    @Override
    public void announced(String sender, int page, List<SacnUniverse> sent, long nanos) {
        // Who says what it will send does not send yet.
    }

    /** Those who are heard now, for live output. */
    public synchronized List<Heard> heard(Carrier carrier, long nanos) {
        UniverseReception universe = universes.get(carrier);
        List<Heard> heard = new ArrayList<>(universe == null ? List.of() : universe.heardNow(nanos));
        heard.removeIf(Heard::isPreview);
        return List.copyOf(heard);
    }

    /** What they come to: 512 levels. */
    synchronized byte[] levels(Carrier carrier, long nanos) {
        return reception(carrier).levels(nanos);
    }

    /** The highest priority among them, of slots too. */
    public synchronized int highestPriority(Carrier carrier, long nanos) {
        return reception(carrier).highestPriority(nanos);
    }

    private UniverseReception reception(Carrier carrier) {
        return universes.computeIfAbsent(carrier, c -> new UniverseReception(c, h -> {}));
    }
}
