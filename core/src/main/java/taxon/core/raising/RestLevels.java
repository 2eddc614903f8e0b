package taxon.core.raising;

import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Channel;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Traits.Parked;
import taxon.core.visible.Visibility;

/**
 * What a universe is sent of which nothing is raised and that nobody else sends: each unit at rest and dark, what can hurt people at 0,
 * parked slots at their value, and 0 where nobody listens.
 */
public final class RestLevels {
    private final Plan plan;
    private final byte[] levels = new byte[Slot.LAST];

    private RestLevels(Plan plan) {
        this.plan = plan;
    }

    /** 512 levels. */
    public static byte[] of(Plan plan, UniverseNumber universe) {
        RestLevels rest = new RestLevels(plan);
        plan.blocks().stream()
                .filter(b ->
                        b.start().filter(s -> s.universe().equals(universe)).isPresent())
                .forEach(rest::put);
        rest.park(universe);
        return rest.levels;
    }

    private void put(PlannedBlock block) {
        if (block.isHazard()) {
            return;
        }
        StartAddress start = block.start().orElseThrow();
        for (Channel channel : block.block().channels()) {
            if (!channel.isVirtual() && !Visibility.givesLight(channel)) {
                for (int i = 0; i < channel.bytes(); i++) {
                    put(start.slot().number() + channel.offsets().get(i) - 1, channel.restByte(i));
                }
            }
        }
    }

    private void park(UniverseNumber universe) {
        for (PlannedBlock block : plan.blocks()) {
            block.start().filter(s -> s.universe().equals(universe)).ifPresent(s -> {
                for (Parked parked : block.fixture().traits().parked()) {
                    if (parked.block() == block.ref().block()) {
                        put(s.slot().number() + parked.offset() - 1, parked.value());
                    }
                }
            });
        }
    }

    private void put(int slot, int level) {
        if (Slot.isLegal(slot)) {
            levels[slot - 1] = (byte) level;
        }
    }
}
