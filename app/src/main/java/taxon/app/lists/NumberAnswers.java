package taxon.app.lists;

import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.app.form.Fields;
import taxon.core.listing.Column;
import taxon.core.listing.NumberDoubt;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What is asked of numbers that can mean two things, and what was answered. */
public final class NumberAnswers {
    private static final Pattern ANSWER = Pattern.compile("answer\\.([a-z-]{1,20})\\.([a-z-]{1,30})");

    private NumberAnswers() {}

    /**
     * A question as a page asks it.
     *
     * @param field of the form
     * @param likely and answered: "plain", "other" or, where nobody answered, empty
     */
    public record Question(String field, String words, String plain, String other, String likely, String answered) {}

    /** The question of a doubt. */
    public static Question question(NumberDoubt doubt, Map<NumberDoubt.Key, NumberDoubt.Answer> answers) {
        String column = doubt.column().words();
        return new Question(
                "answer." + Json.slug(doubt.column()) + "." + Json.slug(doubt.kind()),
                "The column of the " + column + " has " + String.join(", ", doubt.examples()) + ". Is "
                        + doubt.examples().get(0) + " …",
                doubt.meaning(NumberDoubt.Answer.PLAIN),
                doubt.meaning(NumberDoubt.Answer.OTHER),
                Json.slug(doubt.likely()),
                Optional.ofNullable(answers.get(doubt.key())).map(Json::slug).orElse(""));
    }

    /** What a form answers, beside what was answered before. */
    public static Map<NumberDoubt.Key, NumberDoubt.Answer> said(
            Fields fields, Map<String, String[]> form, Map<NumberDoubt.Key, NumberDoubt.Answer> before) {
        Map<NumberDoubt.Key, NumberDoubt.Answer> answers = new HashMap<>(before);
        form.forEach((name, values) -> {
            Matcher answer = ANSWER.matcher(name);
            if (answer.matches() && !values[0].isBlank()) {
                Optional<NumberDoubt.Key> key = key(answer);
                if (key.isEmpty()) {
                    fields.refuse(name, "Nothing of that kind is asked.");
                }
                key.ifPresent(k -> fields.choice(name, NumberDoubt.Answer.class, NumberDoubt.Answer.PLAIN)
                        .ifPresent(a -> answers.put(k, a)));
            }
        });
        return answers;
    }

    private static Optional<NumberDoubt.Key> key(Matcher answer) {
        return Arrays.stream(Column.values())
                .filter(c -> Json.slug(c).equals(answer.group(1)))
                .flatMap(c -> Arrays.stream(NumberDoubt.Kind.values())
                        .filter(k -> Json.slug(k).equals(answer.group(2)))
                        .map(k -> new NumberDoubt.Key(c, k)))
                .findFirst();
    }

    /** Reads what {@link #write} wrote. */
    public static Map<NumberDoubt.Key, NumberDoubt.Answer> read(JsonNode stored) {
        Map<NumberDoubt.Key, NumberDoubt.Answer> answers = new HashMap<>();
        stored.path("answers")
                .forEach(a -> answers.put(
                        new NumberDoubt.Key(
                                Column.valueOf(a.path("column").asString("")),
                                NumberDoubt.Kind.valueOf(a.path("kind").asString(""))),
                        NumberDoubt.Answer.valueOf(a.path("answer").asString(""))));
        return answers;
    }

    /** Puts answers into what is stored. */
    public static void write(ObjectNode node, Map<NumberDoubt.Key, NumberDoubt.Answer> answers) {
        var list = node.putArray("answers");
        List<NumberDoubt.Key> keys = answers.keySet().stream()
                .sorted(Comparator.comparing(NumberDoubt.Key::toString))
                .toList();
        keys.forEach(key -> list.addObject()
                .put("column", key.column().name())
                .put("kind", key.kind().name())
                .put("answer", String.valueOf(answers.get(key))));
    }
}
