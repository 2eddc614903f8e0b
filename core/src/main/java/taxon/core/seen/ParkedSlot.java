package taxon.core.seen;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits;

/**
 * A slot that holds a value by the plan.
 *
 * @param unit the label of the fixture that listens there
 * @param value 0 to 255
 */
public record ParkedSlot(String unit, StartAddress slot, int value) {
    /** Those of a plan by their universe; what has no address, or lies past slot 512, is none. */
    public static Map<UniverseNumber, List<ParkedSlot>> of(Plan plan) {
        Map<UniverseNumber, List<ParkedSlot>> all = new HashMap<>();
        for (Fixture fixture : plan.fixtures()) {
            for (Traits.Parked parked : fixture.traits().parked()) {
                fixture.address(parked.block())
                        .filter(a -> Slot.isLegal(a.slot().number() + parked.offset() - 1))
                        .ifPresent(a -> all.computeIfAbsent(a.universe(), u -> new ArrayList<>())
                                .add(new ParkedSlot(
                                        fixture.label(),
                                        StartAddress.of(
                                                a.universe().number(), a.slot().number() + parked.offset() - 1),
                                        parked.value())));
            }
        }
        return all;
    }
}
