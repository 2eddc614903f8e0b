package taxon.core.numbering;

import java.util.Collections;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;

/**
 * A wish to number fixtures.
 *
 * @param fixtures which; the numbers of all others stay and are never given twice
 * @param families what gets a run of numbers of its own
 * @param first the number that the first family begins with
 * @param room where the next family begins
 * @param starts families that begin with a number of their own, by {@link Family#key}
 * @param keep true to leave as many numbers as possible as they are, within their family's run
 * @param units true to count the unit numbers along each position anew, too
 */
public record NumberingRequest(
        Set<FixtureKey> fixtures,
        NumberingOrder reading,
        Families families,
        int first,
        Room room,
        SortedMap<String, Integer> starts,
        boolean keep,
        boolean units) {

    /** What gets a run of numbers of its own. */
    public enum Families {
        /** All in one run. */
        ONE,
        BY_POSITION,
        BY_TYPE
    }

    /** Where the next family begins. */
    public enum Room {
        /** Right behind the one before. */
        NONE(1),
        /** At the next ten. */
        TEN(10),
        /** At the next hundred. */
        HUNDRED(100),
        /** At the next thousand. */
        THOUSAND(1000);

        private final int step;

        Room(int step) {
            this.step = step;
        }

        int step() {
            return step;
        }

        /** The smallest number that is not below {@code least} and stands to its step as {@code like} does. */
        int next(int least, int like) {
            int behind = Math.floorMod(like - least, step);
            return least + behind;
        }
    }

    public NumberingRequest {
        fixtures = Collections.unmodifiableSortedSet(new TreeSet<>(fixtures));
        starts = Collections.unmodifiableSortedMap(new TreeMap<>(starts));
        requireLegal(first);
        starts.values().forEach(NumberingRequest::requireLegal);
    }

    private static void requireLegal(int number) {
        if (number < 1 || number > FixtureId.LAST) {
            throw new IllegalArgumentException("the number " + number + " is outside 1 to " + FixtureId.LAST);
        }
    }
}
