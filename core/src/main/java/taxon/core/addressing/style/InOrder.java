package taxon.core.addressing.style;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import taxon.core.addressing.answer.AddressProposal.Proof;
import taxon.core.addressing.request.BlockRun;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;

/**
 * Places runs one after the other, each at the first free place after the one before; another company begins on a universe
 * that is open to it. Addresses ascend. Time: linear in the runs and the universes walked through.
 */
public final class InOrder {
    private final ResolvedRequest asked;
    private final JobSpace ground;
    private final Map<Integer, StartAddress> starts = new HashMap<>();
    private int universe;
    private int slot;

    private InOrder(ResolvedRequest asked, JobSpace ground) {
        this.asked = asked;
        this.ground = ground;
        universe = asked.wish().from().universe().number();
        slot = asked.wish().from().slot().number();
    }

    public static Layout lay(ResolvedRequest asked, JobSpace ground) {
        InOrder style = new InOrder(asked, ground);
        asked.runs().forEach(style::place);
        return Layout.of(asked.runs(), style.starts, new Proof.None());
    }

    private void place(BlockRun run) {
        Optional<StartAddress> start = Optional.ofNullable(asked.forced().get(run.index()));
        if (start.isPresent()) {
            starts.put(run.index(), start.get());
            return;
        }
        firstFit(run).ifPresent(a -> {
            ground.take(a, run);
            starts.put(run.index(), a);
            universe = a.universe().number();
            slot = a.slot().number() + ground.grain().pace(run.length());
        });
    }

    /** Ends, since an empty universe takes any run that is not too long, and none is in use above the highest. */
    private Optional<StartAddress> firstFit(BlockRun run) {
        if (run.length() > ground.lastSlot()) {
            return Optional.empty();
        }
        int from = slot;
        Optional<Integer> at = ground.allowedFrom(universe);
        while (at.isPresent()) {
            Optional<StartAddress> found = ground.firstFitOn(at.get(), at.get() == universe ? from : Slot.FIRST, run);
            if (found.isPresent()) {
                return found;
            }
            at = ground.allowedFrom(at.get() + 1);
        }
        return Optional.empty();
    }
}
