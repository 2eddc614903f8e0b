package taxon.core.explain;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;

/** Units by what they are called. */
final class Labels {
    private static final String UNIT = "unit ";

    private final Plan plan;
    /** The longest first, so that 10 is not taken for what begins 101. */
    private final List<Fixture> byLabel;

    Labels(Plan plan) {
        this.plan = plan;
        byLabel = plan.fixtures().stream()
                .sorted(Comparator.comparingInt(f -> -f.label().length()))
                .toList();
    }

    /** A unit and what is said of it. */
    record Said(Fixture unit, String words) {}

    /** The unit by whose label the words begin; empty where they begin by none. */
    Optional<Said> read(String words) {
        Optional<Said> said = begin(words);
        boolean named = words.toLowerCase(Locale.ROOT).startsWith(UNIT);
        return said.isEmpty() && named ? begin(words.substring(UNIT.length())) : said;
    }

    private Optional<Said> begin(String words) {
        return byLabel.stream()
                .filter(f -> begins(words, f.label()))
                .findFirst()
                .map(f -> new Said(f, words.substring(f.label().length()).strip()));
    }

    private static boolean begins(String words, String label) {
        return words.regionMatches(true, 0, label, 0, label.length())
                && (words.length() == label.length() || !Character.isLetterOrDigit(words.charAt(label.length())));
    }

    String of(FixtureKey key) {
        return plan.fixture(key).map(Fixture::label).orElse("a unit that is not planned");
    }
}
