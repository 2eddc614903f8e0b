package taxon.core.packing;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/**
 * Decides whether lots fit bins, by filling hole after hole and stepping back (bin completion; Korf: A new algorithm for
 * optimal bin packing, AAAI 2002, from memory).
 *
 * <p>A hole is filled only so that nothing more would fit, since a fuller hole never hurts, and never emptier than the slots
 * to spare allow; of equal empty bins the next one takes the longest run that is left. What failed once is remembered. It
 * ends with a filling, with the proof that there is none, or without either after so many steps.
 */
final class Completion {
    private static final int MOST_REMEMBERED = 200_000;
    /** How deep the search may call itself: a step for each lot of each hole. Deeper puzzles are left undecided. */
    private static final int DEEPEST = 3_000;

    private final PackingProblem puzzle;
    private final int[] left;
    private final int[] load;
    private final int[][] fills;
    private final long[] capBehind;
    private final int tail;
    private final int widest;
    private final Set<State> failed = new HashSet<>();
    private long stepsLeft;
    private long cellsLeft;

    /** What became of the search. */
    enum Verdict {
        FITS,
        NEVER_FITS,
        UNDECIDED
    }

    /**
     * What was found.
     *
     * @param filling only where it fits
     * @param steps how many were taken
     */
    record Answer(Verdict verdict, Optional<Filling> filling, long steps) {
        static Answer undecided(long steps) {
            return new Answer(Verdict.UNDECIDED, Optional.empty(), steps);
        }

        static Answer never(long steps) {
            return new Answer(Verdict.NEVER_FITS, Optional.empty(), steps);
        }
    }

    private static final class State {
        private final int[] counts;
        private final int hash;

        State(int hole, int loadLeft, int[] left) {
            counts = Arrays.copyOf(left, left.length + 2);
            counts[left.length] = hole;
            counts[left.length + 1] = loadLeft;
            hash = Arrays.hashCode(counts);
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof State state && Arrays.equals(counts, state.counts);
        }

        @Override
        public int hashCode() {
            return hash;
        }
    }

    /** Thrown nowhere outside: ends a search that has used up its steps. */
    private static final class OutOfSteps extends RuntimeException {
        private static final long serialVersionUID = 1L;

        OutOfSteps() {
            super("out of steps", null, false, false);
        }
    }

    private Completion(PackingProblem puzzle, long steps) {
        this.puzzle = puzzle;
        left = puzzle.counts();
        load = puzzle.bins.stream().mapToInt(Bin::load).toArray();
        fills = new int[puzzle.holes()][left.length];
        capBehind = new long[puzzle.holes() + 1];
        for (int h = puzzle.holes() - 1; h >= 0; h--) {
            capBehind[h] = capBehind[h + 1] + puzzle.most[h];
        }
        for (int i = 0; i < left.length; i++) {
            cellsLeft += (long) left[i] * puzzle.cells[i];
        }
        widest = Arrays.stream(puzzle.most).max().orElse(0);
        tail = tail();
        stepsLeft = steps;
    }

    static Answer decide(PackingProblem puzzle, long steps) {
        if ((long) puzzle.holes() * (puzzle.lots.size() + 2) > DEEPEST) {
            return Answer.undecided(0);
        }
        Completion search = new Completion(puzzle, steps);
        try {
            boolean fits = search.fill(0);
            long taken = steps - search.stepsLeft;
            return fits
                    ? new Answer(Verdict.FITS, Optional.of(Filling.of(puzzle, search.fills, search.left)), taken)
                    : Answer.never(taken);
        } catch (OutOfSteps end) {
            return Answer.undecided(steps);
        }
    }

    /** From where on all holes are alike, each alone in its bin. */
    private int tail() {
        int from = puzzle.holes();
        while (from > 0 && isAlike(from - 1, puzzle.holes() - 1)) {
            from--;
        }
        return from;
    }

    private boolean isAlike(int hole, int other) {
        Bin one = puzzle.bins.get(puzzle.binOf[hole]);
        Bin two = puzzle.bins.get(puzzle.binOf[other]);
        return one.holes().size() == 1
                && two.holes().size() == 1
                && one.load() == two.load()
                && one.holes().get(0).length() == two.holes().get(0).length();
    }

    /** Fills the holes from this one on with all that is left. */
    private boolean fill(int hole) {
        if (cellsLeft == 0) {
            return true;
        }
        long spare = capBehind[hole] - cellsLeft;
        if (hole == puzzle.holes() || spare < 0) {
            return false;
        }
        State state = new State(hole, load[puzzle.binOf[hole]], left);
        if (failed.contains(state) || boundFails(hole)) {
            return false;
        }
        boolean done = new Fill(hole, spare).run();
        if (!done && failed.size() < MOST_REMEMBERED) {
            failed.add(state);
        }
        return done;
    }

