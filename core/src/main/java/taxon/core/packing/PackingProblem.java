package taxon.core.packing;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Kinds of items and bins in numbers that a search can count with. Sizes are in steps of the grain: a run takes {@code steps}
 * when another follows, and a hole takes {@code cap} steps when a run of that kind is the last in it. So runs fit a hole when
 * their steps together are at most the greatest cap among them.
 *
 * <p>Holes of one bin lie behind each other. Where what stands between two of them is narrower than the distance that runs
 * keep, what is put into the first pushes away what is put into the second: {@link #pushes}.
 */
final class PackingProblem {
    final List<ItemKind> kinds;
    final List<Bin> bins;
    final Grain grain;
    final int[] steps;
    final int[] binOf;
    private final List<Hole> holes;
    /** The first slot of each hole. */
    final int[] first;
    /** Slots of each hole; 0 for one that is shut. */
    final int[] length;

    final int[][] cap;
    final int[] most;
    /** True for a hole whose runs may push away those of a later hole of its bin. */
    final boolean[] pushes;

    /** @param kinds longest first */
    PackingProblem(Grain grain, List<ItemKind> kinds, List<Bin> bins) {
        this(grain, kinds, bins, lengths(bins));
    }

    private PackingProblem(Grain grain, List<ItemKind> kinds, List<Bin> bins, int[] length) {
        this.grain = grain;
        this.kinds = List.copyOf(kinds);
        this.bins = List.copyOf(bins);
        this.length = length;
        steps = kinds.stream().mapToInt(k -> grain.steps(k.length())).toArray();
        binOf = IntStream.range(0, bins.size())
                .flatMap(b -> bins.get(b).holes().stream().mapToInt(h -> b))
                .toArray();
        holes = bins.stream().flatMap(b -> b.holes().stream()).toList();
        first = holes.stream().mapToInt(Hole::first).toArray();
        cap = new int[length.length][];
        most = new int[length.length];
        for (int h = 0; h < length.length; h++) {
            cap[h] = capFrom(h, first[h]);
            most[h] = Arrays.stream(cap[h]).max().orElse(0);
        }
        pushes = new boolean[length.length];
        for (int h = 0; h + 1 < length.length; h++) {
            pushes[h] = binOf[h] == binOf[h + 1] && first[h] + most[h] * grain.step() > first[h + 1];
        }
    }

    private static int[] lengths(List<Bin> bins) {
        return bins.stream()
                .flatMap(b -> b.holes().stream())
                .mapToInt(Hole::length)
                .toArray();
    }

    /** The caps of a hole when its first run begins at a slot at or behind its first one. */
    int[] capFrom(int hole, int start) {
        int[] caps = new int[kinds.size()];
        int room = start == first[hole] ? length[hole] : holes.get(hole).lastFrom(start, grain) - start + 1;
        for (int i = 0; i < caps.length; i++) {
            int rest = room - kinds.get(i).length();
            caps[i] = rest < 0 ? 0 : steps[i] + rest / grain.step();
        }
        return caps;
    }

    int holes() {
        return cap.length;
    }

    /** True when no hole pushes another. */
    boolean isApart() {
        return IntStream.range(0, holes()).noneMatch(h -> pushes[h]);
    }

    /** This problem with holes cut so short that none pushes another. What fits it fits this one; not the other way. */
    PackingProblem apart() {
        int[] shorter = length.clone();
        for (int h = 0; h < holes(); h++) {
            if (pushes[h]) {
                int last = grain.lastBefore(first[h], first[h + 1]);
                shorter[h] = Math.max(0, Math.min(shorter[h], last - first[h] + 1));
            }
        }
        return new PackingProblem(grain, kinds, bins, shorter);
    }

    /** True when no run puts a load on a line that takes only so much. */
    boolean isWithoutLoads() {
        return kinds.stream().allMatch(k -> k.load() == 0) || bins.stream().allMatch(b -> b.load() == Bin.ANY_LOAD);
    }

    /** True when so many runs of each kind fit a hole, loads and neighbours aside. */
    boolean fits(int[] runs, int hole) {
        int sum = 0;
        int room = 0;
        for (int i = 0; i < runs.length; i++) {
            if (runs[i] > 0) {
                if (cap[hole][i] == 0) {
                    return false;
                }
                sum += runs[i] * steps[i];
                room = Math.max(room, cap[hole][i]);
            }
        }
        return sum <= room;
    }

    /** What is left of this problem: some of its holes that are not shut, each a bin of its own without a load. */
    PackingProblem rest(int[] left, int[] holesLeft) {
        List<ItemKind> kindsLeft = IntStream.range(0, left.length)
                .mapToObj(i -> new ItemKind(kinds.get(i).length(), 0, left[i]))
                .toList();
        return new PackingProblem(
                grain,
                kindsLeft,
                Arrays.stream(holesLeft)
                        .mapToObj(h -> new Bin(List.of(new Hole(first[h], first[h] + length[h] - 1)), Bin.ANY_LOAD))
                        .toList());
    }

    int[] counts() {
        return kinds.stream().mapToInt(ItemKind::count).toArray();
    }

    /** From which hole on all are alike, each alone in its bin; the number of holes where the last one is not alone. */
    int tail() {
        int from = holes();
        while (from > 0 && isAlike(from - 1, holes() - 1)) {
            from--;
        }
        return from;
    }

    private boolean isAlike(int hole, int other) {
        Bin one = bins.get(binOf[hole]);
        Bin two = bins.get(binOf[other]);
        return one.holes().size() == 1
                && two.holes().size() == 1
                && one.load() == two.load()
                && one.holes().get(0).length() == two.holes().get(0).length();
    }
}
