package taxon.core.proof;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.proof.FoundUnit.FoundBlock;
import taxon.core.proof.RigComparison.Difference;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.text.Likeness;

/** In which ways a unit is not what its fixture is planned to be. */
final class UnitDifferences {
    private UnitDifferences() {}

    static Set<Difference> of(Plan plan, Fixture fixture, FoundUnit unit) {
        Set<Difference> differences = EnumSet.noneOf(Difference.class);
        if (unit.model().isBlank()) {
            differences.add(Difference.TYPE_UNKNOWN);
        } else if (!isOfType(plan.type(fixture), unit)) {
            differences.add(Difference.TYPE);
        }
        if (fixture.addresses().values().stream().anyMatch(a -> !a.universe().equals(unit.universe()))) {
            differences.add(Difference.UNIVERSE);
        }
        if (plan.mode(fixture).filter(m -> unit.isIn(plan.type(fixture), m)).isEmpty()) {
            differences.add(Difference.MODE);
        }
        if (!isAsLong(plan.blocksOf(fixture), unit.blocks())) {
            differences.add(Difference.LENGTH);
        }
        if (!isAtItsSlots(fixture, unit)) {
            differences.add(Difference.ADDRESS);
        }
        return differences;
    }

    /** True when the unit calls itself what the type is called. */
    static boolean isOfType(FixtureType type, FoundUnit unit) {
        return typeKey(unit).equals(Likeness.key(type.fullName()));
    }

    static String typeKey(FoundUnit unit) {
        return Likeness.key(unit.maker() + " " + unit.model());
    }

    /** Block by block, in their order. */
    private static boolean isAsLong(List<PlannedBlock> planned, List<FoundBlock> found) {
        return planned.stream()
                .map(b -> b.block().footprint())
                .toList()
                .equals(found.stream().map(FoundBlock::footprint).toList());
    }

    /** Blocks that only one side has are its length's fault, not the address's. */
    private static boolean isAtItsSlots(Fixture fixture, FoundUnit unit) {
        for (int block = 1; block <= unit.blocks().size(); block++) {
            Optional<StartAddress> planned = fixture.address(block);
            if (planned.isPresent()
                    && !planned.get().slot().equals(unit.blocks().get(block - 1).start())) {
                return false;
            }
        }
        return true;
    }
}
