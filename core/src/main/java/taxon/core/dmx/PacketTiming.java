package taxon.core.dmx;

/**
 * How long a DMX512-A packet lasts on the line at 250 kbit/s (ANSI E1.11, timing table, from memory).
 *
 * @param slots 0 to 512
 */
public record PacketTiming(int slots) {
    public static final int BREAK_MICROS = 92;
    public static final int MARK_AFTER_BREAK_MICROS = 12;
    public static final int SLOT_MICROS = 44;
    public static final int SHORTEST_BREAK_TO_BREAK_MICROS = 1204;

    public PacketTiming {
        if (slots < 0 || slots > Slot.LAST) {
            throw new IllegalArgumentException(slots + " slots are outside 0 to " + Slot.LAST);
        }
    }

    /** Break, mark, start code and slots; never under the shortest time from break to break. */
    public int micros() {
        int packet = BREAK_MICROS + MARK_AFTER_BREAK_MICROS + (slots + 1) * SLOT_MICROS;
        return Math.max(SHORTEST_BREAK_TO_BREAK_MICROS, packet);
    }

    public double packetsPerSecond() {
        return 1_000_000.0 / micros();
    }
}
