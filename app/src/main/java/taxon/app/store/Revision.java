package taxon.app.store;

import java.time.Instant;

/**
 * A frozen state of a job.
 *
 * @param number from 1
 */
public record Revision(int number, String note, String who, Instant frozenAt) {
    private static final int LETTERS = 26;

    /** A, B … Z, AA, AB …, as papers count revisions. */
    public String letters() {
        return letters(number);
    }

    /** The letters of the revision with this number, from 1. */
    public static String letters(int number) {
        StringBuilder letters = new StringBuilder();
        for (int rest = number; rest > 0; rest = (rest - 1) / LETTERS) {
            letters.insert(0, (char) ('A' + (rest - 1) % LETTERS));
        }
        return letters.toString();
    }
}
