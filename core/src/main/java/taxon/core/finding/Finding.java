package taxon.core.finding;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.rig.FixtureKey;

/**
 * One thing that a rule has found.
 *
 * @param id stable for the same rule and subjects: {@code overlap:4+7}
 * @param fixtures the fixtures it is about, may be empty
 */
public record Finding(Rule rule, String id, List<FixtureKey> fixtures, Grounds grounds, Optional<Remedy> remedy) {
    public Finding {
        fixtures = List.copyOf(fixtures);
    }

    static Finding about(Rule rule, List<FixtureKey> fixtures, Grounds grounds, Optional<Remedy> remedy) {
        String subjects = fixtures.stream().map(FixtureKey::toString).collect(Collectors.joining("+"));
        return new Finding(rule, rule.slug() + ":" + subjects, fixtures, grounds, remedy);
    }

    public Severity severity() {
        return rule.severity();
    }
}
