package taxon.core.grouping;

import java.util.ArrayList;
import java.util.List;
import java.util.SortedSet;
import java.util.TreeSet;
import taxon.core.rig.Fixture;
import taxon.core.text.NumberRuns;

/** Fixture IDs written short: "101–108, 204, no. 17". */
public final class IdRuns {
    private IdRuns() {}

    /** Ascending, runs of three and more drawn together; fixtures without an ID by their key, last. */
    public static String words(List<Fixture> fixtures) {
        SortedSet<Integer> ids = new TreeSet<>();
        fixtures.forEach(f -> f.id().ifPresent(i -> ids.add(i.number())));
        List<String> words = new ArrayList<>(NumberRuns.words(ids, "–"));
        fixtures.stream().filter(f -> f.id().isEmpty()).map(Fixture::label).forEach(words::add);
        return String.join(", ", words);
    }
}
