package taxon.core.reception;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import taxon.core.dmx.Slot;
import taxon.core.reception.Happening.Kind;

/**
 * Receives one universe: takes packets, tells who is heard, and whose level each slot has. Bounded: of more than {@value #MOST_SENDERS}
 * senders at once the further ones are counted and nothing else. Not safe for several threads at once.
 */
public final class UniverseReception {
    public static final int MOST_SENDERS = 32;

    /** A receiver that begins to hear waits so long before its answer counts (E1.31, from memory). */
    public static final long SAMPLING_NANOS = 1_500_000_000L;

    private final Carrier carrier;
    private final Consumer<Happening> log;
    private final List<Source> sources = new ArrayList<>();
    private final Merge merge = new Merge();
    private long firstNanos;
    private long beyond;

    /** @param log is told of who comes and goes */
    public UniverseReception(Carrier carrier, Consumer<Happening> log) {
        this.carrier = carrier;
        this.log = log;
    }

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
     * @param slots 512 of them
     * @param isSampling true while the answer does not count yet
     * @param beyond senders that were turned away since the beginning
     */
    public record State(List<Heard> heard, List<SlotState> slots, boolean isSampling, long beyond) {
        public State {
            heard = List.copyOf(heard);
            slots = List.copyOf(slots);
        }

        /** The level of each slot, 0 where nobody sends. */
        public List<Integer> levels() {
            return slots.stream().map(SlotState::level).toList();
        }
    }

    /**
     * One slot.
     *
     * @param level 0 to 255
     * @param winners those whose levels are merged, by their index among the heard; several where they are equal
     * @param movedNanos when it last changed; empty where it did not since it was first heard
     * @param least since the beginning, or since that was forgotten
     * @param most likewise
     */
    public record SlotState(int level, List<Integer> winners, Optional<Long> movedNanos, int least, int most) {
        public SlotState {
            winners = List.copyOf(winners);
        }
    }

    /**
     * A universe without its slots.
     *
     * @param winners those who have a say in some slot, by their index among the heard
     * @param rivals those who win some slot together with another, likewise
     * @param above how many slots are above 0
     * @param fingerprint the same for the same levels
     */
    public record Overview(
            Carrier carrier,
            List<Heard> heard,
            List<Integer> winners,
            List<Integer> rivals,
            int above,
            int fingerprint,
            boolean isSampling,
            long beyond) {
        public Overview {
            heard = List.copyOf(heard);
            winners = List.copyOf(winners);
            rivals = List.copyOf(rivals);
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
            known.ifPresent(s -> end(s, Kind.ENDED, nanos));
            return Taken.ENDED;
        }
        if (packet.startCode() != LevelPacket.LEVELS && packet.startCode() != LevelPacket.SLOT_PRIORITIES) {
            return Taken.OTHER_START_CODE;
        }
        if (known.isEmpty() && sources.size() >= MOST_SENDERS) {
            if (beyond == 0) {
                tell(Kind.TURNED_AWAY, packet.sender(), nanos);
            }
            beyond++;
            return Taken.TOO_MANY_SENDERS;
        }
        return taken(known.orElseGet(() -> begin(packet.sender(), nanos)), packet, nanos);
    }

    private Source begin(Sender sender, long nanos) {
        if (sources.isEmpty()) {
            firstNanos = nanos;
        }
        Source begun = new Source(sender, nanos);
        sources.add(begun);
        tell(Kind.BEGAN, sender, nanos);
        return begun;
    }

    private Taken taken(Source source, LevelPacket packet, long nanos) {
        boolean wasLive = source.isLive();
        int before = source.priority();
        Source.Effect effect = source.take(packet, nanos);
        if (wasLive && source.priority() != before) {
            tell(Kind.PRIORITY_CHANGED, source.sender(), nanos);
        }
        if (effect == Source.Effect.OTHER) {
            merge.update(sources, nanos);
        }
        return effect == Source.Effect.LATE ? Taken.LATE : Taken.TAKEN;
    }

    private void end(Source source, Kind how, long nanos) {
        sources.remove(source);
        tell(how, source.sender(), nanos);
        merge.update(sources, nanos);
    }

    private void tell(Kind what, Sender who, long nanos) {
        log.accept(new Happening(nanos, carrier, who, what));
    }

    private Optional<Source> find(Sender sender) {
        return sources.stream().filter(s -> s.sender().isSameAs(sender)).findFirst();
    }

    /** Drops those of whom nothing came for too long. */
    void forget(long nanos) {
        boolean lost = false;
        for (Iterator<Source> each = sources.iterator(); each.hasNext(); ) {
            Source source = each.next();
            if (source.isGone(nanos)) {
                each.remove();
                tell(Kind.LOST, source.sender(), nanos);
                lost = true;
            }
        }
        if (lost) {
            merge.update(sources, nanos);
        }
    }

    boolean isSilent() {
        return sources.isEmpty();
    }

    /** From now on the least and most of each slot are of what comes next. */
    void forgetExtent() {
        merge.forgetExtent();
    }

    /** What is in force at a time. */
    public State state(long nanos) {
        forget(nanos);
        // A priority of a slot may have been lost with no packet to tell.
        merge.update(sources, nanos);
        return new State(
                heard(nanos), IntStream.range(0, Slot.LAST).mapToObj(this::slot).toList(), isSampling(nanos), beyond);
    }

    /** As {@link #state}, the levels alone: 512 of them. */
    public byte[] levels(long nanos) {
        forget(nanos);
        merge.update(sources, nanos);
        byte[] levels = new byte[Slot.LAST];
        for (int slot = 0; slot < Slot.LAST; slot++) {
            levels[slot] = (byte) merge.level(slot);
        }
        return levels;
    }

    /** Who is heard. */
    public List<Heard> heardNow(long nanos) {
        forget(nanos);
        return heard(nanos);
    }

    /** The highest priority that a sender gives to a slot of it, 0 to 255; 0 where nobody sends. */
    public int highestPriority(long nanos) {
        forget(nanos);
        return sources.stream()
                .filter(Source::isLive)
                .mapToInt(s -> s.highestPriority(nanos))
                .max()
                .orElse(0);
    }

    private SlotState slot(int slot) {
        long moved = merge.moved(slot);
        return new SlotState(
                merge.level(slot),
                indices(merge.winners(slot)),
                moved == Merge.NEVER ? Optional.empty() : Optional.of(moved),
                merge.least(slot),
                merge.most(slot));
    }

    private static List<Integer> indices(int bits) {
        return IntStream.range(0, MOST_SENDERS)
                .filter(i -> (bits >>> i & 1) == 1)
                .boxed()
                .toList();
    }

    /** Who is heard, without the slots. */
    Overview overview(long nanos) {
        forget(nanos);
        return new Overview(
                carrier,
                heard(nanos),
                indices(merge.winners()),
                indices(merge.rivals()),
                merge.above(),
                merge.fingerprint(),
                isSampling(nanos),
                beyond);
    }

    private List<Heard> heard(long nanos) {
        return sources.stream().map(s -> s.heard(nanos)).toList();
    }

    private boolean isSampling(long nanos) {
        return !sources.isEmpty() && nanos - firstNanos < SAMPLING_NANOS;
    }
}
