package taxon.core.text;

import java.util.ArrayList;
import java.util.List;
import java.util.SortedSet;

/** Whole numbers drawn together to runs, for short writing. */
public final class NumberRuns {
    private NumberRuns() {}

    /** Ascending: "101–104" for three neighbours and more, each number by itself otherwise. */
    public static List<String> words(SortedSet<Integer> numbers, String dash) {
        List<String> words = new ArrayList<>();
        List<Integer> sorted = List.copyOf(numbers);
        for (int from = 0; from < sorted.size(); ) {
            int to = from;
            while (to + 1 < sorted.size() && sorted.get(to + 1) == sorted.get(to) + 1) {
                to++;
            }
            if (to - from >= 2) {
                words.add(sorted.get(from) + dash + sorted.get(to));
            } else {
                sorted.subList(from, to + 1).forEach(n -> words.add(n.toString()));
            }
            from = to + 1;
        }
        return words;
    }
}
