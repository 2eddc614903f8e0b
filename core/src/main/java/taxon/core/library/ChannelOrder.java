package taxon.core.library;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeWords;
import taxon.core.text.Texts;

/**
 * A channel order as someone types it from a manual: "R G B W A UV strobe dimmer", with commas, lines or only spaces between.
 *
 * @param slots as in {@link ModeSummary#slots}
 * @param unknown the words that were not recognised; they take a slot each
 * @param leftOutFrom the first name that has no slot or not all of its slots, because a mode has {@link #MOST_SLOTS} at most or
 *     the text is longer than {@value #LONGEST_TEXT} characters; nothing behind it is read
 */
public record ChannelOrder(List<String> slots, List<String> unknown, Optional<String> leftOutFrom) {
    public static final int MOST_SLOTS = 512;
    public static final int LONGEST_TEXT = 20_000;
    private static final int LONGEST_QUOTE = 40;
    private static final int LONGEST_NAME_IN_WORDS = 4;
    private static final Pattern BITS = Pattern.compile("(?i)\\b(16|24|32)[ -]?bits?\\b");
    private static final Pattern NUMBERED =
            Pattern.compile("^\\s*(?:(?i:ch\\.?|slot)\\s*)?\\d{1,3}[.:)\\s-]+(?=\\p{L})");

    public ChannelOrder {
        slots = List.copyOf(slots);
        unknown = List.copyOf(unknown);
    }

    public static ChannelOrder of(String typed) {
        int end = Math.min(LONGEST_TEXT, typed.length());
        List<String> slots = new ArrayList<>();
        List<String> unknown = new ArrayList<>();
        for (String name : names(typed.substring(0, end))) {
            boolean isFull = slots.size() == MOST_SLOTS;
            if (!isFull) {
                add(name, slots, unknown);
            }
            if (isFull || slots.size() > MOST_SLOTS) {
                return new ChannelOrder(slots.subList(0, MOST_SLOTS), unknown, quoted(name));
            }
        }
        return new ChannelOrder(slots, unknown, quoted(typed.substring(end)));
    }

    private static Optional<String> quoted(String leftOut) {
        return Optional.of(Texts.clip(leftOut, LONGEST_QUOTE)).filter(q -> !q.isEmpty());
    }

    private static void add(String name, List<String> slots, List<String> unknown) {
        Matcher bits = BITS.matcher(name);
        int width = bits.find() ? Integer.parseInt(bits.group(1)) / 8 : 0;
        AttributeWords.Parsed reading =
                AttributeWords.read(width > 0 ? bits.replaceFirst(" ").strip() : name);
        if (!reading.known()) {
            unknown.add(name);
        }
        Attribute attribute = reading.attribute();
        if (width == 0) {
            slots.add(ModeSummary.code(attribute.name(), reading.width() - 1));
            return;
        }
        // "Pan 16 bit" behind "Pan" is its fine slot, else both.
        boolean coarseIsThere = slots.contains(attribute.name());
        for (int i = coarseIsThere ? width - 1 : 0; i < width; i++) {
            slots.add(ModeSummary.code(attribute.name(), i));
        }
    }

    private static List<String> names(String typed) {
        boolean separated = typed.strip().matches("(?s).*[,;\\n\\t].*");
        List<String> names = new ArrayList<>();
        for (String piece : typed.split(separated ? "[,;\\n\\t]+" : "\\n")) {
            String bare = NUMBERED.matcher(piece).replaceFirst("").strip();
            if (!bare.isEmpty() && !bare.matches("\\d+")) {
                names.addAll(separated ? List.of(bare) : apart(bare.split("\\s+")));
            }
        }
        return names;
    }

    /** Takes the longest run of words that is a known name; a word that begins none stands alone. */
    private static List<String> apart(String[] words) {
        List<String> names = new ArrayList<>();
        int at = 0;
        // Each name takes a slot at least; the first that has none is told.
        while (at < words.length && names.size() <= MOST_SLOTS) {
            int length = longestKnown(words, at);
            names.add(joined(words, at, length));
            at += length;
        }
        return names;
    }

    private static String joined(String[] words, int from, int length) {
        return String.join(" ", Arrays.asList(words).subList(from, from + length));
    }

    private static int longestKnown(String[] words, int from) {
        for (int length = Math.min(LONGEST_NAME_IN_WORDS, words.length - from); length > 1; length--) {
            String name = joined(words, from, length);
            AttributeWords.Parsed reading = AttributeWords.read(name);
            boolean numbered = words[from + length - 1].matches("\\d{1,3}");
            if (reading.known() && (reading.cell().isEmpty() || numbered)) {
                return length;
            }
        }
        return 1;
    }
}
