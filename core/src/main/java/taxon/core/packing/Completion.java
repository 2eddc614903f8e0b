package taxon.core.packing;

import java.util.Arrays;
import java.util.Optional;

/**
 * Decides whether items fit bins, by filling hole after hole and stepping back (bin completion; Korf: A new algorithm for
 * optimal bin packing, AAAI 2002, from memory).
 *
 * <p>A hole is filled only so that nothing more would fit, since a fuller hole never hurts, unless it pushes a later one away;
 * and never emptier than the steps to spare allow. Of equal empty bins the next one takes the longest run that is left. What
 * failed once is remembered. It ends with a filling, with the proof that there is none, or without either when its effort is
 * spent.
 */
final class Completion {
    /** How deep the search may call itself: a step for each kind of each hole. Deeper problems are left undecided. */
    private static final int DEEPEST = 3_000;

    private final PackingProblem problem;
    private final Effort effort;
    private final int[] left;
    private final int[] load;
    /** The slot from which on the next hole of a bin may be used. */
    private final int[] reach;

    private final int[][] fills;
    private final long[] capBehind;
    private final int tail;
    private final int widest;
    private final DeadEnds failed = new DeadEnds();
    private long stepsToPlace;

    /** What became of the search. */
    enum Verdict {
        FITS,
        NEVER_FITS,
        UNDECIDED
    }

    /** @param filling only where it fits */
    record Answer(Verdict verdict, Optional<Filling> filling) {
        static final Answer UNDECIDED = new Answer(Verdict.UNDECIDED, Optional.empty());
        static final Answer NEVER = new Answer(Verdict.NEVER_FITS, Optional.empty());

        static Answer fits(Filling filling) {
            return new Answer(Verdict.FITS, Optional.of(filling));
        }
    }

    /** Thrown nowhere outside: ends a search whose effort is spent. */
    private static final class OutOfEffort extends RuntimeException {
        private static final long serialVersionUID = 1L;

        OutOfEffort() {
            super("out of effort", null, false, false);
        }
    }

    private Completion(PackingProblem problem, Effort effort) {
        this.problem = problem;
        this.effort = effort;
        left = problem.counts();
        load = problem.bins.stream().mapToInt(Bin::load).toArray();
        reach = new int[problem.bins.size()];
        fills = new int[problem.holes()][left.length];
        capBehind = new long[problem.holes() + 1];
        for (int h = problem.holes() - 1; h >= 0; h--) {
            capBehind[h] = capBehind[h + 1] + problem.most[h];
        }
        for (int i = 0; i < left.length; i++) {
            stepsToPlace += (long) left[i] * problem.steps[i];
        }
        widest = Arrays.stream(problem.most).max().orElse(0);
        tail = problem.tail();
    }

    /** Decides, or gives up when the effort is spent. */
    static Answer decide(PackingProblem problem, Effort effort) {
        if ((long) problem.holes() * (problem.kinds.size() + 2) > DEEPEST) {
            return Answer.UNDECIDED;
        }
        Completion search = new Completion(problem, effort);
        try {
            return search.fill(0) ? Answer.fits(Filling.of(problem, search.fills, search.left)) : Answer.NEVER;
        } catch (OutOfEffort end) {
            return Answer.UNDECIDED;
        }
    }

    private void spend(long numbers) {
        if (!effort.spend(numbers)) {
            throw new OutOfEffort();
        }
    }

    /** Where the first run of a hole may begin, as what lies before it in its bin allows. */
    private int start(int hole) {
        return Math.max(problem.first[hole], problem.grain.aligned(reach[problem.binOf[hole]]));
    }

    /** Fills the holes from this one on with all that is left. */
    private boolean fill(int hole) {
        if (stepsToPlace == 0) {
            return true;
        }
        long spare = capBehind[hole] - stepsToPlace;
        if (hole == problem.holes() || spare < 0) {
            return false;
        }
        DeadEnds.State state = new DeadEnds.State(hole, load[problem.binOf[hole]], start(hole), left);
        if (failed.contains(state) || boundFails(hole)) {
            return false;
        }
        boolean done = new Fill(hole, spare).run();
        if (!done) {
            failed.add(state);
        }
        return done;
    }

    /** The holes as bins of the widest kind, the narrower ones part filled: if even those need more bins, nothing fits. */
    private boolean boundFails(int hole) {
        int runs = Arrays.stream(left).sum();
        int[] sizes = new int[runs + problem.holes() - hole];
        spend(2L * sizes.length);
        int n = 0;
        int longest = 0;
        for (int i = 0; i < left.length; i++) {
            Arrays.fill(sizes, n, n + left[i], problem.steps[i]);
            n += left[i];
            longest = left[i] > 0 ? Math.max(longest, problem.steps[i]) : longest;
        }
        if (longest > widest) {
            return true;
        }
        for (int h = hole; h < problem.holes(); h++) {
            sizes[n++] = widest - problem.most[h];
        }
        return LowerBounds.l2(sizes, widest) > problem.holes() - hole;
    }

