package taxon.formats.gdtf;

import java.util.List;
import taxon.core.fixture.FixtureType;

/** What came of reading a GDTF file. */
public sealed interface ParsedGdtf {

    /** @param notes what was odd, repaired or left out; empty when nothing was */
    record Read(FixtureType type, List<GdtfNote> notes) implements ParsedGdtf {
        public Read {
            notes = List.copyOf(notes);
        }
    }

    /** @param sentence why the file cannot be taken, with the place and the limit */
    record Refused(String sentence) implements ParsedGdtf {}
}
