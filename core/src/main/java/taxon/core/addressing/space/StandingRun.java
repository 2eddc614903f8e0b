package taxon.core.addressing.space;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.request.SharingClasses;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.PlannedBlock;

/**
 * What stands on a universe as one: blocks of a fixture, each of which begins where the one before it ends.
 *
 * @param first its first slot
 * @param length slots, 1 or more
 * @param classes of its blocks, one or more
 * @param load how many fixtures it puts on the line
 */
record StandingRun(int universe, int first, int length, Set<SharingClass> classes, int load) {
    /** @param blocks with an address each; those of a fixture that may stand as one come one after the other */
    static List<StandingRun> of(List<PlannedBlock> blocks, SharingClasses classes) {
        List<StandingRun> runs = new ArrayList<>();
        List<PlannedBlock> together = new ArrayList<>();
        for (PlannedBlock block : blocks) {
            if (!together.isEmpty() && !follows(together.get(together.size() - 1), block)) {
                runs.add(one(together, classes));
                together.clear();
            }
            together.add(block);
        }
        if (!together.isEmpty()) {
            runs.add(one(together, classes));
        }
        return runs;
    }

    private static boolean follows(PlannedBlock before, PlannedBlock block) {
        StartAddress end = before.start().orElseThrow();
        StartAddress start = block.start().orElseThrow();
        return before.fixture().key().equals(block.fixture().key())
                && before.ref().block() + 1 == block.ref().block()
                && end.universe().equals(start.universe())
                && end.slot().number() + before.footprint() == start.slot().number();
    }

    private static StandingRun one(List<PlannedBlock> blocks, SharingClasses classes) {
        StartAddress start = blocks.get(0).start().orElseThrow();
        Set<SharingClass> own = new TreeSet<>();
        int length = 0;
        int load = 0;
        for (PlannedBlock block : blocks) {
            own.add(classes.of(block.fixture(), block.ref().block()));
            length += block.footprint();
            load += Piece.load(block);
        }
        return new StandingRun(start.universe().number(), start.slot().number(), length, own, load);
    }
}
