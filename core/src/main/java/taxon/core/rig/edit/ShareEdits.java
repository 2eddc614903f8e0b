package taxon.core.rig.edit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.BlockRef;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.Share;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.edit.Edit.Outcome;

/** Edits of shared addresses. */
public final class ShareEdits {
    private ShareEdits() {}

    /**
     * Lets blocks share an address on purpose. They leave the shares that they were in; all get the address of the first of
     * them that has one, a locked one before all others. Refused when a locked one would have to move.
     */
    public static Edit share(Collection<BlockRef> blocks, String why) {
        List<BlockRef> wanted = List.copyOf(new TreeSet<>(blocks));
        return new Edit(wanted.size() + " blocks share an address", plan -> share(plan, wanted, why));
    }

    private static Outcome share(Plan plan, List<BlockRef> blocks, String why) {
        Optional<BlockRef> missing =
                blocks.stream().filter(b -> plan.block(b).isEmpty()).findFirst();
        if (missing.isPresent() || blocks.size() < 2) {
            return Edit.refuse(new Refusal(
                    "block", missing.map(BlockRef::toString).orElse(""), Fault.NOT_FOUND, "two or more blocks share"));
        }
        Plan apart = apart(plan, blocks);
        Share share = new Share(Math.max(1, apart.nextNumber(Kind.SHARE)), new TreeSet<>(blocks), why);
        Plan together = apart.with(share);
        return blocks.stream()
                .flatMap(b -> plan.block(b).stream())
                .sorted(Comparator.comparing(
                        (PlannedBlock b) -> !b.fixture().traits().locked()))
                .flatMap(b -> b.start().stream())
                .findFirst()
                .map(a -> at(together, blocks, a))
                .orElse(new Changed(together));
    }

    private static Outcome at(Plan plan, List<BlockRef> blocks, StartAddress address) {
        TreeSet<Integer> done = new TreeSet<>();
        List<Fixture> changed = new ArrayList<>();
        for (BlockRef ref : blocks) {
            if (done.add(ref.fixture().number())) {
                Fixture fixture = plan.fixture(ref.fixture()).orElseThrow();
                for (BlockRef other : blocks) {
                    fixture = other.fixture().equals(ref.fixture())
                            ? fixture.withAddress(other.block(), Optional.of(address))
                            : fixture;
                }
                changed.add(fixture);
            }
        }
        return new Changed(plan.with(changed));
    }

    /** Ends the sharing of these blocks; addresses stay, so that what shared an address is a clash from now on. */
    public static Edit part(Collection<BlockRef> blocks) {
        List<BlockRef> wanted = List.copyOf(new TreeSet<>(blocks));
        return new Edit(wanted.size() + " blocks share no more", plan -> new Changed(apart(plan, wanted)));
    }

    private static Plan apart(Plan plan, Collection<BlockRef> blocks) {
        Plan now = plan;
        for (Share share : plan.shares()) {
            TreeSet<BlockRef> left = new TreeSet<>(share.blocks());
            if (left.removeAll(new TreeSet<>(blocks))) {
                now = left.size() < 2
                        ? now.without(List.of(share.elementKey()))
                        : now.with(new Share(share.number(), left, share.why()));
            }
        }
        return now;
    }
}
