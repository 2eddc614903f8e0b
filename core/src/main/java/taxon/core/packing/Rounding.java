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
    /** Holes that are few enough for a search, and its steps. */
    private static final int FEW_HOLES = 12;

    private static final long FEW_STEPS = 20_000;
    /** A number of holes this near below a whole one is that. */
    private static final double NEAR = 1e-6;

    private final PackingProblem puzzle;
    private final int[] left;
    private final int[][] fills;
    private final boolean[] done;
    private long effortLeft;

    /**
     * What came of it.
     *
     * @param filling one that takes all runs; empty when none was found, which proves nothing
     * @param effort how many numbers were touched
     */
    record Found(Optional<Filling> filling, long effort) {}

    private Rounding(PackingProblem puzzle, long effort) {
        this.puzzle = puzzle;
        left = puzzle.counts();
        fills = new int[puzzle.holes()][puzzle.lots.size()];
        done = new boolean[puzzle.holes()];
        effortLeft = effort;
    }

    /**
     * Begins in some ways and ends with the first filling.
     *
     * @param fractions of this puzzle
     * @param effort for all linear programmes together, in numbers touched
     */
    static Found of(PackingProblem puzzle, LinearRelaxation fractions, long effort) {
        List<Pattern> patterns = byShare(fractions.patterns());
        long left = effort;
        for (int n = 0; n < Math.min(BEGINNINGS, patterns.size()); n++) {
            Rounding rounding = new Rounding(puzzle, left);
            // The first beginning takes all whole patterns; each further one begins with the next pattern alone.
            boolean begun = n == 0 ? rounding.take(patterns) : rounding.lay(patterns.get(n));
            boolean whole = begun && rounding.goOn();
            left = rounding.effortLeft;
            if (whole) {
                return new Found(Optional.of(Filling.of(puzzle, rounding.fills, rounding.left)), effort - left);
            }
        }
        return new Found(Optional.empty(), effort - left);
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
                    IntStream.range(0, puzzle.holes()).filter(h -> !done[h]).toArray();
            if (rest.length <= FEW_HOLES && complete(rest)) {
                return true;
            }
            int[] most = Arrays.stream(rest).map(h -> puzzle.most[h]).toArray();
            LinearRelaxation now = LinearRelaxation.of(left, puzzle.cells, most, effortLeft);
            effortLeft -= now.effort();
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
                .filter(h -> !done[h] && puzzle.most[h] == pattern.width() && puzzle.fits(pattern.runs(), h))
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
        Optional<Filling> found =
                Completion.decide(puzzle.rest(left, rest), FEW_STEPS).filling();
        found.ifPresent(f -> IntStream.range(0, rest.length)
                .forEach(n -> fill(
                        rest[n],
                        f.byBin().get(n).get(0).stream()
                                .mapToInt(Integer::intValue)
                                .toArray())));
        return found.isPresent();
    }
}
