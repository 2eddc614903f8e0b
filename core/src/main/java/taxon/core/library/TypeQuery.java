package taxon.core.library;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What someone looks for, as typed: "16 ch wash", "pellucid zoom 24".
 *
 * @param words lower case, at most eight; each must be met
 * @param footprint the length that a mode must have, where one was named with its unit
 */
public record TypeQuery(List<String> words, Optional<Integer> footprint) {
    private static final int MOST_WORDS = 8;
    private static final int LONGEST = 200;
    private static final Pattern FOOTPRINT = Pattern.compile(
            "(?<![\\p{L}\\p{N}])(\\d{1,4})\\s*-?\\s*(?:ch|chan|channel|channels|slot|slots)(?![\\p{L}\\p{N}])");

    public TypeQuery {
        words = List.copyOf(words);
    }

    /** What was typed so far, word by word. */
    public static TypeQuery of(String typed) {
        String text = typed.substring(0, Math.min(LONGEST, typed.length())).toLowerCase(Locale.ROOT);
        Matcher matcher = FOOTPRINT.matcher(text);
        Optional<Integer> footprint =
                matcher.find() ? Optional.of(Integer.valueOf(matcher.group(1))) : Optional.empty();
        String rest = footprint.isPresent() ? matcher.replaceFirst(" ") : text;
        return new TypeQuery(tokens(rest).stream().limit(MOST_WORDS).toList(), footprint);
    }

    /** Letters and digits that belong together, lower case. */
    public static List<String> tokens(String text) {
        return Arrays.stream(text.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"))
                .filter(t -> !t.isEmpty())
                .toList();
    }

    /** True when nothing was typed. */
    public boolean isEmpty() {
        return words.isEmpty() && footprint.isEmpty();
    }
}
