package taxon.core.reception;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.UniverseReception.Overview;
import taxon.core.reception.UniverseReception.State;

/**
 * All universes that are heard by one card, and a log of who came and went. Bounded: of more than {@value #MOST_UNIVERSES} universes
 * the further ones are counted and nothing else, and the log keeps the newest {@value #MOST_HAPPENINGS} entries. Safe for several
 * threads; its clock is that of whoever gives it packets.
 */
public final class Watch implements LevelSink {
    public static final int MOST_UNIVERSES = 1_024;
    public static final int MOST_HAPPENINGS = 400;

    private final TreeMap<Carrier, UniverseReception> universes = new TreeMap<>();
    private final Deque<Happening> happenings = new ArrayDeque<>();
    private final Announcements announcements = new Announcements();
    private long beyond;
    private long packets;

    @Override
    public synchronized void take(Carrier carrier, LevelPacket packet, long nanos) {
        packets++;
        UniverseReception known = universes.get(carrier);
        if (known == null && universes.size() >= MOST_UNIVERSES) {
            universes.values().removeIf(UniverseReception::isSilent);
        }
        if (known == null && universes.size() >= MOST_UNIVERSES) {
            beyond++;
            return;
        }
        if (known == null) {
            known = new UniverseReception(carrier, this::log);
            universes.put(carrier, known);
        }
        known.take(packet, nanos);
    }

    @Override
    public synchronized void announced(String sender, int page, List<SacnUniverse> sent, long nanos) {
        announcements.take(sender, page, sent, nanos);
    }

    private void log(Happening happening) {
        happenings.addFirst(happening);
        while (happenings.size() > MOST_HAPPENINGS) {
            happenings.removeLast();
        }
    }

    /** Drops those of whom nothing came for too long: to be called now and then, so that the log tells of them in time. */
    public synchronized void sweep(long nanos) {
        universes.values().forEach(u -> u.forget(nanos));
    }

    /** Each universe that was heard since the beginning, in order; one that nobody sends any more has no sender. */
    public synchronized List<Overview> overview(long nanos) {
        return universes.values().stream().map(u -> u.overview(nanos)).toList();
    }

    /** What is in force on one universe; empty when it was never heard. */
    public synchronized Optional<State> state(Carrier carrier, long nanos) {
        return Optional.ofNullable(universes.get(carrier)).map(u -> u.state(nanos));
    }

    /** From now on the least and most of each slot are of what comes next. */
    public synchronized void forgetExtent(Carrier carrier) {
        Optional.ofNullable(universes.get(carrier)).ifPresent(UniverseReception::forgetExtent);
    }

    /** Universes of streaming ACN that somebody says to send, heard or not. */
    public synchronized List<SacnUniverse> announced(long nanos) {
        return announcements.universes(nanos);
    }

    /** Who came and went, the newest first. */
    public synchronized List<Happening> happenings() {
        return List.copyOf(happenings);
    }

    /** Packets of universes beyond those that are kept. */
    public synchronized long beyond() {
        return beyond;
    }

    /** Packets of levels that came so far. */
    public synchronized long packets() {
        return packets;
    }
}
