package taxon.app.frame;

import java.util.Locale;
import taxon.core.proof.Standing;

/** How a standing is called and drawn: the word, and the name of its disc. */
public record Marks(String word, String disc) {
    public static Marks of(Standing standing) {
        return new Marks(standing.words(), "disc-" + standing.name().toLowerCase(Locale.ROOT));
    }
}
