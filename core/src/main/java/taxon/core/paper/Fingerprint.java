package taxon.core.paper;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Stream;
import taxon.core.text.Sums;

/** The SHA-256 (FIPS 180-4) of texts one after the other; where one ends and the next begins counts too. */
final class Fingerprint {
    private final MessageDigest digest = Sums.sha256();

    Fingerprint add(String text) {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        count(bytes.length);
        digest.update(bytes);
        return this;
    }

    /** Texts of one row: that they are one row counts. */
    Fingerprint add(Stream<String> row) {
        List<String> texts = row.toList();
        count(texts.size());
        texts.forEach(this::add);
        return this;
    }

    private void count(int size) {
        digest.update((size + ":").getBytes(StandardCharsets.UTF_8));
    }

    /** In lower-case hexadecimal; nothing can be added afterwards. */
    String end() {
        return HexFormat.of().formatHex(digest.digest());
    }
}
