package taxon.app.demo;

import java.util.List;
import java.util.stream.IntStream;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.LockEdits;
import taxon.core.rig.edit.ShareEdits;
import taxon.core.rig.edit.WishEdits;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/** How the demo's rig is to be addressed: a wish in force, one kept, what is locked and what shares an address. */
final class DemoWishes {
    private static final int ROOM_AT_END = 8;

    private DemoWishes() {}

    static Plan wish(Plan placed) {
        Wish dock = Wish.USUAL.withSplit(Split.NONE, true).withHeadroom(Headroom.ofSlots(ROOM_AT_END));
        Wish touring = dock.withStyle(Style.FEWEST_UNIVERSES)
                .withSplit(Split.POSITION, true)
                .withSpacing(new Spacing(0, Starts.ROUND, 10, false));
        Plan plan = DemoJob.apply(placed, WishEdits.enforce("dry dock", dock));
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
