package taxon.core.numbering;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/**
 * Chooses which numbers can stay. A number may stay when between any two that stay there is room for all that hang between
 * them; the most numbers stay for the longest sequence that does not fall of (number − place). Found by patience sorting
 * (longest increasing subsequence, Fredman 1975, from memory), in n log n.
 */
final class Keeper {
    private Keeper() {}

    /**
     * Places whose number stays.
     *
     * @param ranks by place in the order: the number, counted among the numbers that are free for the family from 0 on; −1
     *     where it cannot stay in any case
     * @param room how many free numbers the family has
     * @return the rank by place, for those that stay
     */
    static Map<Integer, Integer> keep(int[] ranks, int room) {
        int count = ranks.length;
        int[] ends = new int[count];
        int[] before = new int[count];
        int length = 0;
        for (int place = 0; place < count; place++) {
            int slack = ranks[place] - place;
            // Room for those before it and for those behind it.
            if (ranks[place] < 0 || slack < 0 || ranks[place] > room - (count - place)) {
                continue;
            }
            int at = upper(ranks, ends, length, slack);
            before[place] = at == 0 ? -1 : ends[at - 1];
            ends[at] = place;
            length = Math.max(length, at + 1);
        }
        Map<Integer, Integer> kept = new HashMap<>();
        for (int place = length == 0 ? -1 : ends[length - 1]; place >= 0; place = before[place]) {
            kept.put(place, ranks[place]);
        }
        return kept;
    }

    /** How many of the shortest ends do not exceed the slack. */
    private static int upper(int[] ranks, int[] ends, int length, int slack) {
        int low = 0;
        int high = length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (ranks[ends[middle]] - ends[middle] <= slack) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** All ranks: those that stay, and between them the lowest that follow on. */
    static int[] fill(int count, Map<Integer, Integer> kept) {
        int[] ranks = new int[count];
        Arrays.fill(ranks, -1);
        kept.forEach((place, rank) -> ranks[place] = rank);
        int next = firstRank(ranks);
        for (int place = 0; place < count; place++) {
            ranks[place] = ranks[place] < 0 ? next : ranks[place];
            next = ranks[place] + 1;
        }
        return ranks;
    }

    /** Those before the first that stays count up to it; where none stays they begin at the start. */
    private static int firstRank(int[] ranks) {
        for (int place = 0; place < ranks.length; place++) {
            if (ranks[place] >= 0) {
                return ranks[place] - place;
            }
        }
        return 0;
    }
}
