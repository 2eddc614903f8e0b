package taxon.core.dmx;

/**
 * One of the places for a level in a packet, counted from 1 as in ANSI E1.11 (from memory).
 *
 * @param number 1 to 512
 */
public record Slot(int number) implements Comparable<Slot> {
    public static final int FIRST = 1;
    public static final int LAST = 512;

    public Slot {
        if (!isLegal(number)) {
            throw new IllegalArgumentException("slot " + number + " is outside " + FIRST + " to " + LAST);
        }
    }

    /**
     * The slot of that number.
     *
     * @throws IllegalArgumentException when it is not legal
     */
    public static Slot of(int number) {
        return new Slot(number);
    }

    /** True for 1 to 512. */
    public static boolean isLegal(int number) {
        return number >= FIRST && number <= LAST;
    }

    @Override
    public int compareTo(Slot other) {
        return Integer.compare(number, other.number);
    }

    @Override
    public String toString() {
        return Integer.toString(number);
    }
}
