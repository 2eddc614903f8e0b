package taxon.core.reception;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import taxon.core.dmx.Slot;

/**
 * Receives one universe: takes packets, tells who is heard, and whose level each slot has. Bounded: of more than {@value #MOST_SENDERS}
 * senders at once the further ones are counted and nothing else. Not safe for several threads at once.
 */
public final class UniverseReception {
    public static final int MOST_SENDERS = 32;

    /** A receiver that begins to hear waits so long before its answer counts (E1.31, from memory). */
    public static final long SAMPLING_NANOS = 1_500_000_000L;

    private final List<Source> sources = new ArrayList<>();
    private long firstNanos = Long.MIN_VALUE;
    private long beyond;

    /** What became of a packet. */
    public enum Taken {
        TAKEN,
        /** It came late or twice. */
        LATE,
        /** Its sender said that it stops. */
        ENDED,
        /** It has a start code that carries no levels. */
        OTHER_START_CODE,
        /** There are too many senders already. */
        TOO_MANY_SENDERS
    }

    /**
     * What is in force.
     *
     * @param levels 512 of them, 0 where nobody sends
     * @param winners of each slot those whose levels are merged, by their index in {@code heard}; several where they are equal
     * @param isSampling true while the answer does not count yet
     * @param beyond senders that were turned away since the beginning
     */
    public record State(
            List<Heard> heard, List<Integer> levels, List<List<Integer>> winners, boolean isSampling, long beyond) {
        public State {
            heard = List.copyOf(heard);
            levels = List.copyOf(levels);
            winners = List.copyOf(winners);
        }
    }

    /**
     * Takes a packet.
     *
     * @param nanos a clock that never goes back, the same for all packets and questions
     */
    public Taken take(LevelPacket packet, long nanos) {
        forget(nanos);
        Optional<Source> known = find(packet.sender());
        if (packet.isTerminated()) {
            known.ifPresent(sources::remove);
            return Taken.ENDED;
        }
        if (packet.startCode() != LevelPacket.LEVELS && packet.startCode() != LevelPacket.SLOT_PRIORITIES) {
            return Taken.OTHER_START_CODE;
        }
        if (known.isEmpty() && sources.size() >= MOST_SENDERS) {
            beyond++;
            return Taken.TOO_MANY_SENDERS;
        }
        if (sources.isEmpty()) {
            firstNanos = nanos;
        }
        Source source = known.orElseGet(() -> {
            Source begun = new Source(packet.sender(), nanos);
            sources.add(begun);
            return begun;
        });
        return source.take(packet, nanos) ? Taken.TAKEN : Taken.LATE;
    }

    private Optional<Source> find(Sender sender) {
        return sources.stream().filter(s -> s.sender().isSameAs(sender)).findFirst();
    }

    private void forget(long nanos) {
        for (Iterator<Source> each = sources.iterator(); each.hasNext(); ) {
            if (each.next().isGone(nanos)) {
                each.remove();
            }
        }
    }

    /** What is in force at a time. */
    public State state(long nanos) {
        forget(nanos);
        List<Integer> levels = new ArrayList<>(Slot.LAST);
        List<List<Integer>> winners = new ArrayList<>(Slot.LAST);
        for (int slot = 0; slot < Slot.LAST; slot++) {
            List<Integer> winning = winning(slot, nanos);
            int at = slot;
            winners.add(winning);
            levels.add(winning.stream()
                    .mapToInt(i -> sources.get(i).level(at))
                    .max()
                    .orElse(0));
        }
        boolean sampling = !sources.isEmpty() && nanos - firstNanos < SAMPLING_NANOS;
        return new State(sources.stream().map(s -> s.heard(nanos)).toList(), levels, winners, sampling, beyond);
    }

    /** The highest priority wins (E1.31, 6.2.3); equal ones are merged, the highest level first (common practice). */
    private List<Integer> winning(int slot, long nanos) {
        List<Integer> winning = new ArrayList<>();
        int highest = -1;
        for (int i = 0; i < sources.size(); i++) {
            Source source = sources.get(i);
            if (!source.isLive() || !source.sources(slot, nanos)) {
                continue;
            }
            int priority = source.priority(slot, nanos);
            if (priority > highest) {
                winning.clear();
                highest = priority;
            }
            if (priority == highest) {
                winning.add(i);
            }
        }
        return List.copyOf(winning);
    }
}
