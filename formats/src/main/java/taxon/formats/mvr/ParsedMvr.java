package taxon.formats.mvr;

import java.util.List;
import java.util.Map;
import taxon.core.scene.Scene;
import taxon.formats.gdtf.GdtfReader;
import taxon.formats.gdtf.ParsedGdtf;

/** What came of reading an MVR file. */
public sealed interface ParsedMvr {

    /**
     * A scene.
     *
     * @param types the GDTF files that its fixtures name and the archive holds, by that name
     * @param notes what was odd, repaired or left out
     */
    record Read(Scene scene, Map<String, TypeFile> types, List<MvrNote> notes) implements ParsedMvr {
        public Read {
            types = Map.copyOf(types);
            notes = List.copyOf(notes);
        }
    }

    /**
     * A file of a type inside the archive.
     *
     * @param content what it was read as
     */
    @SuppressWarnings("ArrayRecordComponent") // The bytes as they came; nobody compares files by this record.
    record TypeFile(byte[] bytes, ParsedGdtf content) {
        static TypeFile of(byte[] bytes) {
            return new TypeFile(bytes, GdtfReader.read(bytes));
        }
    }

    /** @param sentence why the file cannot be taken, with the place and the limit */
    record Refused(String sentence) implements ParsedMvr {}
}
