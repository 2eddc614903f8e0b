package taxon.app.form;

import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.IntStream;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.text.NumberRuns;

/** The fixtures that are chosen, as they stand in the address of every page: {@code sel=17,18,21-40}. */
public record Selection(SortedSet<FixtureKey> chosen) {
    public static final Selection NONE = new Selection(new TreeSet<>());

    private static final int MOST = 20_000;

    public Selection {
        TreeSet<FixtureKey> kept = new TreeSet<>();
        chosen.stream().limit(MOST).forEach(kept::add);
        chosen = Collections.unmodifiableSortedSet(kept);
    }

    public static Selection of(Collection<FixtureKey> keys) {
        return new Selection(new TreeSet<>(keys));
    }

    /** Reads the parameter. What is no key is left out: a link that outlived its fixtures still opens. */
    public static Selection read(String parameter) {
        TreeSet<FixtureKey> keys = new TreeSet<>();
        Arrays.stream(parameter.split(","))
                .map(String::strip)
                .filter(t -> t.matches("[1-9]\\d{0,8}(-[1-9]\\d{0,8})?"))
                .forEach(t -> addRun(keys, t));
        return new Selection(keys);
    }

    private static void addRun(TreeSet<FixtureKey> keys, String run) {
        int dash = run.indexOf('-');
        int first = Integer.parseInt(dash < 0 ? run : run.substring(0, dash));
        int last = dash < 0 ? first : Integer.parseInt(run.substring(dash + 1));
        IntStream.rangeClosed(first, last)
                .limit(Math.max(0, MOST - keys.size()))
                .mapToObj(FixtureKey::of)
                .forEach(keys::add);
    }

    public List<FixtureKey> keys() {
        return List.copyOf(chosen);
    }

    public boolean isEmpty() {
        return chosen.isEmpty();
    }

    public boolean holds(FixtureKey key) {
        return chosen.contains(key);
    }

    /** Those of them that are in the plan. */
    public List<Fixture> in(Plan plan) {
        return chosen.stream().flatMap(k -> plan.fixture(k).stream()).toList();
    }

    /** "17,18,21-40"; empty when nothing is chosen. Runs of three and more are drawn together. */
    public String text() {
        TreeSet<Integer> numbers = new TreeSet<>();
        chosen.forEach(k -> numbers.add(k.number()));
        return String.join(",", NumberRuns.words(numbers, "-"));
    }

    /** "?sel=17,18" or nothing, to put behind an address. */
    public String query() {
        return isEmpty() ? "" : "?sel=" + text();
    }
}
