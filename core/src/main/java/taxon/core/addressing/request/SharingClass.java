package taxon.core.addressing.request;

import java.util.Comparator;

/**
 * What may share a universe: only pieces of one sharing class do.
 *
 * @param of what the wish splits by, in words; empty where it does not split or nothing is said of the fixture
 * @param hazard true for what the wish keeps apart since it can hurt
 * @param later true for second and later blocks that the wish keeps apart from first ones
 */
public record SharingClass(String of, boolean hazard, boolean later) implements Comparable<SharingClass> {
    private static final Comparator<SharingClass> ORDER = Comparator.comparing(SharingClass::of)
            .thenComparing(SharingClass::hazard)
            .thenComparing(SharingClass::later);

    @Override
    public int compareTo(SharingClass other) {
        return ORDER.compare(this, other);
    }
}
