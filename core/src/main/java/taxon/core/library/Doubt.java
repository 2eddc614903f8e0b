package taxon.core.library;

import java.time.Instant;
import taxon.core.text.Texts;

/**
 * "This is not what the unit does": someone held a mode against a real unit.
 *
 * @param note what differs, 1 to 300 characters
 */
public record Doubt(ModeRef mode, String note, String who, Instant at) {
    public Doubt {
        Texts.requireLine("note", note, 300);
        Texts.requireLine("who", who, 60);
    }
}
