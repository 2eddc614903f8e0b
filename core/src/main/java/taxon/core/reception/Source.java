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
    private final int[] levels = new int[Slot.LAST];
    private final int[] priorities = new int[Slot.LAST];
    private int slots;
    private int priority;
    private boolean isPreview;
    private boolean hasPriorities;
    private long prioritiesNanos;
    private long lastNanos;
    private long changedNanos;

    Source(Sender sender, long nanos) {
        this.sender = sender;
        changedNanos = nanos;
    }

    /** @return false when it is to be dropped, since it came late */
    boolean take(LevelPacket packet, long nanos) {
        boolean ofPriorities = packet.startCode() == LevelPacket.SLOT_PRIORITIES;
        SequenceWindow window = ofPriorities ? orderOfPriorities : order;
        boolean inOrder = packet.sender().protocol() == Sender.Protocol.ART_NET
                ? window.takeOfArtNet(packet.sequence())
                : window.take(packet.sequence());
        if (!inOrder) {
            return false;
        }
        sender = packet.sender();
        lastNanos = nanos;
        if (ofPriorities) {
            priorities(packet.values(), nanos);
        } else {
            levels(packet, nanos);
        }
        return true;
    }

    private void priorities(byte[] values, long nanos) {
        Arrays.fill(priorities, 0);
        for (int i = 0; i < values.length; i++) {
            priorities[i] = values[i] & BYTE;
        }
        hasPriorities = true;
        prioritiesNanos = nanos;
    }

    private void levels(LevelPacket packet, long nanos) {
        byte[] values = packet.values();
        boolean changed = slots != values.length;
        for (int i = 0; i < Slot.LAST; i++) {
            int level = i < values.length ? values[i] & BYTE : 0;
            changed |= levels[i] != level;
            levels[i] = level;
        }
        slots = values.length;
        priority = packet.priority();
        isPreview = packet.isPreview();
        arrivals.add(nanos);
        if (changed) {
            changedNanos = nanos;
        }
    }

    boolean isGone(long nanos) {
        return nanos - lastNanos > sender.protocol().lossNanos();
    }

    /** True when its levels count: they came, and are for live output. */
    boolean isLive() {
        return arrivals.count() > 0 && !isPreview;
    }

    /** True when it says something of a slot, counted from 0. */
    boolean sources(int slot, long nanos) {
        return slot < slots && (!givesPriorities(nanos) || priorities[slot] > 0);
    }

    /** What its levels of a slot weigh. */
    int priority(int slot, long nanos) {
        return givesPriorities(nanos) ? priorities[slot] : priority;
    }

    /** Priorities of slots are lost like their sender, each for itself. */
    private boolean givesPriorities(long nanos) {
        return hasPriorities && nanos - prioritiesNanos <= sender.protocol().lossNanos();
    }

    int level(int slot) {
        return levels[slot];
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
                arrivals.jitterMillis(),
                arrivals.count(),
                order.lost(),
                order.late(),
                isPreview,
                lastNanos,
                changedNanos,
                Arrays.stream(levels).allMatch(l -> l == 0));
    }
}
