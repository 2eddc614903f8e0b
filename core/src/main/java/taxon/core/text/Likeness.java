package taxon.core.text;

import java.util.Locale;

/** How alike two names are, for offering the closest known one. */
public final class Likeness {
    /** Names longer than this are compared by their beginning, which bounds the time of one comparison. */
    private static final int COMPARED = 80;

    private Likeness() {}

    /** Lower case, letters and digits only: "Heron-380 " and "heron 380" are the same name. */
    public static String key(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "");
    }

    /**
     * 1 for the same name by {@link #key}, 0 for nothing in common; else one less the edit distance (Levenshtein 1966)
     * over the longer length, lifted where one name holds the other.
     */
    public static double of(String a, String b) {
        String left = shortened(key(a));
        String right = shortened(key(b));
        if (left.isEmpty() || right.isEmpty()) {
            return 0;
        }
        double near = 1.0 - (double) distance(left, right) / Math.max(left.length(), right.length());
        boolean holds = left.contains(right) || right.contains(left);
        return holds ? Math.max(near, 0.6 + 0.4 * near) : near;
    }

    private static String shortened(String key) {
        return key.length() > COMPARED ? key.substring(0, COMPARED) : key;
    }

    private static int distance(String a, String b) {
        int[] row = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            row[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            row = nextRow(row, a.charAt(i - 1), b, i);
        }
        return row[b.length()];
    }

    private static int[] nextRow(int[] above, char c, String b, int i) {
        int[] row = new int[above.length];
        row[0] = i;
        for (int j = 1; j < row.length; j++) {
            int swap = above[j - 1] + (c == b.charAt(j - 1) ? 0 : 1);
            row[j] = Math.min(swap, Math.min(above[j], row[j - 1]) + 1);
        }
        return row;
    }
}
