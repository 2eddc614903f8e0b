package taxon.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Share;
import taxon.core.rig.edit.AddressEdits;

/** Shares on purpose that have come apart. */
final class ShareRules {
    private final Plan plan;

    ShareRules(Plan plan) {
        this.plan = plan;
    }

    /** One for each share whose blocks do not all have one address; one that nobody has addressed yet is not apart. */
    List<Finding> broken() {
        List<Finding> found = new ArrayList<>();
        for (Share share : plan.shares()) {
            List<PlannedBlock> blocks =
                    share.blocks().stream().flatMap(b -> plan.block(b).stream()).toList();
            long places = blocks.stream().map(PlannedBlock::start).distinct().count();
            if (places > 1) {
                found.add(broken(share, blocks));
            }
        }
        return found;
    }

    private Finding broken(Share share, List<PlannedBlock> blocks) {
        StartAddress first =
                blocks.stream().flatMap(b -> b.start().stream()).findFirst().orElseThrow();
        TreeMap<BlockRef, Optional<StartAddress>> together = new TreeMap<>();
        blocks.forEach(b -> together.put(b.ref(), Optional.of(first)));
        String title = blocks.size() + " blocks to " + first;
        return new Finding(
                Rule.SHARE_BROKEN,
                Rule.SHARE_BROKEN.slug() + ":" + share.number(),
                blocks.stream().map(b -> b.fixture().key()).distinct().toList(),
                new Grounds.ShareBroken(blocks, share.why()),
                Optional.of(new Remedy.Apply("Put all at " + first, AddressEdits.put(title, together))));
    }
}
