package taxon.core.addressing;

import java.util.Comparator;

/**
 * What may share a universe: only runs of one company do.
 *
 * @param of what the wish splits by, in words; empty where it does not split or nothing is said of the fixture
 * @param hazard true for what the wish keeps apart since it can hurt
 * @param later true for second and later blocks that the wish keeps apart from first ones
 */
public record Company(String of, boolean hazard, boolean later) implements Comparable<Company> {
    private static final Comparator<Company> ORDER =
            Comparator.comparing(Company::of).thenComparing(Company::hazard).thenComparing(Company::later);

    @Override
    public int compareTo(Company other) {
        return ORDER.compare(this, other);
    }
}
