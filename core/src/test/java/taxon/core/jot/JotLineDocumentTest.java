package taxon.core.jot;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.grouping.IdRuns;
import taxon.core.jot.JotMeaning.Changes;
import taxon.core.jot.JotMeaning.Chooses;
import taxon.core.jot.JotMeaning.Refused;
import taxon.core.jot.JotMeaning.Turns;
import taxon.core.jot.JotMeaning.Unfinished;
import taxon.core.rig.Fixture;

/** Every example of docs/jot-line.md means what stands below it. */
class JotLineDocumentTest {
    private static final Path DOCUMENT = Path.of("../docs/jot-line.md");
    private static final Pattern EXAMPLE = Pattern.compile("```jot\n(.*?)\n```\n→ (.*?)\n");

    record Example(String line, String means) {}

    static Stream<Example> examples() throws IOException {
        Matcher matcher = EXAMPLE.matcher(Files.readString(DOCUMENT));
        List<Example> examples =
                matcher.results().map(r -> new Example(r.group(1), r.group(2))).toList();
        assertThat(examples).hasSizeGreaterThanOrEqualTo(30);
        return examples.stream();
    }

    @ParameterizedTest
    @MethodSource("examples")
    void anExampleMeansWhatStandsBelowIt(Example example) {
        assertThat(words(JotRig.read(example.line()))).isEqualTo(example.means());
    }

    private static String words(JotMeaning reading) {
        if (reading instanceof Chooses c) {
            List<Fixture> fixtures = c.fixtures().stream()
                    .flatMap(k -> JotRig.plan().fixture(k).stream())
                    .toList();
            return "chooses " + IdRuns.words(fixtures);
        }
        if (reading instanceof Changes c) {
            int count = c.effects().size();
            return c.edit().title() + ", " + (count == 1 ? "1 change" : count + " changes");
        }
        if (reading instanceof Unfinished u) {
            return "next: " + u.expected();
        }
        return reading instanceof Refused r ? "refused: " + r.sentence() : ((Turns) reading).undo() ? "undo" : "redo";
    }

    @ParameterizedTest
    @EnumSource
    void everyVerbHasAnExampleInTheDocument(JotVerb verb) throws IOException {
        assertThat(Files.readString(DOCUMENT)).contains("```jot\n" + verb.word());
    }

    @ParameterizedTest
    @EnumSource
    void theExampleThatTheApplicationShowsIsUnderstood(JotVerb verb) {
        JotMeaning reading = JotRig.read(verb.example());
        assertThat(reading).as(verb.example() + " " + reading).matches(r -> !(r instanceof Unfinished));
    }

    @Test
    void whatIsOfferedGoesOnToAWholeLine() {
        String line = "";
        for (String typed : List.of("ad", "add 4 kest", "add 4 Kestrel in 18", "on North", "")) {
            line = typed.startsWith("add") || typed.equals("ad") ? typed : line + " " + typed;
            if (JotRig.read(line) instanceof Unfinished unfinished
                    && !unfinished.ways().isEmpty()) {
                line = unfinished.ways().get(0);
            }
        }
        assertThat(JotRig.read(line)).as(line).isInstanceOf(Changes.class);
    }
}
