package taxon.core.lines;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import taxon.core.network.CableRules;

/** Answers a task: by good orders cut at the best places and bettered; where that is not proved, to its end if it is small. */
final class ChainMaker {
    private static final long WORK = 2_000_000;
    private static final int ROUNDS = 4;

    private final ChainTask task;
    private final boolean fewestLines;
    private final Map<Integer, Long> bounds = new HashMap<>();

    private ChainMaker(ChainTask task, CableRules.First first) {
        this.task = task;
        fewestLines = first == CableRules.First.FEWEST_LINES;
    }

    /**
     * Answers it.
     *
     * @param task with at least one unit; its units are numbered in the order of units
     * @return empty where not all units can be reached within the limits from the feeds
     */
    static Optional<Chains> answer(ChainTask task, CableRules.Order order, CableRules.First first) {
        ChainMaker maker = new ChainMaker(task, first);
        if (task.outlets() == 0) {
            return Optional.empty();
        }
        return order == CableRules.Order.OF_UNITS
                ? ChainSplit.of(task, maker.inOrder(), maker.fewestLines)
                : maker.shortest();
    }

    /** The fewest lines that the order of units can be cut into: quick, and true as far as it goes. */
    static Optional<Chains> roughly(ChainTask task) {
        return ChainSplit.of(task, new ChainMaker(task, CableRules.First.FEWEST_LINES).inOrder(), true);
    }

    /** The same answer with what is certain where lines can begin as this task has it, and no more. */
    static Chains bounded(ChainTask task, Chains found, CableRules.First first) {
        return new ChainMaker(task, first).bounded(found);
    }

    private int[] inOrder() {
        return IntStream.range(0, task.units()).toArray();
    }

    private Optional<Chains> shortest() {
        Optional<Chains> best = Optional.empty();
        for (int[] order : List.of(inOrder(), nearestNext())) {
            best = better(best, bettered(order));
            if (best.filter(this::isBest).isPresent()) {
                return best.map(this::bounded);
            }
        }
        return exact(best);
    }

    private Optional<Chains> exact(Optional<Chains> best) {
        Optional<Chains> exact = ExactChains.of(task, fewest(), fewestLines);
        return exact.isPresent() ? exact : best.map(this::bounded);
    }

    private boolean isBest(Chains found) {
        return bounded(found).isProved();
    }

    private Optional<Chains> better(Optional<Chains> one, Optional<Chains> other) {
        return one.isEmpty()
                        || other.filter(o -> o.beats(one.get(), fewestLines)).isPresent()
                ? other
                : one;
    }

    /** An order cut and bettered, and the order that comes of it cut again, as long as that helps. */
    private Optional<Chains> bettered(int[] order) {
        Optional<Chains> best = Optional.empty();
        int[] next = order;
        for (int round = 0; round < ROUNDS; round++) {
            Optional<Chains> found = ChainSplit.of(task, next, fewestLines)
                    .map(c -> Chains.of(task, new ChainSearch(task, c.chains(), WORK).run()));
            if (found.isEmpty() || best.isPresent() && !found.get().beats(best.get(), fewestLines)) {
                return best;
            }
            best = found;
            next = found.get().chains().stream()
                    .flatMapToInt(c -> Arrays.stream(c.units()))
                    .toArray();
        }
        return best;
    }

    /** From the nearest feed always to the nearest unit that is left. */
    private int[] nearestNext() {
        int[] order = new int[task.units()];
        boolean[] gone = new boolean[order.length];
        int at = -1;
        for (int n = 0; n < order.length; n++) {
            int next = -1;
            for (int unit = 0; unit < order.length; unit++) {
                if (!gone[unit] && (next < 0 || way(at, unit) < way(at, next))) {
                    next = unit;
                }
            }
            gone[next] = true;
            order[n] = next;
            at = next;
        }
        return order;
    }

    private int way(int from, int to) {
        return from >= 0
                ? task.between()[from][to]
                : task.feeds().stream().mapToInt(f -> f.to()[to]).min().orElseThrow();
    }

    /** No answer has fewer lines: by how many units, how much load and how many that pass nothing on there are. */
    private int fewest() {
        int load = Arrays.stream(task.loads()).sum();
        int ends = (int)
                IntStream.range(0, task.units()).filter(i -> task.last()[i]).count();
        return IntStream.of(
                        1,
                        ends,
                        parts(task.units(), task.limits().units()),
                        parts(load, task.limits().load()))
                .max()
                .orElseThrow();
    }

    private static int parts(int all, int most) {
        return (all + most - 1) / most;
    }

    /** With what is certain of every other answer; nothing of the cable where some way is not known. */
    private Chains bounded(Chains found) {
        int fewest = fewest();
        if (!task.isKnown()) {
            return found.bounded(fewest, 0);
        }
        if (!fewestLines) {
            return found.bounded(found.lines(), bound(task.outlets(), false, found.cost()));
        }
        while (fewest < found.lines() && tooLong(fewest)) {
            fewest++;
        }
        return found.bounded(fewest, bound(found.lines(), true, found.cost()));
    }

    /** Worked out once for each number of lines. */
    private long bound(int lines, boolean exact, long found) {
        return bounds.computeIfAbsent(lines, l -> ChainBound.of(task, l, exact, found));
    }

    /** So few lines would have to be longer in all than they may be. */
    private boolean tooLong(int lines) {
        long most = (long) lines * task.limits().length();
        return ChainBound.of(task, lines, true, most + 1) > most;
    }
}
