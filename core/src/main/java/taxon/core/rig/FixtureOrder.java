package taxon.core.rig;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;

/** The order of fixtures: by fixture ID, those without one last, then by key. */
final class FixtureOrder {
    private FixtureOrder() {}

    /** @param byKey in the order of their keys, so that the place in the list stands for the key */
    static List<Fixture> sorted(List<Fixture> byKey) {
        long[] keys = new long[byKey.size()];
        for (int i = 0; i < keys.length; i++) {
            long id = byKey.get(i).id().map(FixtureId::number).orElse(Integer.MAX_VALUE);
            keys[i] = id << Integer.SIZE | i;
        }
        Arrays.sort(keys);
        List<Fixture> sorted = new ArrayList<>(keys.length);
        for (long key : keys) {
            sorted.add(byKey.get((int) key));
        }
        return Collections.unmodifiableList(sorted);
    }
}
