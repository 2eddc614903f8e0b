package taxon.core.reception;

import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import taxon.core.network.SacnUniverse;

/** Which universes of streaming ACN senders say that they send (E1.31, 4.3): heard without joining them. Bounded. */
final class Announcements {
    private static final int MOST_SENDERS = 256;
    /** Lists come every 10 s (E1.31, 4.3); one that failed to come twice is old. */
    private static final long OLD_NANOS = 25_000_000_000L;

    private final Map<String, Said> bySender = new LinkedHashMap<>();

    private static final class Said {
        private final BitSet universes = new BitSet();
        private long nanos;
    }

    /** Takes one page; the first begins the list anew. */
    void take(String sender, int page, List<SacnUniverse> universes, long nanos) {
        bySender.values().removeIf(s -> nanos - s.nanos > OLD_NANOS);
        if (!bySender.containsKey(sender) && bySender.size() >= MOST_SENDERS) {
            return;
        }
        Said said = bySender.computeIfAbsent(sender, s -> new Said());
        if (page == 0) {
            said.universes.clear();
        }
        universes.forEach(u -> said.universes.set(u.number()));
        said.nanos = nanos;
    }

    /** All that somebody says to send, in ascending order. */
    List<SacnUniverse> universes(long nanos) {
        TreeSet<SacnUniverse> all = new TreeSet<>();
        bySender.values().stream()
                .filter(s -> nanos - s.nanos <= OLD_NANOS)
                .forEach(s -> s.universes.stream().mapToObj(SacnUniverse::new).forEach(all::add));
        return List.copyOf(all);
    }
}
