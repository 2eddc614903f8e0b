package taxon.core.reception;

import java.util.Arrays;
import taxon.core.dmx.Slot;

/** What was heard of one sender. */
final class Source {
    private static final int BYTE = 0xFF;

    private Sender sender;
    private final SequenceWindow order = new SequenceWindow();
    private final SequenceWindow orderOfPriorities = new SequenceWindow();
    private final Arrivals arrivals = new Arrivals();
    private final Pace pace = new Pace();
    private final byte[] levels = new byte[Slot.LAST];
    private byte[] priorities = new byte[0];
    private int slots;
    private int priority;
    private int synchronisation;
    private boolean isPreview;
    private long prioritiesNanos;
    private long lastNanos;
    private long changedNanos;

    Source(Sender sender, long nanos) {
        this.sender = sender;
        lastNanos = nanos;
        changedNanos = nanos;
    }

    /** What a packet did. */
    enum Effect {
        /** It came late, and was dropped. */
        LATE,
        /** It says what the one before said. */
        SAME,
        /** It says something else. */
        OTHER
    }

    Effect take(LevelPacket packet, long nanos) {
        boolean ofPriorities = packet.startCode() == LevelPacket.SLOT_PRIORITIES;
        SequenceWindow window = ofPriorities ? orderOfPriorities : order;
        boolean inOrder = packet.sender().protocol() == Sender.Protocol.ART_NET
                ? window.takeOfArtNet(packet.sequence())
                : window.take(packet.sequence());
        if (!inOrder) {
            return Effect.LATE;
        }
        sender = packet.sender();
        lastNanos = nanos;
        boolean other = ofPriorities ? priorities(packet, nanos) : levels(packet, nanos);
        return other ? Effect.OTHER : Effect.SAME;
    }

    private boolean priorities(LevelPacket packet, long nanos) {
        byte[] given = Arrays.copyOf(packet.values(), Slot.LAST);
        boolean other = !givesPriorities(nanos) || !Arrays.equals(given, priorities);
        priorities = given;
        prioritiesNanos = nanos;
        return other;
    }

    private boolean levels(LevelPacket packet, long nanos) {
        boolean changed = isFirst() || slots != packet.slots();
        for (int i = 0; i < Slot.LAST; i++) {
            byte level = (byte) packet.value(i);
            changed |= levels[i] != level;
            levels[i] = level;
        }
        boolean reweighed = priority != packet.priority() || isPreview != packet.isPreview();
        slots = packet.slots();
        priority = packet.priority();
        synchronisation = packet.synchronisation();
        isPreview = packet.isPreview();
        arrivals.add(nanos);
        pace.add(changed, nanos);
        if (changed) {
            changedNanos = nanos;
        }
        return changed || reweighed;
    }

    private boolean isFirst() {
        return arrivals.count() == 0;
    }

    boolean isGone(long nanos) {
        return nanos - lastNanos > sender.protocol().lossNanos();
    }

    /** True when its levels count: they came, and are for live output. */
    boolean isLive() {
        return !isFirst() && !isPreview;
    }

    /** True when it says something of a slot, counted from 0. */
    boolean sources(int slot, long nanos) {
        return slot < slots && (!givesPriorities(nanos) || priorities[slot] != 0);
    }

    /** What its levels of a slot weigh. */
    int priority(int slot, long nanos) {
        return givesPriorities(nanos) ? priorities[slot] & BYTE : priority;
    }

    /** The highest that it gives: to its packet, or to one of its slots. */
    int highestPriority(long nanos) {
        int highest = priority;
        if (givesPriorities(nanos)) {
            for (byte own : priorities) {
                highest = Math.max(highest, own & BYTE);
            }
        }
        return highest;
    }

    /** Of all its slots that have none of their own. */
    int priority() {
        return priority;
    }

    /** Priorities of slots are lost like their sender, each for itself. */
    boolean givesPriorities(long nanos) {
        return priorities.length > 0
                && nanos - prioritiesNanos <= sender.protocol().lossNanos();
    }

    int level(int slot) {
        return levels[slot] & BYTE;
    }

    Sender sender() {
        return sender;
    }

    Heard heard(long nanos) {
        return new Heard(
                sender,
                priority,
                givesPriorities(nanos),
                arrivals.rate(),
                pace.rate(nanos),
                arrivals.jitterMillis(),
                arrivals.count(),
                order.lost(),
                order.late(),
                slots,
                synchronisation,
                isPreview,
                lastNanos,
                changedNanos,
                Arrays.hashCode(levels),
                isAllZero());
    }

    private boolean isAllZero() {
        for (byte level : levels) {
            if (level != 0) {
                return false;
            }
        }
        return true;
    }
}
