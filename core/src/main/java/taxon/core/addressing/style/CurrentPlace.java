package taxon.core.addressing.style;

import java.util.List;
import java.util.Optional;
import taxon.core.addressing.answer.AddressProposal.Price;
import taxon.core.addressing.answer.AddressProposal.Trouble;
import taxon.core.addressing.request.BlockRun;
import taxon.core.rig.Fixture;

/**
 * A fixture where it sits now: it stays as a whole, or it is moved and that costs.
 *
 * @param weight what moving costs, in points
 * @param spots what its runs take now, with the room that is kept
 * @param trouble why it cannot stay, whatever the others that are asked for do
 */
record CurrentPlace(int index, Fixture fixture, int weight, List<Spot> spots, Optional<Trouble> trouble) {
    CurrentPlace {
        spots = List.copyOf(spots);
    }

    /**
     * Slots that a run takes now, or that one block takes of a run whose blocks do not follow each other.
     *
     * @param last may lie above 512 for one that cannot stay
     */
    record Spot(BlockRun run, int universe, int first, int last, int load) {}

    /** True for one spot that shares with nobody: it meets others on one universe only, and only as an interval. */
    boolean isPlain() {
        return spots.size() == 1 && !spots.get(0).run().shares();
    }

    static int weight(boolean set) {
        return set ? Price.SET : Price.PLANNED;
    }

    /** True when both cannot stay. */
    boolean meets(CurrentPlace other, int gap) {
        for (Spot mine : spots) {
            for (Spot others : other.spots) {
                if (meet(mine, others, gap)) {
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean meet(Spot one, Spot two, int gap) {
        if (one.run().index() == two.run().index() && one.run().shares()) {
            return one.universe() != two.universe() || one.first() != two.first();
        }
        if (one.universe() != two.universe()) {
            return false;
        }
        return !one.run().company().equals(two.run().company())
                || (one.first() <= two.last() + gap && two.first() <= one.last() + gap);
    }
}
