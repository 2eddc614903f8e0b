package taxon.core.rig;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Which blocks of a plan have one address on purpose, by block. */
public final class Shares {
    private final Map<BlockRef, Share> byBlock = new HashMap<>();

    private Shares(Plan plan) {
        plan.shares().forEach(s -> s.blocks().forEach(b -> byBlock.put(b, s)));
    }

    public static Shares of(Plan plan) {
        return new Shares(plan);
    }

    /** The share that a block is in. */
    public Optional<Share> of(BlockRef block) {
        return Optional.ofNullable(byBlock.get(block));
    }

    /** True when nothing of the plan shares an address on purpose. */
    public boolean isEmpty() {
        return byBlock.isEmpty();
    }

    /** True when two blocks are in one share and have one address: that they take the same slots is meant. */
    public boolean isMeant(PlannedBlock one, PlannedBlock other) {
        Share share = byBlock.get(one.ref());
        return share != null
                && share.equals(byBlock.get(other.ref()))
                && one.start().equals(other.start());
    }

    /** Takes blocks of fixtures that are gone out of their shares; a share of one block alone is none. */
    static void tidy(Map<ElementKey, Element> elements) {
        for (Share share : elements.values().stream()
                .filter(Share.class::isInstance)
                .map(Share.class::cast)
                .toList()) {
            SortedSet<BlockRef> left = share.blocks().stream()
                    .filter(b -> elements.containsKey(Fixture.keyOf(b.fixture())))
                    .collect(Collectors.toCollection(TreeSet::new));
            if (left.size() < 2) {
                elements.remove(share.elementKey());
            } else if (left.size() < share.blocks().size()) {
                elements.put(share.elementKey(), new Share(share.number(), left, share.why()));
            }
        }
    }
}
