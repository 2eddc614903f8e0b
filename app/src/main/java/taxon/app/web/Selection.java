package taxon.app.web;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;

/** The fixtures that are chosen, as they stand in the address of every page: {@code sel=17,18}. */
public record Selection(List<FixtureKey> keys) {
    public static final Selection NONE = new Selection(List.of());

    private static final int MOST = 2000;

    public Selection {
        keys = keys.stream().distinct().sorted().limit(MOST).toList();
    }

    /** Reads the parameter. What is no key is left out: a link that outlived its fixtures still opens. */
    public static Selection read(String parameter) {
        return new Selection(Stream.of(parameter.split(","))
                .map(String::strip)
                .filter(t -> t.matches("[1-9]\\d{0,8}"))
                .map(t -> FixtureKey.of(Integer.parseInt(t)))
                .toList());
    }

    public boolean isEmpty() {
        return keys.isEmpty();
    }

    public boolean holds(FixtureKey key) {
        return keys.contains(key);
    }

    /** Those of them that are in the plan. */
    public List<Fixture> in(Plan plan) {
        return keys.stream().flatMap(k -> plan.fixture(k).stream()).toList();
    }

    /** "17,18"; empty when nothing is chosen. */
    public String text() {
        return keys.stream().map(FixtureKey::toString).collect(Collectors.joining(","));
    }

    /** "?sel=17,18" or nothing, to put behind an address. */
    public String query() {
        return isEmpty() ? "" : "?sel=" + text();
    }
}
