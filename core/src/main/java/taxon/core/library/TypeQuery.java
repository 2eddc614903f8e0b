package taxon.core.library;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What someone looks for, as typed: "16 ch wash", "12-24 ch spot", "pellucid zoom 24".
 *
 * @param words lower case, at most eight; each must be met
 * @param lengths those that a mode must have one of, where some were named with their unit
 */
public record TypeQuery(List<String> words, Optional<Lengths> lengths) {
    private static final int MOST_WORDS = 8;
    private static final int LONGEST = 200;
    private static final Pattern FOOTPRINT = Pattern.compile(
            "(?<![\\p{L}\\p{N}])(?:(\\d{1,4})\\s*(?:-|–|to|\\.\\.)\\s*)?(\\d{1,4})\\s*-?\\s*(?:ch|chan|channel|channels|slot|slots)(?![\\p{L}\\p{N}])");

    /** Lengths of modes in slots, both ends among them. */
    public record Lengths(int from, int to) {
        boolean hold(int footprint) {
            return from <= footprint && footprint <= to;
        }
    }

    public TypeQuery {
        words = List.copyOf(words);
    }

    /** What was typed so far, word by word. */
    public static TypeQuery of(String typed) {
        String text = typed.substring(0, Math.min(LONGEST, typed.length())).toLowerCase(Locale.ROOT);
        Matcher matcher = FOOTPRINT.matcher(text);
        Optional<Lengths> lengths = matcher.find() ? Optional.of(lengths(matcher)) : Optional.empty();
        String rest = lengths.isPresent() ? matcher.replaceFirst(" ") : text;
        return new TypeQuery(tokens(rest).stream().limit(MOST_WORDS).toList(), lengths);
    }

    private static Lengths lengths(Matcher matcher) {
        int last = Integer.parseInt(matcher.group(2));
        int first = matcher.group(1) == null ? last : Integer.parseInt(matcher.group(1));
        return new Lengths(Math.min(first, last), Math.max(first, last));
    }

    /** Letters and digits that belong together, lower case. */
    public static List<String> tokens(String text) {
        return Arrays.stream(text.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"))
                .filter(t -> !t.isEmpty())
                .toList();
    }

    /** True when nothing was typed. */
    public boolean isEmpty() {
        return words.isEmpty() && lengths.isEmpty();
    }
}
