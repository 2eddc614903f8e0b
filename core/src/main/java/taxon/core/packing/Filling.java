package taxon.core.packing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * How many runs of each kind go into each hole.
 *
 * @param byBin for each bin and each of its holes, how many runs of each kind
 * @param left how many runs of each kind found no place
 */
public record Filling(List<List<List<Integer>>> byBin, List<Integer> left) {
    public Filling {
        byBin = byBin.stream().map(b -> b.stream().map(List::copyOf).toList()).toList();
        left = List.copyOf(left);
    }

    static Filling of(PackingProblem problem, int[][] fills, int[] left) {
        List<List<List<Integer>>> byBin = new ArrayList<>();
        problem.bins.forEach(b -> byBin.add(new ArrayList<>()));
        for (int h = 0; h < fills.length; h++) {
            byBin.get(problem.binOf[h]).add(Arrays.stream(fills[h]).boxed().toList());
        }
        return new Filling(byBin, Arrays.stream(left).boxed().toList());
    }

    /** True when every run found a place. */
    public boolean isWhole() {
        return left.stream().allMatch(n -> n == 0);
    }

    /** How many bins from this one on hold anything. */
    public int usedFrom(int bin) {
        return (int) byBin.subList(bin, byBin.size()).stream()
                .filter(b -> b.stream().flatMap(List::stream).anyMatch(n -> n > 0))
                .count();
    }
}
