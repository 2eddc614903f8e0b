package taxon.formats.mvr;

import java.util.List;
import java.util.Map;
import taxon.core.scene.Scene;

/** What came of reading an MVR file. */
public sealed interface ParsedMvr {

    /**
     * A scene.
     *
     * @param types the GDTF files that its fixtures name and the archive holds, by that name; not read yet
     * @param notes what was odd, repaired or left out
     */
    record Read(Scene scene, Map<String, byte[]> types, List<MvrNote> notes) implements ParsedMvr {
        public Read {
            types = Map.copyOf(types);
            notes = List.copyOf(notes);
        }
    }

    /** @param sentence why the file cannot be taken, with the place and the limit */
    record Refused(String sentence) implements ParsedMvr {}
}
