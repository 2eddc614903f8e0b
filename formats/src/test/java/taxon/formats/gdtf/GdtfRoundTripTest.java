package taxon.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.api.Test;
import taxon.core.fixture.FixtureType;
import taxon.core.testing.RandomTypes;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class GdtfRoundTripTest {
    private static final Instant AT = Instant.parse("2026-12-01T10:00:00Z");

    @Test
    void everyTypeThatShipsReadsBackAsItWasWritten() {
        for (FixtureType type : DemoTypes.withGeneric().types()) {
            assertReadsBack(type);
        }
    }

    @Test
    void anyTypeReadsBackAsItWasWritten() {
        Rigs.seeds(400).mapToObj(RandomTypes::of).forEach(GdtfRoundTripTest::assertReadsBack);
    }

    private static void assertReadsBack(FixtureType type) {
        ParsedGdtf reading = GdtfReader.read(GdtfWriter.write(type, AT));
        assertThat(reading).as(type.fullName()).isInstanceOf(ParsedGdtf.Read.class);
        assertThat(((ParsedGdtf.Read) reading).type()).as(type.fullName()).isEqualTo(type);
    }
}
