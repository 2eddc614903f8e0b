package taxon.core.rig;

import java.util.Collection;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/**
 * Which elements of a plan may differ from those of the plans that it was made from, so that a difference costs what was
 * touched and not what there is. After so many touched elements a new line begins.
 */
final class Lineage {
    private static final int MOST_TOUCHED = 512;

    /** Only its identity counts: two plans of one origin came from the same plan. */
    private final Object origin;

    private final Set<ElementKey> touched;

    private Lineage(Object origin, Set<ElementKey> touched) {
        this.origin = origin;
        this.touched = touched;
    }

    static Lineage begun() {
        return new Lineage(new Object(), Set.of());
    }

    /** The line of a plan that was made from this one's by changing these elements. */
    Lineage touching(Collection<ElementKey> keys) {
        if (touched.size() + keys.size() > MOST_TOUCHED) {
            return begun();
        }
        Set<ElementKey> all = new HashSet<>(touched);
        all.addAll(keys);
        return new Lineage(origin, all);
    }

    /** All keys that may differ between plans of two lines; empty when that is not known. */
    Optional<Set<ElementKey>> mayDiffer(Lineage other) {
        if (origin != other.origin) {
            return Optional.empty();
        }
        Set<ElementKey> all = new HashSet<>(touched);
        all.addAll(other.touched);
        return Optional.of(all);
    }
}
