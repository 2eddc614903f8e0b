package taxon.core.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.UUID;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Block;
import taxon.core.fixture.Mode;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/** A plan as rows to be held against others. */
public final class PlanPatch {
    private PlanPatch() {}

    /** A row for each fixture, in the order of the plan. */
    public static List<PatchRow> of(Plan plan) {
        List<PatchRow> rows = new ArrayList<>();
        for (Fixture fixture : plan.fixtures()) {
            rows.add(row(plan, fixture, rows.size()));
        }
        return rows;
    }

    /** Slots of all blocks of a mode. */
    static int footprint(Mode mode) {
        return mode.blocks().stream().mapToInt(Block::footprint).sum();
    }

    private static PatchRow row(Plan plan, Fixture fixture, int place) {
        List<StartAddress> starts = List.copyOf(fixture.addresses().values());
        OptionalInt footprint =
                plan.mode(fixture).stream().mapToInt(PlanPatch::footprint).findFirst();
        return new PatchRow(
                place,
                fixture.id().map(i -> OptionalInt.of(i.number())).orElse(OptionalInt.empty()),
                fixture.uuid().map(UUID::toString),
                fixture.name(),
                plan.type(fixture).fullName(),
                fixture.mode(),
                footprint,
                starts);
    }
}
