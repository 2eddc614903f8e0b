package taxon.core.finding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import taxon.core.finding.SlotIndex.Seat;
import taxon.core.rig.FixtureKey;

/** Which of a row are out of step: as few as can be, by the longest ascending run (patience sorting). Time: n log n. */
final class Ascending {
    private Ascending() {}

    /** True when the IDs of all that have one ascend with the slots: then nobody is out of step, whatever the row. */
    static boolean isSo(List<Seat> seats) {
        int last = 0;
        for (Seat seat : seats) {
            int id = seat.block().fixture().id().map(i -> i.number()).orElse(last);
            if (id < last) {
                return false;
            }
            last = id;
        }
        return true;
    }

    /** Those whose IDs do not ascend with the slots; the seats are in the order of their slots, each with an ID. */
    static List<FixtureKey> outside(List<Seat> row) {
        List<Integer> tails = new ArrayList<>();
        int[] before = new int[row.size()];
        for (int i = 0; i < row.size(); i++) {
            int at = firstNotBelow(row, tails, id(row.get(i)));
            before[i] = at == 0 ? -1 : tails.get(at - 1);
            if (at == tails.size()) {
                tails.add(i);
            } else {
                tails.set(at, i);
            }
        }
        boolean[] inside = new boolean[row.size()];
        for (int i = tails.isEmpty() ? -1 : tails.get(tails.size() - 1); i >= 0; i = before[i]) {
            inside[i] = true;
        }
        List<FixtureKey> out = new ArrayList<>();
        for (int i = 0; i < row.size(); i++) {
            if (!inside[i]) {
                out.add(row.get(i).block().fixture().key());
            }
        }
        out.sort(Comparator.naturalOrder());
        return out;
    }

    private static int firstNotBelow(List<Seat> row, List<Integer> tails, int id) {
        int low = 0;
        int high = tails.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (id(row.get(tails.get(middle))) <= id) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    private static int id(Seat seat) {
        return seat.block().fixture().id().orElseThrow().number();
    }
}
