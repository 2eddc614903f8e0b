package taxon.core.packing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Lots and bins in numbers that a search can count with. Sizes are in steps of the grain: a run takes {@code cells} steps
 * when another follows, and a hole takes {@code cap} steps when a run of that lot is the last in it. So runs fit a hole when
 * their cells together are at most the greatest cap among them.
 */
final class PackingProblem {
    final List<ItemKind> lots;
    final List<Bin> bins;
    final Grain grain;
    final int[] cells;
    final int[] binOf;
    final int[][] cap;
    final int[] most;

    /** @param lots longest first */
    PackingProblem(Grain grain, List<ItemKind> lots, List<Bin> bins) {
        this.grain = grain;
        this.lots = List.copyOf(lots);
        this.bins = List.copyOf(bins);
        cells = lots.stream().mapToInt(l -> grain.cells(l.length())).toArray();
        List<int[]> caps = new ArrayList<>();
        List<Integer> owners = new ArrayList<>();
        for (int b = 0; b < bins.size(); b++) {
            for (Hole hole : bins.get(b).holes()) {
                caps.add(caps(hole));
                owners.add(b);
            }
        }
        cap = caps.toArray(int[][]::new);
        binOf = owners.stream().mapToInt(Integer::intValue).toArray();
        most = new int[cap.length];
        for (int h = 0; h < cap.length; h++) {
            most[h] = Arrays.stream(cap[h]).max().orElse(0);
        }
    }

    private int[] caps(Hole hole) {
        int[] caps = new int[lots.size()];
        for (int i = 0; i < caps.length; i++) {
            int rest = hole.length() - lots.get(i).length();
            caps[i] = rest < 0 ? 0 : cells[i] + rest / grain.step();
        }
        return caps;
    }

    int holes() {
        return cap.length;
    }

    /** True when no run puts a load on a line that takes only so much. */
    boolean isWithoutLoads() {
        return lots.stream().allMatch(l -> l.load() == 0) || bins.stream().allMatch(b -> b.load() == Bin.ANY_LOAD);
    }

    /** True when so many runs of each lot fit a hole, loads aside. */
    boolean fits(int[] runs, int hole) {
        int sum = 0;
        int room = 0;
        for (int i = 0; i < runs.length; i++) {
            if (runs[i] > 0) {
                if (cap[hole][i] == 0) {
                    return false;
                }
                sum += runs[i] * cells[i];
                room = Math.max(room, cap[hole][i]);
            }
        }
        return sum <= room;
    }

    /** What is left of this puzzle: some of its holes, each a bin of its own without a load. */
    PackingProblem rest(int[] left, int[] holesLeft) {
        List<ItemKind> lotsLeft = IntStream.range(0, left.length)
                .mapToObj(i -> new ItemKind(lots.get(i).length(), 0, left[i]))
                .toList();
        List<Hole> all = bins.stream().flatMap(b -> b.holes().stream()).toList();
        return new PackingProblem(
                grain,
                lotsLeft,
                Arrays.stream(holesLeft)
                        .mapToObj(h -> new Bin(List.of(all.get(h)), Bin.ANY_LOAD))
                        .toList());
    }

    int[] counts() {
        return lots.stream().mapToInt(ItemKind::count).toArray();
    }
}
