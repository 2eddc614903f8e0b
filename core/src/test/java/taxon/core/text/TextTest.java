package taxon.core.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TextTest {
    @ParameterizedTest
    @CsvSource({"Heron-380, heron 380", "TERN, Tern", "Ænima 2, æNIMA2"})
    void namesThatDifferInCaseAndSignsOnlyAreTheSame(String a, String b) {
        assertThat(Likeness.key(a)).isEqualTo(Likeness.key(b));
        assertThat(Likeness.of(a, b)).isEqualTo(1.0);
    }

    /** Levenshtein (1966): kitten and sitting are three edits apart (from memory). */
    @Test
    void likenessIsOneLessTheEditDistanceOverTheLongerLength() {
        assertThat(Likeness.of("kitten", "sitting")).isCloseTo(1 - 3.0 / 7, within(1e-9));
        assertThat(Likeness.of("sitting", "kitten")).isEqualTo(Likeness.of("kitten", "sitting"));
    }

    @Test
    void aNameInsideAnotherIsNearerThanItsLengthSays() {
        assertThat(Likeness.of("Tern", "Fernglass Tern wash")).isGreaterThan(0.6);
    }

    @Test
    void nothingIsLikeAnEmptyName() {
        assertThat(Likeness.of("", "Tern")).isZero();
        assertThat(Likeness.of("--", "Tern")).isZero();
    }

    @Test
    void aTextFromAUnitIsCutAndCleanedRatherThanRefused() {
        assertThat(Texts.clip("Heron\u0000\n380 and so on", 8)).isEqualTo("Heron380");
    }

    @Test
    void aNoteMayHoldLineBreaksAndALineMayNot() {
        assertThat(Texts.allowNote("note", "a\nb\tc", 10)).isEqualTo("a\nb\tc");
        assertThatThrownBy(() -> Texts.allowLine("name", "a\u0007", 10))
                .isInstanceOfSatisfying(
                        TextRefusedException.class,
                        e -> assertThat(e.fault()).isEqualTo(TextRefusedException.Fault.CONTROL_CHARACTER));
    }
}
