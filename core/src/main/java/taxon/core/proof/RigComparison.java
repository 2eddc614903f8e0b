package taxon.core.proof;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;

/**
 * Planned against found: every fixture of the universes that were read, and every unit that answered, exactly once.
 *
 * @param lines by universe, then fixture ID; unexpected units of a universe come last
 */
public record RigComparison(List<Line> lines) {

    /** Why a unit was taken for a fixture. */
    public enum Reason {
        SAME_UID,
        SAME_LABEL,
        SAME_TYPE_AND_ADDRESS,
        SAME_TYPE_IN_ORDER,
        NONE
    }

    public enum Verdict {
        RIGHT,
        WRONG_ADDRESS,
        WRONG_MODE,
        MISSING,
        UNEXPECTED
    }

    /** One way in which a unit differs from its fixture. */
    public enum Difference {
        TYPE,
        UNIVERSE,
        MODE,
        ADDRESS
    }

    /**
     * A fixture, a unit, or both.
     *
     * @param differences what differs; empty for RIGHT, MISSING and UNEXPECTED
     */
    public record Line(
            UniverseNumber universe,
            Optional<Fixture> fixture,
            Optional<FoundUnit> found,
            Reason reason,
            Set<Difference> differences) {

        public Line {
            if (fixture.isEmpty() && found.isEmpty()) {
                throw new IllegalArgumentException("a line of a comparison has a fixture or a unit");
            }
            differences = Set.copyOf(differences);
        }

        /** The gravest: a wrong mode explains a wrong footprint, so it goes before the address. */
        public Verdict verdict() {
            if (found.isEmpty()) {
                return Verdict.MISSING;
            }
            if (fixture.isEmpty()) {
                return Verdict.UNEXPECTED;
            }
            if (differences.isEmpty()) {
                return Verdict.RIGHT;
            }
            return differences.contains(Difference.MODE) || differences.contains(Difference.TYPE)
                    ? Verdict.WRONG_MODE
                    : Verdict.WRONG_ADDRESS;
        }

        public Optional<FixtureKey> key() {
            return fixture.map(Fixture::key);
        }
    }

    private static final Comparator<Line> ORDER = Comparator.comparing(Line::universe)
            .thenComparing(l -> l.fixture().isEmpty())
            .thenComparing(
                    l -> l.fixture().flatMap(Fixture::id).map(i -> i.number()).orElse(Integer.MAX_VALUE))
            .thenComparing(l -> l.key().map(FixtureKey::number).orElse(0))
            .thenComparing(l -> l.found().map(FoundUnit::uid).orElse(""));

    public RigComparison {
        lines = lines.stream().sorted(ORDER).toList();
    }

    /** Holds the units found on these universes against the plan. */
    public static RigComparison of(Plan plan, Set<UniverseNumber> read, List<FoundUnit> units) {
        return new RigComparison(new RigMatcher(plan, read, units).lines());
    }

    /** How many lines of each verdict; every verdict is in it. */
    public Map<Verdict, Long> counts() {
        Map<Verdict, Long> counts =
                new TreeMap<>(lines.stream().collect(Collectors.groupingBy(Line::verdict, Collectors.counting())));
        for (Verdict verdict : Verdict.values()) {
            counts.putIfAbsent(verdict, 0L);
        }
        return counts;
    }
}
