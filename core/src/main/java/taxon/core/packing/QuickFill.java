package taxon.core.packing;

import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;

/** Two quick ways of packing. Neither proves anything. */
final class QuickFill {
    private final PackingProblem problem;
    private final int[] left;
    private final int[] load;
    private final int[][] fills;
    /** The slot from which on the next hole of a bin may be used. */
    private final int[] reach;

    private QuickFill(PackingProblem problem) {
        this.problem = problem;
        left = problem.counts();
        load = problem.bins.stream().mapToInt(Bin::load).toArray();
        fills = new int[problem.holes()][problem.kinds.size()];
        reach = new int[problem.bins.size()];
    }

    /**
     * Longest first, each into the tightest hole among those begun or given for nothing; the next bin is begun when none of
     * them takes it. Time: n log n. Holes that push others are cut short.
     *
     * @param given how many of the first bins may be used from the outset
     */
    static Filling bestFit(PackingProblem problem, int given) {
        QuickFill fill = new QuickFill(problem.isApart() ? problem : problem.apart());
        fill.bestFit(given);
        return Filling.of(problem, fill.fills, fill.left);
    }

    private void bestFit(int given) {
        Rooms rooms = new Rooms(given);
        for (int kind = 0; kind < left.length; kind++) {
            while (left[kind] > 0) {
                int hole = rooms.tightest(kind);
                if (hole < 0) {
                    break;
                }
                rooms.place(hole, kind);
                left[kind]--;
            }
        }
    }

    /** Where there is room: holes by the slots they have left. */
    private final class Rooms {
        private final TreeMap<Integer, TreeSet<Integer>> byRoom = new TreeMap<>();
        private final int[] room = new int[problem.holes()];
        private int next;

        Rooms(int given) {
            while (next < problem.holes() && problem.binOf[next] < given) {
                open(next++);
            }
        }

        private void open(int hole) {
            room[hole] = problem.length[hole];
            put(hole);
        }

        private void put(int hole) {
            if (room[hole] > 0) {
                byRoom.computeIfAbsent(room[hole], r -> new TreeSet<>()).add(hole);
            }
        }

        /** The tightest hole that takes one of a kind, −1 when none does. */
        int tightest(int kind) {
            int found = tightestOpen(kind);
            while (found < 0 && next < problem.holes()) {
                int bin = problem.binOf[next];
                while (next < problem.holes() && problem.binOf[next] == bin) {
                    open(next++);
                }
                found = tightestOpen(kind);
            }
            return found;
        }

        private int tightestOpen(int kind) {
            for (Map.Entry<Integer, TreeSet<Integer>> same :
                    byRoom.tailMap(problem.kinds.get(kind).length()).entrySet()) {
                for (int hole : same.getValue()) {
                    if (load[problem.binOf[hole]] >= problem.kinds.get(kind).load()) {
                        return hole;
                    }
                }
            }
            return -1;
        }

        void place(int hole, int kind) {
            TreeSet<Integer> same = byRoom.get(room[hole]);
            if (same != null) {
                same.remove(hole);
                if (same.isEmpty()) {
                    byRoom.remove(room[hole]);
                }
            }
            fills[hole][kind]++;
            load[problem.binOf[hole]] -= problem.kinds.get(kind).load();
            room[hole] -= problem.grain.pace(problem.kinds.get(kind).length());
            put(hole);
        }
    }

    /**
     * Hole by hole, each as full as it goes, beginning with the longest run that fits it (after Gupta and Ho: A new heuristic
     * algorithm for the one-dimensional bin-packing problem, 1999, from memory). Time: holes × kinds.
     */
    static Filling fullest(PackingProblem problem) {
        QuickFill fill = new QuickFill(problem);
        for (int hole = 0; hole < problem.holes(); hole++) {
            fill.fullest(hole);
        }
        return Filling.of(problem, fill.fills, fill.left);
    }

    private void fullest(int hole) {
        int bin = problem.binOf[hole];
        int start = Math.max(problem.first[hole], problem.grain.aligned(reach[bin]));
        int[] caps = start == problem.first[hole] ? problem.cap[hole] : problem.capFrom(hole, start);
        int lead = firstThatFits(caps, load[bin]);
        if (lead < 0) {
            return;
        }
        take(hole, lead);
        int room = caps[lead] - problem.steps[lead];
        Sums[] sums = sums(lead, room);
        int wanted = sums[lead].highestUpTo(room);
        for (int kind = lead; kind < left.length && wanted > 0; kind++) {
            int steps = problem.steps[kind];
            // As many of the longer as leave a rest that the shorter reach.
            int most = Math.min(left[kind], wanted / steps);
            while (most > 0 && !reaches(sums, kind + 1, wanted - most * steps)) {
                most--;
            }
            for (int i = 0; i < most && load[bin] >= problem.kinds.get(kind).load(); i++) {
                take(hole, kind);
                wanted -= steps;
            }
        }
        reach[bin] = start + laid(hole) * problem.grain.step();
    }

    /** How many steps the runs of a hole take. */
    private int laid(int hole) {
        int sum = 0;
        for (int kind = 0; kind < left.length; kind++) {
            sum += fills[hole][kind] * problem.steps[kind];
        }
        return sum;
    }

    private Sums[] sums(int lead, int room) {
        Sums[] sums = new Sums[left.length + 1];
        sums[left.length] = Sums.none(room);
        for (int kind = left.length - 1; kind >= lead; kind--) {
            sums[kind] = left[kind] == 0 ? sums[kind + 1] : sums[kind + 1].with(problem.steps[kind], left[kind]);
        }
        return sums;
    }

    private static boolean reaches(Sums[] sums, int kind, int rest) {
        return sums[kind].meets(rest, rest);
    }

    private int firstThatFits(int[] caps, int loadLeft) {
        for (int kind = 0; kind < left.length; kind++) {
            if (left[kind] > 0 && caps[kind] > 0 && problem.kinds.get(kind).load() <= loadLeft) {
                return kind;
            }
        }
        return -1;
    }

    private void take(int hole, int kind) {
        fills[hole][kind]++;
        left[kind]--;
        load[problem.binOf[hole]] -= problem.kinds.get(kind).load();
    }
}
