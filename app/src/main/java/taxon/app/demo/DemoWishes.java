package taxon.app.demo;

import java.util.List;
import java.util.stream.IntStream;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Headroom;
import taxon.core.rig.LockEdits;
import taxon.core.rig.Plan;
import taxon.core.rig.ShareEdits;
import taxon.core.rig.Spacing;
import taxon.core.rig.Spacing.Starts;
import taxon.core.rig.Wish;
import taxon.core.rig.Wish.Split;
import taxon.core.rig.Wish.Style;
import taxon.core.rig.WishEdits;

/** How the demo's rig is to be addressed: a wish in force, one kept, what is locked and what shares an address. */
final class DemoWishes {
    private static final int ROOM_AT_END = 8;

    private DemoWishes() {}

    static Plan wish(Plan placed) {
        Wish dock = Wish.USUAL.withSplit(Split.NONE, true).withHeadroom(Headroom.ofSlots(ROOM_AT_END));
        Wish touring = dock.withStyle(Style.FEWEST_UNIVERSES)
                .withSplit(Split.POSITION, true)
                .withSpacing(new Spacing(0, Starts.ROUND, 10, false));
        Plan plan = DemoJob.apply(placed, WishEdits.enforce(dock.as(Wish.IN_FORCE, "dry dock")));
        plan = DemoJob.apply(plan, WishEdits.keep(touring, "touring default"));
        plan = DemoJob.apply(plan, LockEdits.lock(fixtures(plan, 1, 4), true));
        return DemoJob.apply(plan, ShareEdits.share(blocks(plan, 909, 910), "both behind the pump house door"));
    }

    private static List<FixtureKey> fixtures(Plan plan, int first, int last) {
        return IntStream.rangeClosed(first, last)
                .mapToObj(id -> DemoJob.fixture(plan, id).key())
                .toList();
    }

    private static List<BlockRef> blocks(Plan plan, int first, int last) {
        return fixtures(plan, first, last).stream().map(k -> new BlockRef(k, 1)).toList();
    }
}
