package taxon.core.paper;

import java.util.Locale;
import java.util.Optional;

/**
 * The code on a paper: nine letters and figures without 0, O, 1 and I, which are misread. Eight are drawn from what the paper says, so
 * that the same words have the same code; the last one is a check over them (Luhn's rule for 32 signs), so that one that is
 * mistyped is none.
 *
 * @param letters without blanks, "K7F4Q2M9X"
 */
public record PaperCode(String letters) {
    private static final String SIGNS = "23456789ABCDEFGHJKLMNPQRSTUVWXYZ";
    private static final int DRAWN = 8;
    private static final int HALF = 4;
    private static final int BITS = 5;

    /** @throws IllegalArgumentException when it is no code */
    public PaperCode {
        if (!isCode(letters)) {
            throw new IllegalArgumentException("“" + letters + "” is no code of a paper");
        }
    }

    /**
     * The code of what a paper says.
     *
     * @param job to which it belongs
     * @param address what paper it is, and what it is limited to
     * @param fingerprint of its words
     * @param turn 0; 1 and on where the code before is another paper's by chance
     */
    public static PaperCode of(int job, String address, String fingerprint, int turn) {
        String drawn = new Fingerprint()
                .add(Integer.toString(job))
                .add(address)
                .add(fingerprint)
                .add(Integer.toString(turn))
                .end();
        long bits = Long.parseUnsignedLong(drawn.substring(0, 16), 16);
        StringBuilder letters = new StringBuilder();
        for (int i = 0; i < DRAWN; i++) {
            letters.append(SIGNS.charAt((int) (bits >>> (i * BITS)) & (SIGNS.length() - 1)));
        }
        return new PaperCode(letters.toString() + SIGNS.charAt(check(letters)));
    }

    /** Reads one as people type it: with blanks or hyphens, in large or small letters; empty where it is none. */
    public static Optional<PaperCode> read(String typed) {
        String letters = typed.strip().toUpperCase(Locale.ROOT).replaceAll("[\\s-]", "");
        return isCode(letters) ? Optional.of(new PaperCode(letters)) : Optional.empty();
    }

    private static boolean isCode(String letters) {
        return letters.length() == DRAWN + 1
                && letters.chars().allMatch(c -> SIGNS.indexOf(c) >= 0)
                && SIGNS.indexOf(letters.charAt(DRAWN)) == check(letters.substring(0, DRAWN));
    }

    /** Every second sign counts twice, in figures of 32; one sign changed, or most pairs of neighbours exchanged, changes the sum. */
    private static int check(CharSequence letters) {
        int sum = 0;
        for (int i = 0; i < letters.length(); i++) {
            int value = SIGNS.indexOf(letters.charAt(i));
            int counted = (letters.length() - i) % 2 == 1 ? 2 * value : value;
            sum += counted / SIGNS.length() + counted % SIGNS.length();
        }
        return (SIGNS.length() - sum % SIGNS.length()) % SIGNS.length();
    }

    /** "K7F4 Q2M9 X", as it is printed. */
    @Override
    public String toString() {
        return letters.substring(0, HALF) + " " + letters.substring(HALF, DRAWN) + " " + letters.substring(DRAWN);
    }
}
