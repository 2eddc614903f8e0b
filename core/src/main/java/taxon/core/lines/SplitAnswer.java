package taxon.core.lines;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import taxon.core.lines.ChainTask.Feed;
import taxon.core.network.CableRules;

/**
 * A task and its answer; where the outlets do not do, with splitters opened at one of their places.
 *
 * @param task with as many outlets as the answer may use
 * @param outlets how many there are at each place without splitters
 */
record SplitAnswer(ChainTask task, Chains chains, int[] outlets) {
    /** More lines than any universe has. */
    private static final int MOST_LINES = 512;

    /** Empty where no division keeps within the limits. */
    static Optional<SplitAnswer> of(ChainTask task, CableRules rules) {
        int[] outlets = task.feeds().stream().mapToInt(Feed::lines).toArray();
        return ChainMaker.answer(task, rules.order(), rules.first())
                .map(c -> new SplitAnswer(task, c, outlets))
                .or(() -> best(task, rules, outlets));
    }

    /** Splitters at each place in turn, and of that the best. */
    private static Optional<SplitAnswer> best(ChainTask task, CableRules rules, int[] outlets) {
        Optional<SplitAnswer> best = Optional.empty();
        for (int place = 0; place < outlets.length; place++) {
            ChainTask wider = task.from(withSplitters(task, place));
            Optional<SplitAnswer> found =
                    ChainMaker.answer(wider, rules.order(), rules.first()).map(c -> new SplitAnswer(wider, c, outlets));
            best = better(best, found, rules.first() == CableRules.First.FEWEST_LINES);
        }
        return outlets.length == 1 ? best : best.map(b -> b.amongAll(rules));
    }

    /** What is certain of splitters at one place need not be so where they may be opened at each. */
    private SplitAnswer amongAll(CableRules rules) {
        int lines = Math.min(MOST_LINES, task.units());
        ChainTask widest =
                task.from(task.feeds().stream().map(f -> f.with(lines)).toList());
        return new SplitAnswer(task, ChainMaker.bounded(widest, chains, rules.first()), outlets);
    }

    private static Optional<SplitAnswer> better(
            Optional<SplitAnswer> one, Optional<SplitAnswer> other, boolean fewestLines) {
        boolean beats = one.isEmpty()
                || other.filter(o -> o.chains().beats(one.get().chains(), fewestLines))
                        .isPresent();
        return beats ? other : one;
    }

    private static List<Feed> withSplitters(ChainTask task, int place) {
        int lines = Math.min(MOST_LINES, task.units());
        return IntStream.range(0, task.feeds().size())
                .mapToObj(f -> f == place
                        ? task.feeds().get(f).with(lines)
                        : task.feeds().get(f))
                .toList();
    }

    /** How many lines begin at a place. */
    int begin(int place) {
        return (int) chains.chains().stream().filter(c -> c.feed() == place).count();
    }
}
