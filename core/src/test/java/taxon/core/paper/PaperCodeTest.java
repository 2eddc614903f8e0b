package taxon.core.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PaperCodeTest {
    private static PaperCode code(int n) {
        return PaperCode.of(1, "by-fixture", "print " + n, 0);
    }

    @Test
    void theSameWordsHaveTheSameCodeAndAnotherJobPaperOrTurnHasAnother() {
        PaperCode code = PaperCode.of(1, "by-fixture", "f", 0);
        assertThat(PaperCode.of(1, "by-fixture", "f", 0)).isEqualTo(code);
        assertThat(Set.of(
                        code,
                        PaperCode.of(2, "by-fixture", "f", 0),
                        PaperCode.of(1, "by-type", "f", 0),
                        PaperCode.of(1, "by-fixture", "g", 0),
                        PaperCode.of(1, "by-fixture", "f", 1)))
                .hasSize(5);
    }

    @Test
    void noSignIsOneThatIsMisread() {
        for (int n = 0; n < 2_000; n++) {
            assertThat(code(n).letters()).matches("[2-9A-HJ-NP-Z]{9}");
        }
    }

    /** Luhn's rule: a single sign that is wrong is always found. */
    @Test
    void oneSignMistypedIsNoCode() {
        String signs = "23456789ABCDEFGHJKLMNPQRSTUVWXYZ";
        for (int n = 0; n < 20; n++) {
            String letters = code(n).letters();
            for (int i = 0; i < letters.length(); i++) {
                for (char other : signs.toCharArray()) {
                    String typed = letters.substring(0, i) + other + letters.substring(i + 1);
                    assertThat(PaperCode.read(typed).isPresent()).as(typed).isEqualTo(other == letters.charAt(i));
                }
            }
        }
    }

    @Test
    void itIsReadAsPeopleTypeIt() {
        PaperCode code = code(7);
        String printed = code.toString();
        assertThat(printed).matches("\\S{4} \\S{4} \\S");
        for (String typed : new String[] {
            printed, printed.toLowerCase(java.util.Locale.ROOT), " " + printed + "\n", printed.replace(' ', '-')
        }) {
            assertThat(PaperCode.read(typed)).contains(code);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "204", "K7F4", "0000 0000 0", "IIIIIIIII", "ΑΒΓΔΕΖΗΘΚ"})
    void whatIsNoneIsNone(String typed) {
        assertThat(PaperCode.read(typed)).isEmpty();
        assertThatThrownBy(() -> new PaperCode(typed)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aFewThousandPapersHaveAFewThousandCodes() {
        Set<PaperCode> codes = new HashSet<>();
        for (int n = 0; n < 20_000; n++) {
            codes.add(code(n));
        }
        assertThat(codes).hasSize(20_000);
    }
}
