package taxon.core.packing;

/** Which sums can be reached, 0 to a limit, as bits. */
final class Sums {
    private final long[] words;
    private final int limit;

    private Sums(int limit) {
        this.limit = limit;
        words = new long[limit / 64 + 1];
    }

    /** Only the sum of nothing. */
    static Sums none(int limit) {
        Sums sums = new Sums(limit);
        sums.words[0] = 1;
        return sums;
    }

    /** These sums and those with one up to {@code count} of a size more. Time: log of the count. */
    Sums with(int size, int count) {
        Sums sums = new Sums(limit);
        System.arraycopy(words, 0, sums.words, 0, words.length);
        int left = Math.min(count, limit / size);
        for (int batch = 1; left > 0; batch *= 2) {
            int taken = Math.min(batch, left);
            sums.addShifted(size * taken);
            left -= taken;
        }
        return sums;
    }

    private void addShifted(int shift) {
        int whole = shift / 64;
        int part = shift % 64;
        for (int i = words.length - 1; i >= whole; i--) {
            long moved = words[i - whole] << part;
            if (part > 0 && i > whole) {
                moved |= words[i - whole - 1] >>> (64 - part);
            }
            words[i] |= moved;
        }
    }

    /** True when a sum from {@code low} to {@code high} can be reached. */
    boolean meets(int low, int high) {
        int from = Math.max(0, low);
        int highest = highestUpTo(Math.min(high, limit));
        return highest >= from;
    }

    /** The highest sum at or below {@code high}, −1 when there is none. */
    int highestUpTo(int high) {
        if (high < 0) {
            return -1;
        }
        int word = high / 64;
        long bits = words[word] & (-1L >>> (63 - high % 64));
        while (bits == 0) {
            if (--word < 0) {
                return -1;
            }
            bits = words[word];
        }
        return word * 64 + 63 - Long.numberOfLeadingZeros(bits);
    }
}
