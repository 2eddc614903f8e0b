package taxon.core.typesheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.typesheet.SheetFinding.Kind;

/** Every example of docs/type-sheet.md gives what the document says. */
class TypeSheetDocumentTest {
    private static final Path DOCUMENT = Path.of("../docs/type-sheet.md");
    private static final Pattern EXAMPLE = Pattern.compile("```sheet\n(.*?)```\n→ (.*?)\n", Pattern.DOTALL);

    static Stream<Example> examples() throws IOException {
        Matcher matcher = EXAMPLE.matcher(Files.readString(DOCUMENT));
        List<Example> examples = matcher.results()
                .map(r -> new Example(r.group(1), List.of(r.group(2).split(" · |, "))))
                .toList();
        assertThat(examples).hasSizeGreaterThanOrEqualTo(6);
        return examples.stream();
    }

    record Example(String sheet, List<String> gives) {}

    @ParameterizedTest
    @MethodSource("examples")
    void anExampleGivesItsModesOrItsFindings(Example example) {
        ParsedSheet reading = SheetReader.read(example.sheet());
        List<String> findings =
                reading.findings().stream().map(f -> slug(f.kind())).toList();
        List<String> modes = reading.modes().stream()
                .map(m -> m.name() + " " + m.footprint())
                .toList();
        List<String> all = reading.isWhole()
                ? Stream.concat(modes.stream(), findings.stream()).toList()
                : findings;
        assertThat(all).containsExactlyInAnyOrderElementsOf(example.gives());
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void everyFindingIsInTheDocument(Kind kind) throws IOException {
        assertThat(Files.readString(DOCUMENT)).contains("`" + slug(kind) + "`");
    }

    static Stream<Kind> kinds() {
        return Arrays.stream(Kind.values());
    }

    private static String slug(Kind kind) {
        return kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
