package taxon.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.fixture.FixtureType;
import taxon.core.testing.RandomTypes;
import taxon.demo.DemoTypes;

class GdtfRoundTripTest {
    private static final Instant AT = Instant.parse("2026-12-01T10:00:00Z");

    @Test
    void everyTypeThatShipsReadsBackAsItWasWritten() {
        for (FixtureType type : DemoTypes.withGeneric().types()) {
            assertReadsBack(type);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9})
    void anyTypeReadsBackAsItWasWritten(int hundred) {
        for (long seed = hundred * 100L; seed < hundred * 100L + 40; seed++) {
            assertReadsBack(RandomTypes.of(seed));
        }
    }

    private static void assertReadsBack(FixtureType type) {
        ParsedGdtf reading = GdtfReader.read(GdtfWriter.write(type, AT));
        assertThat(reading).as(type.fullName()).isInstanceOf(ParsedGdtf.Read.class);
        assertThat(((ParsedGdtf.Read) reading).type()).as(type.fullName()).isEqualTo(type);
    }
}
