package taxon.app.printing;

import java.awt.Color;
import java.util.Locale;

/** The ten tints of types as they are printed: those of a screen by day. Their letters or names stand beside, since not every printer has them. */
public final class Tint {
    private static final int[] TINTS = {
        0xF8F2AF, 0xDB9C82, 0x9BC1F4, 0xC1DFCD, 0xF2D199, 0xB9C3BD, 0x94E2FC, 0xC4A2C6, 0xC5FEE2, 0xE2B883
    };

    private Tint() {}

    /** @param number 0 and on; after ten they begin again */
    public static Color of(int number) {
        return new Color(TINTS[number % TINTS.length]);
    }

    /** The same for a page: "#F8F2AF". */
    public static String hex(int number) {
        return String.format(Locale.ROOT, "#%06X", TINTS[number % TINTS.length]);
    }
}
