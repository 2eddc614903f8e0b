package taxon.app.addresses.tapes;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import taxon.app.form.Selection;
import taxon.core.addressing.Shift;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Universe;

/** Where what is chosen may begin, with its distances kept: the first of its blocks stands for it. */
public final class LegalStarts {
    private static final int MOST = 200;

    private LegalStarts() {}

    /** By universe; empty when nothing is chosen that has an address, or so much that nobody would move it by hand. */
    public static Map<UniverseNumber, List<SlotRange>> of(Plan plan, Selection selection) {
        List<PlannedBlock> blocks = Shift.blocks(plan, selection.keys());
        Optional<PlannedBlock> held = blocks.stream()
                .min((a, b) -> a.start().orElseThrow().compareTo(b.start().orElseThrow()));
        return held.filter(h -> blocks.size() <= MOST)
                .map(h -> Fits.without(plan, selection.keys()).together(blocks, h, universes(plan)))
                .orElse(Map.of());
    }

    /** The universes of the job, and one more to begin. */
    public static List<UniverseNumber> universes(Plan plan) {
        List<UniverseNumber> all =
                new ArrayList<>(plan.universes().stream().map(Universe::number).toList());
        int next =
                all.isEmpty() ? UniverseNumber.FIRST : all.get(all.size() - 1).number() + 1;
        if (UniverseNumber.isLegal(next)) {
            all.add(UniverseNumber.of(next));
        }
        return all;
    }
}
