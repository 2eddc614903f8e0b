package taxon.core.text;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** Sums by which contents are told apart: SHA-256 (FIPS 180-4), in lower-case hexadecimal. */
public final class Sums {
    private Sums() {}

    /** The sum of a content: 64 digits. */
    public static String of(byte[] content) {
        return HexFormat.of().formatHex(sha256().digest(content));
    }

    /** One that is added to piece by piece. */
    public static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }
}
