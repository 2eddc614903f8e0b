package taxon.core.reception;

import java.util.Arrays;
import taxon.core.dmx.Slot;

/**
 * One packet of one universe.
 *
 * @param priority 0 to 200; 100 where the protocol has none
 * @param sequence 0 to 255
 * @param isPreview true when it is not for live output (E1.31, 6.2.6)
 * @param isTerminated true when its sender says that it stops (E1.31, 6.2.6)
 * @param synchronisation the address at which it waits to come into force (E1.31, 6.2.4); 0 where it does not
 * @param startCode 0 for levels, 0xDD for a priority of each slot; others are counted and carry nothing here
 * @param values 0 to 512 of them, 0 to 255 each
 */
public record LevelPacket(
        Sender sender,
        int priority,
        int sequence,
        boolean isPreview,
        boolean isTerminated,
        int synchronisation,
        int startCode,
        byte[] values) {
    /** The usual priority. */
    public static final int USUAL_PRIORITY = 100;

    /** Levels (ANSI E1.11). */
    public static final int LEVELS = 0x00;

    /** A priority for each slot: registered, no part of E1.31, and met in practice. */
    public static final int SLOT_PRIORITIES = 0xDD;

    private static final int MOST_PRIORITY = 200;
    private static final int BYTE = 0xFF;

    /** @throws IllegalArgumentException when a value is outside its range */
    public LevelPacket {
        values = values.clone();
        if (priority < 0 || priority > MOST_PRIORITY || sequence < 0 || sequence > BYTE || values.length > Slot.LAST) {
            throw new IllegalArgumentException("priority " + priority + ", sequence " + sequence + ", " + values.length
                    + " slots: they take 0 to 200, 0 to 255 and 0 to 512");
        }
    }

    /** A copy of its values. */
    @Override
    public byte[] values() {
        return values.clone();
    }

    /** How many values it has. */
    int slots() {
        return values.length;
    }

    /** A value, 0 to 255, counted from 0; 0 beyond the last. */
    int value(int slot) {
        return slot < values.length ? values[slot] & BYTE : 0;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof LevelPacket p
                && sender.equals(p.sender)
                && priority == p.priority
                && sequence == p.sequence
                && isPreview == p.isPreview
                && isTerminated == p.isTerminated
                && synchronisation == p.synchronisation
                && startCode == p.startCode
                && Arrays.equals(values, p.values);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(values) * 31 + sender.hashCode();
    }
}
