package taxon.core.explain;

import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.AttributeWords;
import taxon.core.rig.FixtureKey;

/** What answered, in words: "103 tilt, 104 pan other way, 105 flickers", "nothing". */
final class Answers {
    private static final Pattern OTHER_WAY = Pattern.compile("(?i)(.*?) ?(?:,? ?(?:the )?other way(?: round)?)");
    private static final Pattern NOTHING =
            Pattern.compile("(?i)|nothing|none|-|no one|nobody|(?:is |are |was |stays? )?(?:off|dark|silent)");
    private static final Pattern UNSTEADY =
            Pattern.compile("(?i)(?:is )?(?:unsteady|flicker(?:s|ed|ing)?|jump(?:s|ed|ing)?|twitch(?:es|ed|ing)?)");
    private static final Pattern SOMETHING =
            Pattern.compile("(?i)(?:moved?|moves|answer(?:s|ed)?|react(?:s|ed)?|(?:did|does) something)");
    private static final Pattern VERB = Pattern.compile("(?i)(?:went|goes|turned|turns|is|was|came|comes|up) (.+)");
    private static final Map<String, String> DONE = Map.of(
            "tilted", "tilt", "tilts", "tilt", "panned", "pan", "pans", "pan", "zoomed", "zoom", "lit", "intensity");

    private final Labels labels;

    Answers(Labels labels) {
        this.labels = labels;
    }

    static boolean isNothing(String words) {
        return NOTHING.matcher(words.strip()).matches();
    }

    /** @throws NotUnderstoodException when a part of it names no unit */
    Set<Response> read(String words) throws NotUnderstoodException {
        Set<Response> seen = new LinkedHashSet<>();
        if (words.strip().equals("?")) {
            throw new NotUnderstoodException("say what answered, or nothing.");
        }
        for (String part : words.split("[,;]")) {
            if (!isNothing(part)) {
                seen.add(response(part.strip()));
            }
        }
        return seen;
    }

    private Response response(String words) throws NotUnderstoodException {
        Labels.Said said = labels.read(words)
                .orElseThrow(
                        () -> new NotUnderstoodException("“" + words + "” names no unit of the plan by its label."));
        return did(said.unit().key(), said.words());
    }

    private static Response did(FixtureKey unit, String words) throws NotUnderstoodException {
        if (UNSTEADY.matcher(words).matches()) {
            return Response.unsteady(unit);
        }
        Matcher otherWay = OTHER_WAY.matcher(words);
        boolean reversed = otherWay.matches();
        return new Response(
                unit,
                attribute(reversed ? otherWay.group(1).strip() : words),
                reversed ? Response.Manner.OTHER_WAY : Response.Manner.AS_TOLD);
    }

    /**
     * What moved; empty where it is not said.
     *
     * @throws NotUnderstoodException when it is no word
     */
    static Optional<Attribute> attribute(String words) throws NotUnderstoodException {
        Matcher verb = VERB.matcher(words);
        String what = verb.matches() ? verb.group(1) : words;
        if (what.isEmpty() || SOMETHING.matcher(what).matches()) {
            return Optional.empty();
        }
        if (what.codePoints().noneMatch(Character::isLetterOrDigit)) {
            throw new NotUnderstoodException("“" + what + "” is nothing that a unit does.");
        }
        String meant = DONE.getOrDefault(what.toLowerCase(java.util.Locale.ROOT), what);
        return Optional.of(AttributeWords.read(meant).attribute());
    }

    /** "103 tilt other way". */
    String of(Response response) {
        String words = labels.of(response.unit())
                + response.what().map(a -> " " + AttributeBook.words(a)).orElse("");
        return switch (response.manner()) {
            case AS_TOLD -> words;
            case OTHER_WAY -> words + " other way";
            case UNSTEADY -> words + " flickers";
        };
    }
}
