package taxon.formats.json;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.paper.PaperText;
import taxon.core.paper.Papers;
import taxon.core.testing.Rigs;

class PaperJsonTest {
    static LongStream seeds() {
        return Rigs.seeds(20);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyPaperComesBackWordForWord(long seed) {
        for (PaperKind kind : PaperKind.values()) {
            PaperText text = PaperText.of(Papers.of(Rigs.ofEveryKind(seed), kind, PaperChoice.ALL), "Job \"Ω\"\nline");
            assertThat(PaperJson.read(PaperJson.print(text))).isEqualTo(text);
        }
    }
}
