package taxon.formats.table;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/**
 * Tells the encoding of a text file and decodes it: UTF-16 by its mark, UTF-8 with or without one, else Windows-1252.
 *
 * <p>A file that holds NUL characters or is malformed UTF-16 is no text.
 */
final class TextDecoder {
    private static final Charset WINDOWS = Charset.forName("windows-1252");

    private TextDecoder() {}

    record Decoded(String text, String encoding) {}

    static Optional<Decoded> decode(byte[] bytes) {
        Optional<Decoded> decoded = byMark(bytes);
        return decoded.filter(d -> d.text().indexOf('\0') < 0);
    }

    private static Optional<Decoded> byMark(byte[] bytes) {
        if (startsWith(bytes, 0xFF, 0xFE)) {
            return strict(bytes, 2, StandardCharsets.UTF_16LE);
        }
        if (startsWith(bytes, 0xFE, 0xFF)) {
            return strict(bytes, 2, StandardCharsets.UTF_16BE);
        }
        int mark = startsWith(bytes, 0xEF, 0xBB, 0xBF) ? 3 : 0;
        return strict(bytes, mark, StandardCharsets.UTF_8)
                .or(() -> Optional.of(new Decoded(new String(bytes, WINDOWS), "Windows-1252")));
    }

    private static Optional<Decoded> strict(byte[] bytes, int from, Charset charset) {
        try {
            String text = charset.newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(bytes, from, bytes.length - from))
                    .toString();
            return Optional.of(new Decoded(text, charset.name()));
        } catch (CharacterCodingException notThisEncoding) {
            return Optional.empty();
        }
    }

    private static boolean startsWith(byte[] bytes, int... mark) {
        for (int i = 0; i < mark.length; i++) {
            if (bytes.length <= i || (bytes[i] & 0xFF) != mark[i]) {
                return false;
            }
        }
        return true;
    }
}
