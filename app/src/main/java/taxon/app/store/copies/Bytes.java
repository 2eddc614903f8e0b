package taxon.app.store.copies;

import java.util.Locale;

/** Sizes of files in words. */
public final class Bytes {
    private static final long KIB = 1024;
    private static final long MIB = KIB * KIB;
    private static final long GIB = KIB * MIB;

    private Bytes() {}

    /** "512 bytes", "34 KiB", "1.2 MiB", "3.4 GiB". */
    public static String words(long bytes) {
        if (bytes < KIB) {
            return bytes + " bytes";
        }
        if (bytes < MIB) {
            return ((bytes + KIB - 1) / KIB) + " KiB";
        }
        return bytes < GIB ? tenths(bytes, MIB) + " MiB" : tenths(bytes, GIB) + " GiB";
    }

    private static String tenths(long bytes, long unit) {
        return String.format(Locale.ROOT, "%.1f", (double) bytes / unit);
    }
}
