package taxon.core.modes;

import java.util.List;
import java.util.Optional;
import taxon.core.addressing.answer.LeftOut;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.proof.Price;
import taxon.core.rig.Fixture;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Proposed;

/**
 * A computed change of types and modes, before it is applied.
 *
 * @param edit does all of it as one step of undo
 * @param changed the fixtures that get another type or mode
 * @param clashes what would run into what if every start were kept, in the order of the addresses
 * @param moves blocks whose address changes
 * @param price with every unit that was set and must be set again, be it for its mode or its address
 * @param otherStyles what the other ways would cost
 */
public record ChangeProposal(
        String title,
        Edit edit,
        ChangeRequest request,
        List<Changed> changed,
        List<Clash> clashes,
        List<Move> moves,
        List<LeftOut> leftOut,
        Price price,
        List<StylePrice> otherStyles)
        implements Proposed {
    @Override
    public int staying() {
        return (int) request.switches().stream()
                        .mapToLong(s -> s.fixtures().size())
                        .sum()
                - changed.size();
    }

    @Override
    public List<LeftOut> omissions() {
        return leftOut;
    }

    /**
     * @param before empty where the old mode is not one of its type
     * @param touches true when someone set the unit, which must be set again
     */
    public record Changed(
            Fixture fixture,
            String typeBefore,
            String modeBefore,
            Optional<Integer> before,
            String typeAfter,
            String modeAfter,
            int after,
            boolean touches) {}

    /**
     * Two blocks that would share slots, or one that would run past the end.
     *
     * @param with empty for a block that runs past slot 512
     * @param slots shared; for a block past the end those that it has on the universe
     */
    public record Clash(PlannedBlock block, Optional<PlannedBlock> with, UniverseNumber universe, SlotRange slots) {}

    /** @param before empty for a block that the old mode did not have */
    public record Move(PlannedBlock block, Optional<StartAddress> before, StartAddress after, boolean touches) {}

    /**
     * What a way costs.
     *
     * @param overlaps pairs of blocks that would share slots, and blocks that would run past the end
     * @param slots of the changed fixtures
     * @param universes that fixtures would stand on
     */
    public record StylePrice(
            ChangeRequest.Style style, int moved, int touched, int overlaps, int slots, int universes) {}

    public ChangeProposal {
        changed = List.copyOf(changed);
        clashes = List.copyOf(clashes);
        moves = List.copyOf(moves);
        leftOut = List.copyOf(leftOut);
        otherStyles = List.copyOf(otherStyles);
    }

    public List<Fixture> fixtures() {
        return changed.stream().map(Changed::fixture).toList();
    }
}
