package taxon.core.lines;

import java.util.List;

/**
 * How the units of a task are reached.
 *
 * @param chains one for each line
 * @param cost of all ways in millimetres, with those that are not known as {@link ChainTask#UNKNOWN}
 * @param fewest no answer has fewer lines; where least cable counts first nobody asks, and it is as many as there are
 * @param least no answer costs less that has as many lines; where least cable was asked for, none at all
 */
record Chains(List<Chain> chains, long cost, int fewest, long least) {
    Chains {
        chains = List.copyOf(chains);
    }

    /**
     * Units in the order of the cable.
     *
     * @param feed which one of the task's
     * @param units their numbers in the task, at least one
     */
    record Chain(int feed, int[] units) {}

    /** Nothing is known of what would be better. */
    static Chains of(ChainTask task, List<Chain> chains) {
        return new Chains(chains, chains.stream().mapToLong(c -> task.cost(c)).sum(), chains.isEmpty() ? 0 : 1, 0);
    }

    int lines() {
        return chains.size();
    }

    boolean isProved() {
        return lines() == fewest && cost <= least;
    }

    Chains bounded(int lines, long cable) {
        return new Chains(chains, cost, lines, Math.min(cost, cable));
    }

    /** True when it is the better one by what counts first. */
    boolean beats(Chains other, boolean fewestLines) {
        return fewestLines && lines() != other.lines() ? lines() < other.lines() : cost < other.cost;
    }
}
