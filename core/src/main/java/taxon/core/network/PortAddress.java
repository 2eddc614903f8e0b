package taxon.core.network;

/**
 * The 15-bit address of a universe in Art-Net: Net (7 bits), Sub-Net (4), Universe (4) (Art-Net 4, "Port-Address", from
 * memory).
 *
 * @param number 0 to 32767
 */
public record PortAddress(int number) implements Comparable<PortAddress> {
    public static final int LAST = 32_767;

    public PortAddress {
        if (number < 0 || number > LAST) {
            throw new IllegalArgumentException("Port-Address " + number + " is outside 0 to " + LAST);
        }
    }

    /**
     * The address with these three parts.
     *
     * @param net 0 to 127
     * @param subNet 0 to 15
     * @param universe 0 to 15
     */
    public static PortAddress of(int net, int subNet, int universe) {
        if (net < 0 || net > 127 || subNet < 0 || subNet > 15 || universe < 0 || universe > 15) {
            throw new IllegalArgumentException("Net " + net + ", Sub-Net " + subNet + ", Universe " + universe
                    + ": they take 0 to 127, 0 to 15, 0 to 15");
        }
        return new PortAddress(net << 8 | subNet << 4 | universe);
    }

    /** Bits 14 to 8 of the Port-Address, 0 to 127 (Art-Net 4, from memory). */
    public int net() {
        return number >> 8;
    }

    /** Bits 7 to 4 of the Port-Address, 0 to 15 (Art-Net 4, from memory). */
    public int subNet() {
        return number >> 4 & 0xF;
    }

    /** Bits 3 to 0 of the Port-Address, 0 to 15 (Art-Net 4, from memory). */
    public int universe() {
        return number & 0xF;
    }

    /** Sub-Net and Universe as the low byte that packets carry. */
    public int subUni() {
        return number & 0xFF;
    }

    @Override
    public int compareTo(PortAddress other) {
        return Integer.compare(number, other.number);
    }

    /** "0·1·0". */
    @Override
    public String toString() {
        return net() + "·" + subNet() + "·" + universe();
    }
}
