package taxon.core.jot;

import java.util.List;
import taxon.core.fixture.FixtureType;

/** Where the jot line looks up types. */
@FunctionalInterface
public interface JotNames {
    /** The known types that have all these words in maker or name, the best first, at most {@code most}. */
    List<FixtureType> types(String words, int most);
}
