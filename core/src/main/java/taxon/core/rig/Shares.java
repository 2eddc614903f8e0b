package taxon.core.rig;

import java.util.Map;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** What becomes of shares when fixtures go. */
final class Shares {
    private Shares() {}

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
