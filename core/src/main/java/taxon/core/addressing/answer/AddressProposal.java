package taxon.core.addressing.answer;

import java.util.List;
import java.util.Optional;
import taxon.core.dmx.StartAddress;
import taxon.core.proof.Price;
import taxon.core.proof.Standing;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Proposed;

/**
 * A computed change of addresses, before it is applied. Applying it takes no address away and moves nothing that is locked.
 *
 * @param edit does all of it as one step of undo
 * @param moves blocks whose address changes, in the order of the request
 * @param stays blocks that were asked for and keep their address
 * @param leftOut fixtures that were asked for and find no place; they keep what they have
 * @param certain true when no plan for this wish places more of them than are placed
 * @param breaks why each further universe is begun, ascending
 * @param modesToSet fixtures that stay where they are while the unit was last set to another mode
 */
public record AddressProposal(
        String title,
        Edit edit,
        List<Move> moves,
        List<PlannedBlock> stays,
        List<LeftOut> leftOut,
        boolean certain,
        List<Break> breaks,
        List<Fixture> modesToSet,
        Price price,
        Totals totals,
        Optimum optimum)
        implements Proposed {
    @Override
    public int staying() {
        return stays.size();
    }

    @Override
    public List<LeftOut> omissions() {
        return leftOut;
    }

    public AddressProposal {
        moves = List.copyOf(moves);
        stays = List.copyOf(stays);
        leftOut = List.copyOf(leftOut);
        breaks = List.copyOf(breaks);
        modesToSet = List.copyOf(modesToSet);
    }

    /** @param standing before the move */
    public record Move(
            PlannedBlock block, Optional<StartAddress> before, StartAddress after, Standing standing, Reason reason) {
        public BlockRef ref() {
            return block.ref();
        }

        /** True when someone set this address on the real unit, which must then be set again. */
        public boolean touchesUnit() {
            return standing.isSet();
        }
    }

    /**
     * What the rig takes when the proposal is applied.
     *
     * @param universes that hold a fixture
     * @param slots that fixtures take; where two share a slot it counts once
     * @param free slots left on those universes, reserved ones not counted
     */
    public record Totals(int universes, int slots, int free) {}
}
