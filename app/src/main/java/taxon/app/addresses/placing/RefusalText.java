package taxon.app.addresses.placing;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.addressing.Shift;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.text.Counted;

/** Why something cannot be put where someone wants it. */
public final class RefusalText {
    private static final int TOLD = 3;

    private RefusalText() {}

    /** Who is in the way, or what else is against it, and where the first free place is. */
    public static String notFree(Plan plan, Collection<FixtureKey> keys, PlannedBlock held, StartAddress to) {
        int last = to.slot().number() + held.footprint() - 1;
        if (last > 512) {
            return held.label() + " needs " + Counted.of(held.footprint(), "slot") + " from " + to
                    + "; the universe ends at 512." + next(plan, keys, held, to);
        }
        List<BlockRef> mine =
                Shift.blocks(plan, keys).stream().map(PlannedBlock::ref).toList();
        String run = to + " to " + to.universe() + "." + String.format(Locale.ROOT, "%03d", last);
        String inTheWay = Fits.of(plan).inTheWay(to, held.footprint(), mine).stream()
                .limit(TOLD)
                .map(b -> b.label() + " takes " + b.start().orElseThrow() + " to "
                        + b.slots().orElseThrow().last())
                .collect(Collectors.joining(", "));
        String reserved = plan.reservedRuns().stream()
                .filter(r -> r.universe().equals(to.universe())
                        && r.slots().overlaps(new SlotRange(to.slot().number(), last)))
                .map(r -> r.slots().first() + " to " + r.slots().last() + " is reserved for " + r.label())
                .findFirst()
                .orElse("");
        String why = !inTheWay.isEmpty() ? inTheWay : !reserved.isEmpty() ? reserved : against(plan);
        String all = keys.size() > 1 ? " for all that is chosen" : "";
        return run + " is not free" + all + ": " + why + "." + next(plan, keys, held, to);
    }

    /** Without a wish only what can hurt people is kept apart. */
    private static String against(Plan plan) {
        return plan.wish().isPresent()
                ? "the wish in force is against it"
                : "what can hurt people is kept on universes of its own";
    }

    private static String next(Plan plan, Collection<FixtureKey> keys, PlannedBlock held, StartAddress to) {
        Optional<StartAddress> next = Fits.without(plan, keys).next(to, held.footprint());
        return keys.size() > 1
                ? ""
                : next.map(a -> " The next free place is " + a + ".").orElse("");
    }
}
