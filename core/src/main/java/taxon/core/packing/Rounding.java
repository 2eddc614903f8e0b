package taxon.core.packing;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import taxon.core.packing.LinearRelaxation.Pattern;

/**
 * Looks for a whole filling near one in fractions: patterns of which there are whole ones are taken, the rest is asked about
 * again, and what few holes remain are left to {@link Completion}. Loads are not heeded.
 */
final class Rounding {
    /** How many ways to begin are tried. */
    private static final int BEGINNINGS = 4;
    /** Holes that are few enough for a search, and what it may take. */
    private static final int FEW_HOLES = 12;

    private static final long FEW_NUMBERS = 4_000_000;
    /** A number of holes this near below a whole one is that. */
    private static final double NEAR = 1e-6;

    private final PackingProblem problem;
    private final int[] left;
    private final int[][] fills;
    private final boolean[] done;
    private final Effort effort;

    private Rounding(PackingProblem problem, Effort effort) {
        this.problem = problem;
        left = problem.counts();
        fills = new int[problem.holes()][problem.kinds.size()];
        done = new boolean[problem.holes()];
        this.effort = effort;
        IntStream.range(0, done.length).forEach(h -> done[h] = problem.length[h] == 0);
    }

    /**
     * Begins in some ways and ends with the first filling; empty when none was found, which proves nothing.
     *
     * @param problem one whose holes do not push each other
     * @param relaxation of this problem
     */
    static Optional<Filling> of(PackingProblem problem, LinearRelaxation relaxation, Effort effort) {
        List<Pattern> patterns = byShare(relaxation.patterns());
        for (int n = 0; n < Math.min(BEGINNINGS, patterns.size()) && !effort.isSpent(); n++) {
            Rounding rounding = new Rounding(problem, effort);
            // The first beginning takes all whole patterns; each further one begins with the next pattern alone.
            boolean begun = n == 0 ? rounding.take(patterns) : rounding.lay(patterns.get(n));
            if (begun && rounding.goOn()) {
                return Optional.of(Filling.of(problem, rounding.fills, rounding.left));
            }
        }
        return Optional.empty();
    }

    /** The pattern with the most of a hole in it first. */
    private static List<Pattern> byShare(List<Pattern> patterns) {
        return patterns.stream()
                .sorted(Comparator.comparingDouble((Pattern p) -> -p.holes()))
                .toList();
    }

    private boolean goOn() {
        while (Arrays.stream(left).sum() > 0) {
            int[] rest =
                    IntStream.range(0, problem.holes()).filter(h -> !done[h]).toArray();
            if (rest.length <= FEW_HOLES && complete(rest)) {
                return true;
            }
            int[] most = Arrays.stream(rest).map(h -> problem.most[h]).toArray();
            LinearRelaxation now = LinearRelaxation.of(left, problem.steps, most, effort);
            if (!take(byShare(now.patterns()))) {
                return false;
            }
        }
        return true;
    }

    /** Takes all whole patterns, or the greatest fraction as a whole one; false when none of them can be laid. */
    private boolean take(List<Pattern> patterns) {
        boolean any = false;
        for (Pattern pattern : patterns) {
            for (int i = 1; i <= pattern.holes() + NEAR; i++) {
                any |= lay(pattern);
            }
        }
        return any || patterns.stream().anyMatch(this::lay);
    }

    private boolean lay(Pattern pattern) {
        int hole = IntStream.range(0, done.length)
                .filter(h -> !done[h] && problem.most[h] == pattern.width() && problem.fits(pattern.runs(), h))
                .findFirst()
                .orElse(-1);
        if (hole < 0 || !pattern.isAtMost(left)) {
            return false;
        }
        fill(hole, pattern.runs());
        return true;
    }

    private void fill(int hole, int[] runs) {
        done[hole] = true;
        fills[hole] = runs.clone();
        Arrays.setAll(left, i -> left[i] - runs[i]);
    }

    private boolean complete(int[] rest) {
        Optional<Filling> found = effort.within(FEW_NUMBERS, e -> Completion.decide(problem.rest(left, rest), e))
                .filling();
        found.ifPresent(f -> IntStream.range(0, rest.length)
                .forEach(n -> fill(
                        rest[n],
                        f.byBin().get(n).get(0).stream()
                                .mapToInt(Integer::intValue)
                                .toArray())));
        return found.isPresent();
    }
}
