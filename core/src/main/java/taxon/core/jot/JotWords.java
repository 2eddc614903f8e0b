package taxon.core.jot;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A line cut at its key words. A text in quotation marks holds no key word.
 *
 * @param verb the first word, lower case
 * @param parts what stands between the key words, by the key word before it; the first under the verb
 */
record JotWords(String verb, Map<String, String> parts) {
    private static final Pattern WORD = Pattern.compile("\"([^\"]*)\"?|(\\S+)");

    JotWords {
        parts = new LinkedHashMap<>(parts);
    }

    /** A word of a line. */
    private record Word(String text, boolean quoted) {}

    static String verb(String line) {
        List<Word> words = words(line);
        return words.isEmpty() ? "" : words.get(0).text().toLowerCase(Locale.ROOT);
    }

    /**
     * Cuts a line.
     *
     * @param keys the key words of the verb in their order; each counts once, and none before those in front of it
     */
    static JotWords cut(String line, List<String> keys) {
        List<Word> words = words(line);
        String verb = verb(line);
        Map<String, String> parts = new LinkedHashMap<>();
        String key = verb;
        List<String> collected = new ArrayList<>();
        int next = 0;
        for (Word word : words.subList(Math.min(1, words.size()), words.size())) {
            int found = word.quoted()
                    ? -1
                    : keys.subList(next, keys.size()).indexOf(word.text().toLowerCase(Locale.ROOT));
            if (found < 0) {
                collected.add(word.text());
                continue;
            }
            parts.put(key, String.join(" ", collected));
            collected.clear();
            next += found + 1;
            key = keys.get(next - 1);
        }
        parts.put(key, String.join(" ", collected));
        return new JotWords(verb, parts);
    }

    private static List<Word> words(String line) {
        List<Word> words = new ArrayList<>();
        Matcher matcher = WORD.matcher(line);
        while (matcher.find()) {
            boolean quoted = matcher.group(1) != null;
            words.add(new Word(quoted ? matcher.group(1) : matcher.group(2), quoted));
        }
        return words;
    }

    /** What stands behind the verb. */
    String subject() {
        return parts.getOrDefault(verb, "");
    }

    /** What stands behind a key word; empty where it is not there. */
    Optional<String> after(String key) {
        return Optional.ofNullable(parts.get(key));
    }
}
