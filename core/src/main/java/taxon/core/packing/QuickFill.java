package taxon.core.packing;

import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;

/** Two quick ways of packing. Neither proves anything. */
final class QuickFill {
    private final PackingProblem puzzle;
    private final int[] left;
    private final int[] load;
    private final int[][] fills;

    private QuickFill(PackingProblem puzzle) {
        this.puzzle = puzzle;
        left = puzzle.counts();
        load = puzzle.bins.stream().mapToInt(Bin::load).toArray();
        fills = new int[puzzle.holes()][puzzle.lots.size()];
    }

    /**
     * Longest first, each into the tightest hole among those begun or given for nothing; the next bin is begun when none of
     * them takes it. Time: n log n.
     *
     * @param given how many of the first bins may be used from the outset
     */
    static Filling bestFit(PackingProblem puzzle, int given) {
        QuickFill fill = new QuickFill(puzzle);
        fill.bestFit(given);
        return Filling.of(puzzle, fill.fills, fill.left);
    }

    private void bestFit(int given) {
        Rooms rooms = new Rooms(given);
        for (int lot = 0; lot < left.length; lot++) {
            while (left[lot] > 0) {
                int hole = rooms.tightest(lot);
                if (hole < 0) {
                    break;
                }
                rooms.place(hole, lot);
                left[lot]--;
            }
        }
    }

    /** Where there is room: holes by the slots they have left. */
    private final class Rooms {
        private final TreeMap<Integer, TreeSet<Integer>> byRoom = new TreeMap<>();
        private final int[] room = new int[puzzle.holes()];
        private int next;

        Rooms(int given) {
            while (next < puzzle.holes() && puzzle.binOf[next] < given) {
                open(next++);
            }
        }

        private void open(int hole) {
            int first = Arrays.binarySearch(puzzle.binOf, puzzle.binOf[hole]);
            while (first > 0 && puzzle.binOf[first - 1] == puzzle.binOf[hole]) {
                first--;
            }
            room[hole] = puzzle.bins
                    .get(puzzle.binOf[hole])
                    .holes()
                    .get(hole - first)
                    .length();
            put(hole);
        }

        private void put(int hole) {
            if (room[hole] > 0) {
                byRoom.computeIfAbsent(room[hole], r -> new TreeSet<>()).add(hole);
            }
        }

        /** The tightest hole that takes one of a lot, −1 when none does. */
        int tightest(int lot) {
            int found = tightestOpen(lot);
            while (found < 0 && next < puzzle.holes()) {
                int bin = puzzle.binOf[next];
                while (next < puzzle.holes() && puzzle.binOf[next] == bin) {
                    open(next++);
                }
                found = tightestOpen(lot);
            }
            return found;
        }

        private int tightestOpen(int lot) {
            for (Map.Entry<Integer, TreeSet<Integer>> same :
                    byRoom.tailMap(puzzle.lots.get(lot).length()).entrySet()) {
                for (int hole : same.getValue()) {
                    if (load[puzzle.binOf[hole]] >= puzzle.lots.get(lot).load()) {
                        return hole;
                    }
                }
            }
            return -1;
        }

        void place(int hole, int lot) {
            TreeSet<Integer> same = byRoom.get(room[hole]);
            if (same != null) {
                same.remove(hole);
                if (same.isEmpty()) {
                    byRoom.remove(room[hole]);
                }
            }
            fills[hole][lot]++;
            load[puzzle.binOf[hole]] -= puzzle.lots.get(lot).load();
            room[hole] -= puzzle.grain.pace(puzzle.lots.get(lot).length());
            put(hole);
        }
    }

    /**
     * Hole by hole, each as full as it goes, beginning with the longest run that fits it (after Gupta and Ho: A new heuristic
     * algorithm for the one-dimensional bin-packing problem, 1999, from memory). Time: holes × lots.
     */
    static Filling fullest(PackingProblem puzzle) {
        QuickFill fill = new QuickFill(puzzle);
        for (int hole = 0; hole < puzzle.holes(); hole++) {
            fill.fullest(hole);
        }
        return Filling.of(puzzle, fill.fills, fill.left);
    }

    private void fullest(int hole) {
        int bin = puzzle.binOf[hole];
        int lead = firstThatFits(hole, load[bin]);
        if (lead < 0) {
            return;
        }
        take(hole, lead);
        int room = puzzle.cap[hole][lead] - puzzle.cells[lead];
        Sums[] sums = sums(lead, room);
        int wanted = sums[lead].highestUpTo(room);
        for (int lot = lead; lot < left.length && wanted > 0; lot++) {
            int cells = puzzle.cells[lot];
            // As many of the longer as leave a rest that the shorter reach.
            int most = Math.min(left[lot], wanted / cells);
            while (most > 0 && !reaches(sums, lot + 1, wanted - most * cells)) {
                most--;
            }
            for (int i = 0; i < most && load[bin] >= puzzle.lots.get(lot).load(); i++) {
                take(hole, lot);
                wanted -= cells;
            }
        }
    }

    private Sums[] sums(int lead, int room) {
        Sums[] sums = new Sums[left.length + 1];
        sums[left.length] = Sums.none(room);
        for (int lot = left.length - 1; lot >= lead; lot--) {
            sums[lot] = left[lot] == 0 ? sums[lot + 1] : sums[lot + 1].with(puzzle.cells[lot], left[lot]);
        }
        return sums;
    }

    private static boolean reaches(Sums[] sums, int lot, int rest) {
        return sums[lot].meets(rest, rest);
    }

    private int firstThatFits(int hole, int loadLeft) {
        for (int lot = 0; lot < left.length; lot++) {
            if (left[lot] > 0
                    && puzzle.cap[hole][lot] > 0
                    && puzzle.lots.get(lot).load() <= loadLeft) {
                return lot;
            }
        }
        return -1;
    }

    private void take(int hole, int lot) {
        fills[hole][lot]++;
        left[lot]--;
        load[puzzle.binOf[hole]] -= puzzle.lots.get(lot).load();
    }
}