    /** The holes as bins of the widest kind, the narrower ones part filled: if even those need more bins, nothing fits. */
    private boolean boundFails(int hole) {
        int runs = Arrays.stream(left).sum();
        int[] sizes = new int[runs + puzzle.holes() - hole];
        int n = 0;
        for (int i = 0; i < left.length; i++) {
            Arrays.fill(sizes, n, n + left[i], puzzle.cells[i]);
            n += left[i];
        }
        if (n > 0 && Arrays.stream(sizes, 0, n).max().orElse(0) > widest) {
            return true;
        }
        for (int h = hole; h < puzzle.holes(); h++) {
            sizes[n++] = widest - puzzle.most[h];
        }
        return LowerBounds.l2(sizes, widest) > puzzle.holes() - hole;
    }

    /** All ways to fill one hole. */
    private final class Fill {
        private final int hole;
        private final int bin;
        private final int low;
        private final Sums[] reach;
        private final int lead;

        Fill(int hole, long spare) {
            this.hole = hole;
            bin = puzzle.binOf[hole];
            low = (int) Math.max(0, puzzle.most[hole] - spare);
            reach = reach();
            lead = hole >= tail ? longestLeft() : -1;
        }

        private Sums[] reach() {
            Sums[] sums = new Sums[left.length + 1];
            sums[left.length] = Sums.none(puzzle.most[hole]);
            for (int i = left.length - 1; i >= 0; i--) {
                boolean fits = left[i] > 0 && puzzle.cap[hole][i] > 0;
                sums[i] = fits ? sums[i + 1].with(puzzle.cells[i], left[i]) : sums[i + 1];
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
            if (puzzle.cap[hole][lead] == 0 || load[bin] < puzzle.lots.get(lead).load()) {
                return false;
            }
            take(lead, 1);
            boolean done = choose(lead, puzzle.cells[lead], puzzle.cap[hole][lead]);
            if (!done) {
                take(lead, -1);
            }
            return done;
        }

        private void take(int lot, int count) {
            fills[hole][lot] += count;
            left[lot] -= count;
            load[bin] -=
                    load[bin] == Bin.ANY_LOAD ? 0 : count * puzzle.lots.get(lot).load();
            cellsLeft -= (long) count * puzzle.cells[lot];
        }

        /** Goes on with lots from this one, when the hole holds {@code sum} and takes {@code cap} as it is. */
        private boolean choose(int lot, int sum, int cap) {
            if (--stepsLeft < 0) {
                throw new OutOfSteps();
            }
            if (!reach[lot].meets(low - sum, puzzle.most[hole] - sum)) {
                return false;
            }
            if (lot == left.length) {
                return sum <= cap && sum >= low && nothingMoreFits(sum, cap) && !isDominated(sum) && fill(hole + 1);
            }
            int most = mostOf(lot, sum);
            take(lot, most);
            for (int count = most; ; count--) {
                int then = sum + count * puzzle.cells[lot];
                if (choose(lot + 1, then, count > 0 ? Math.max(cap, puzzle.cap[hole][lot]) : cap)) {
                    return true;
                }
                if (count == 0) {
                    return false;
                }
                take(lot, -1);
            }
        }

        private int mostOf(int lot, int sum) {
            if (puzzle.cap[hole][lot] == 0) {
                return 0;
            }
            int room = (puzzle.most[hole] - sum) / puzzle.cells[lot];
            int runLoad = puzzle.lots.get(lot).load();
            int carried = runLoad == 0 ? Integer.MAX_VALUE : load[bin] / runLoad;
            return Math.max(0, Math.min(left[lot], Math.min(room, carried)));
        }

        /**
         * True when a run here could change places with a longer one that is left: whatever can be packed from here can be
         * packed after that change too (dominance; Martello and Toth 1990, from memory).
         */
        private boolean isDominated(int sum) {
            for (int i = 1; i < left.length; i++) {
                if (fills[hole][i] <= (i == lead ? 1 : 0)) {
                    continue;
                }
                for (int j = i - 1; j >= 0 && sum - puzzle.cells[i] + puzzle.cells[j] <= puzzle.most[hole]; j--) {
                    boolean better = left[j] > 0
                            && puzzle.cells[j] > puzzle.cells[i]
                            && puzzle.lots.get(j).load() == puzzle.lots.get(i).load()
                            && sum - puzzle.cells[i] + puzzle.cells[j] <= puzzle.cap[hole][j];
                    if (better) {
                        return true;
                    }
                }
            }
            return false;
        }

        private boolean nothingMoreFits(int sum, int cap) {
            for (int i = 0; i < left.length; i++) {
                boolean fits = left[i] > 0
                        && puzzle.cap[hole][i] > 0
                        && sum + puzzle.cells[i] <= Math.max(cap, puzzle.cap[hole][i])
                        && puzzle.lots.get(i).load() <= load[bin];
                if (fits) {
                    return false;
                }
            }
            return true;
        }
    }
}
