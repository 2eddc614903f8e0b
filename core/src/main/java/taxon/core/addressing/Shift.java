package taxon.core.addressing;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.space.Fits;
import taxon.core.addressing.style.Laid;
import taxon.core.addressing.style.Layout;
import taxon.core.addressing.style.Task;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.packing.Effort;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Order;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/** Moving chosen blocks by hand: one of them goes to an address, the others keep their distances from it. */
public final class Shift {
    private Shift() {}

    /**
     * Where each block comes to lie; one that would leave its universe, or the universes there are, is not in it.
     *
     * @param held one of the blocks
     */
    public static Map<BlockRef, StartAddress> of(List<PlannedBlock> blocks, PlannedBlock held, StartAddress to) {
        StartAddress from = held.start().orElseThrow();
        int universes = to.universe().number() - from.universe().number();
        int slots = to.slot().number() - from.slot().number();
        Map<BlockRef, StartAddress> moved = new TreeMap<>();
        for (PlannedBlock block : blocks) {
            StartAddress start = block.start().orElseThrow();
            int universe = start.universe().number() + universes;
            int slot = start.slot().number() + slots;
            if (UniverseNumber.isLegal(universe) && Slot.isLegal(slot)) {
                moved.put(block.ref(), StartAddress.of(universe, slot));
            }
        }
        return moved;
    }

    /** True when all blocks of these fixtures fit there beside all others, under the wish in force. */
    public static boolean fits(Plan plan, Collection<FixtureKey> keys, PlannedBlock held, StartAddress to) {
        List<SlotRange> starts = Fits.without(plan, keys)
                .together(blocks(plan, keys), held, List.of(to.universe()))
                .getOrDefault(to.universe(), List.of());
        return starts.stream().anyMatch(r -> r.contains(to.slot().number()));
    }

    /** The blocks of these fixtures that have an address. */
    public static List<PlannedBlock> blocks(Plan plan, Collection<FixtureKey> keys) {
        return keys.stream()
                .flatMap(k -> plan.fixture(k).stream())
                .flatMap(f -> plan.blocksOf(f).stream())
                .filter(b -> b.start().isPresent())
                .toList();
    }

    /** The move as a proposal. Locked fixtures stay. */
    public static AddressProposal propose(Plan plan, Set<FixtureKey> keys, PlannedBlock held, StartAddress to) {
        Wish byHand = Wish.USUAL
                .withStyle(Style.IN_ORDER)
                .withOrder(Order.FIXTURE_ID)
                .withSplit(Split.NONE, false)
                .withBlocks(Blocks.OWN_RUN)
                .within(to, UniverseSet.ALL);
        Task task = Task.of(plan, new PlacementRequest(Scope.CHOSEN, keys, byHand), Set.of(), Effort.of(0));
        List<Piece> pieces = task.request().pieces();
        Map<BlockRef, StartAddress> wanted = of(blocks(plan, keys), held, to);
        Map<Integer, StartAddress> starts = new HashMap<>();
        Map<Integer, Reason> reasons = new HashMap<>();
        for (Piece piece : pieces) {
            Optional.ofNullable(task.request().forced().get(piece.index()))
                    .or(() ->
                            Optional.ofNullable(wanted.get(piece.blocks().get(0).ref())))
                    .ifPresent(a -> starts.put(piece.index(), a));
            reasons.put(piece.index(), new Reason.ByHand());
        }
        return new ProposalMaker(new Laid(task, Layout.byHand(pieces, starts, reasons), List.of(), 0)).make();
    }
}