    /** All ways to fill one hole. */
    private final class Fill {
        private final int hole;
        private final int bin;
        private final int start;
        private final int[] caps;
        private final int most;
        private final int low;
        private final Sums[] reachable;
        private final int lead;

        Fill(int hole, long spare) {
            this.hole = hole;
            bin = problem.binOf[hole];
            start = start(hole);
            caps = start == problem.first[hole] ? problem.cap[hole] : problem.capFrom(hole, start);
            most = start == problem.first[hole]
                    ? problem.most[hole]
                    : Arrays.stream(caps).max().orElse(0);
            low = (int) Math.max(0, problem.most[hole] - spare);
            reachable = reachable();
            lead = hole >= tail ? longestLeft() : -1;
        }

        private Sums[] reachable() {
            Sums[] sums = new Sums[left.length + 1];
            sums[left.length] = Sums.none(most);
            for (int i = left.length - 1; i >= 0; i--) {
                boolean fits = left[i] > 0 && caps[i] > 0;
                sums[i] = fits ? sums[i + 1].with(problem.steps[i], left[i]) : sums[i + 1];
                spend(1 + most / Long.SIZE);
            }
            return sums;
        }

        private int longestLeft() {
            int i = 0;
            while (left[i] == 0) {
                i++;
            }
            return i;
        }

        boolean run() {
            if (lead < 0) {
                return choose(0, 0, 0);
            }
            if (caps[lead] == 0 || load[bin] < problem.kinds.get(lead).load()) {
                return false;
            }
            take(lead, 1);
            boolean done = choose(lead, problem.steps[lead], caps[lead]);
            if (!done) {
                take(lead, -1);
            }
            return done;
        }

        private void take(int kind, int count) {
            fills[hole][kind] += count;
            left[kind] -= count;
            load[bin] -= load[bin] == Bin.ANY_LOAD
                    ? 0
                    : count * problem.kinds.get(kind).load();
            stepsToPlace -= (long) count * problem.steps[kind];
        }

        /** Goes on with kinds from this one, when the hole holds {@code sum} and takes {@code cap} as it is. */
        private boolean choose(int kind, int sum, int cap) {
            spend(1);
            if (!reachable[kind].meets(low - sum, most - sum)) {
                return false;
            }
            if (kind == left.length) {
                return sum <= cap && sum >= low && isWorthwhile(sum, cap) && goOn(sum);
            }
            int count = mostOf(kind, sum);
            take(kind, count);
            for (; ; count--) {
                int then = sum + count * problem.steps[kind];
                if (choose(kind + 1, then, count > 0 ? Math.max(cap, caps[kind]) : cap)) {
                    return true;
                }
                if (count == 0) {
                    return false;
                }
                take(kind, -1);
            }
        }

        /** Where a fuller hole may push another away, every filling is worth a try. */
        private boolean isWorthwhile(int sum, int cap) {
            spend(left.length);
            return problem.pushes[hole] || (nothingMoreFits(sum, cap) && !isDominated(sum));
        }

        private boolean goOn(int sum) {
            int before = reach[bin];
            reach[bin] = sum == 0 ? before : start + sum * problem.grain.step();
            boolean done = fill(hole + 1);
            reach[bin] = done ? reach[bin] : before;
            return done;
        }

        private int mostOf(int kind, int sum) {
            if (caps[kind] == 0) {
                return 0;
            }
            int room = (most - sum) / problem.steps[kind];
            int runLoad = problem.kinds.get(kind).load();
            int carried = runLoad == 0 ? Integer.MAX_VALUE : load[bin] / runLoad;
            return Math.max(0, Math.min(left[kind], Math.min(room, carried)));
        }

        /**
         * True when a run here could change places with a longer one that is left: whatever can be packed from here can be
         * packed after that change too (dominance; Martello and Toth 1990, from memory).
         */
        private boolean isDominated(int sum) {
            for (int i = 1; i < left.length; i++) {
                if (fills[hole][i] > (i == lead ? 1 : 0) && hasBetter(i, sum - problem.steps[i])) {
                    return true;
                }
            }
            return false;
        }

        private boolean hasBetter(int kind, int rest) {
            for (int j = kind - 1; j >= 0 && rest + problem.steps[j] <= most; j--) {
                boolean better = left[j] > 0
                        && problem.steps[j] > problem.steps[kind]
                        && problem.kinds.get(j).load()
                                == problem.kinds.get(kind).load()
                        && rest + problem.steps[j] <= caps[j];
                if (better) {
                    return true;
                }
            }
            return false;
        }

        private boolean nothingMoreFits(int sum, int cap) {
            for (int i = 0; i < left.length; i++) {
                boolean fits = left[i] > 0
                        && caps[i] > 0
                        && sum + problem.steps[i] <= Math.max(cap, caps[i])
                        && problem.kinds.get(i).load() <= load[bin];
                if (fits) {
                    return false;
                }
            }
            return true;
        }
    }
}
