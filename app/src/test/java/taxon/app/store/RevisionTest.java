package taxon.app.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RevisionTest {
    @ParameterizedTest
    @CsvSource({"1, A", "2, B", "26, Z", "27, AA", "28, AB", "702, ZZ", "703, AAA"})
    void revisionsAreCountedInLetters(int number, String letters) {
        assertThat(Revision.letters(number)).isEqualTo(letters);
    }

    @Test
    void theStateOfAJobIsSaidInWords() {
        Optional<Revision> b = Optional.of(new Revision(2, "", "crew", Instant.EPOCH));
        assertThat(new RevisionState(b, 3).words()).isEqualTo("Revision B, 3 edits since");
        assertThat(new RevisionState(b, 0).words()).isEqualTo("Revision B");
        assertThat(new RevisionState(Optional.empty(), 1).words()).isEqualTo("No revision yet, 1 edit");
    }
}
