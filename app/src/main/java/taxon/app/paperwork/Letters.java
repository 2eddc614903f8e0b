package taxon.app.paperwork;

import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import taxon.app.printing.PrintFonts;
import taxon.core.label.TextMeasure.Face;

/** Letters that no font of the papers has. */
final class Letters {
    private static final int MOST = 30;

    private Letters() {}

    /** "漢 字", those that stand as question marks on paper; empty where there are none. */
    static String lacking(Stream<String> texts) {
        String letters = texts.flatMapToInt(
                        t -> PrintFonts.shared().lacking(Face.PLAIN, t).codePoints())
                .distinct()
                .mapToObj(Character::toString)
                .collect(Collectors.joining(" "));
        int[] points = letters.codePoints().toArray();
        return points.length <= 2 * MOST
                ? letters
                : IntStream.of(points)
                                .limit(2 * MOST)
                                .mapToObj(Character::toString)
                                .collect(Collectors.joining()) + "…";
    }

    /** "U+6F22, U+5B57": the same where they cannot be shown. */
    static String codes(String letters) {
        return letters.codePoints()
                .filter(c -> c != ' ')
                .mapToObj(c -> c == '…' ? "and more" : String.format(Locale.ROOT, "U+%04X", c))
                .collect(Collectors.joining(", "));
    }
}
