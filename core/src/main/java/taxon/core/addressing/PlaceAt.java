package taxon.core.addressing;

import java.util.Optional;
import java.util.Set;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.edit.AddressEdits;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;

/** Gives what has no address yet one where someone points at, under the wish in force. */
public final class PlaceAt {
    private PlaceAt() {}

    /** Places several one after the other, from there on. */
    public static PlacementRequest from(Plan plan, Set<FixtureKey> keys, StartAddress to) {
        Wish wish = plan.wish().orElse(Wish.USUAL);
        return new PlacementRequest(
                Scope.CHOSEN, keys, wish.withStyle(Style.IN_ORDER).within(to, wish.universes()));
    }

    /**
     * Puts a block exactly there, and the other blocks of its fixture, where none has an address, where the wish lays them.
     *
     * @param block one without an address
     * @return empty where it does not fit there
     */
    public static Optional<Edit> exactly(Plan plan, PlannedBlock block, StartAddress to) {
        FixtureKey key = block.fixture().key();
        if (!block.fixture().addresses().isEmpty()) {
            boolean fits = Fits.of(plan).starts(to.universe(), block.footprint()).stream()
                    .anyMatch(r -> r.contains(to.slot().number()));
            return fits ? Optional.of(AddressEdits.move(block.ref(), to, block.label())) : Optional.empty();
        }
        Edit placed = Planner.propose(plan, from(plan, Set.of(key), to)).edit();
        boolean isThere = placed.applyTo(plan) instanceof Edit.Changed changed
                && changed.plan()
                        .block(block.ref())
                        .flatMap(PlannedBlock::start)
                        .equals(Optional.of(to));
        return isThere ? Optional.of(placed) : Optional.empty();
    }
}
