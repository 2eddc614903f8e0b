package taxon.core.modes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Chooses one item of each group so that the weights together stay within a limit and the costs are least: the
 * multiple-choice knapsack problem, solved exactly by dynamic programming over the weight (Kellerer, Pferschy, Pisinger:
 * Knapsack Problems, 2004, chapter 11, from memory).
 *
 * <p>Time and memory: groups × items × limit steps and groups × limit bytes. Sixty groups of six over 400 universes are 74
 * million steps.
 */
final class ModeChoice {
    private static final int NEVER = Integer.MAX_VALUE / 2;

    private final List<List<Item>> groups;
    private final int limit;
    private final byte[][] taken;
    private int[] least;

    /**
     * @param weight slots, 0 or more
     * @param cost the price, 0 or more
     */
    record Item(int weight, int cost) {}

    /** @param picks the index of the item of each group */
    record Choice(int weight, int cost, List<Integer> picks) {}

    private ModeChoice(List<List<Item>> groups, int limit) {
        this.groups = groups;
        this.limit = limit;
        taken = new byte[groups.size()][limit + 1];
        least = new int[limit + 1];
        Arrays.fill(least, NEVER);
        least[0] = 0;
        for (int g = 0; g < groups.size(); g++) {
            least = extended(g);
        }
    }

    /** @param groups at most 127 items each, one at least */
    static ModeChoice of(List<List<Item>> groups, int limit) {
        return new ModeChoice(groups, limit);
    }

    private int[] extended(int group) {
        int[] next = new int[limit + 1];
        Arrays.fill(next, NEVER);
        List<Item> items = groups.get(group);
        for (int i = 0; i < items.size(); i++) {
            int weight = items.get(i).weight();
            int cost = items.get(i).cost();
            for (int w = weight; w <= limit; w++) {
                int with = least[w - weight] + cost;
                if (with < next[w]) {
                    next[w] = with;
                    taken[group][w] = (byte) i;
                }
            }
        }
        return next;
    }

    /** The cheapest choice that weighs no more than this; of equally cheap ones the lightest. Empty when there is none. */
    Optional<Choice> within(int most) {
        int best = -1;
        for (int w = 0; w <= Math.min(most, limit); w++) {
            if (least[w] < NEVER && (best < 0 || least[w] < least[best])) {
                best = w;
            }
        }
        return best < 0 ? Optional.empty() : Optional.of(choice(best));
    }

    private Choice choice(int weight) {
        List<Integer> picks = new ArrayList<>();
        int left = weight;
        for (int g = groups.size() - 1; g >= 0; g--) {
            int pick = taken[g][left];
            picks.add(0, pick);
            left -= groups.get(g).get(pick).weight();
        }
        return new Choice(weight, least[weight], picks);
    }
}
