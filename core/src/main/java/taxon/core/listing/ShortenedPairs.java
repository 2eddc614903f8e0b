package taxon.core.listing;

import java.util.List;
import java.util.Optional;
import java.util.function.ToIntFunction;
import java.util.regex.Pattern;
import taxon.core.listing.NumberDoubt.Answer;

/**
 * Whether a table program took addresses for decimal numbers and dropped the zeros at their end, so that 1.100 stands there as
 * 1.1 and 1.120 as 1.12.
 */
final class ShortenedPairs {
    private static final Pattern PAIR = Pattern.compile("\\d{1,5}\\.\\d{1,3}");
    private static final Pattern SHORT = Pattern.compile("\\d{1,5}\\.\\d{1,2}");
    private static final Pattern WHOLE = Pattern.compile("\\d{1,5}\\.0{1,2}");

    private ShortenedPairs() {}

    /** "1.1", but not "12.0", which is a whole number. */
    static boolean isShort(String cell) {
        return SHORT.matcher(cell).matches() && !WHOLE.matcher(cell).matches();
    }

    private static boolean isPair(String cell) {
        return PAIR.matcher(cell).matches() && !WHOLE.matcher(cell).matches();
    }

    /** What a column speaks for, where it leaves the question open; empty where its pairs can only be read as they stand. */
    static Optional<Answer> doubt(List<String> cells) {
        List<String> pairs = cells.stream().filter(ShortenedPairs::isPair).toList();
        List<String> shorts = pairs.stream().filter(ShortenedPairs::isShort).toList();
        // A number never keeps a zero at its end: such a column is text, and stands as it was typed.
        if (shorts.isEmpty() || pairs.stream().anyMatch(p -> p.endsWith("0"))) {
            return Optional.empty();
        }
        if (pairs.stream().anyMatch(ShortenedPairs::isPadded)) {
            return Optional.of(Answer.OTHER);
        }
        boolean plainAscends = ascends(pairs, ShortenedPairs::plain);
        boolean filledAscends = ascends(pairs, p -> plain(NumberText.filled(p)));
        if (plainAscends == filledAscends) {
            return Optional.of(Answer.PLAIN);
        }
        return plainAscends ? Optional.empty() : Optional.of(Answer.OTHER);
    }

    /** "1.017": whoever writes so writes all slots with three digits. */
    private static boolean isPadded(String pair) {
        return pair.matches("\\d{1,5}\\.0\\d{1,2}");
    }

    private static boolean ascends(List<String> pairs, ToIntFunction<String> value) {
        for (int i = 1; i < pairs.size(); i++) {
            if (value.applyAsInt(pairs.get(i)) < value.applyAsInt(pairs.get(i - 1))) {
                return false;
            }
        }
        return true;
    }

    private static int plain(String pair) {
        int point = pair.indexOf('.');
        return Integer.parseInt(pair.substring(0, point)) * 1000 + Integer.parseInt(pair.substring(point + 1));
    }
}
