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
        /** Of its type and address there are more units than fixtures, or fewer: it may be any of them. */
        ONE_OF_SEVERAL,
        SAME_TYPE_IN_ORDER,
        NONE
    }

    public enum Verdict {
        RIGHT,
        WRONG_ADDRESS,
        WRONG_MODE,
        /** Nothing contradicts the plan, but it is not known that this is the unit, or what it is. */
        UNSURE,
        MISSING,
        UNEXPECTED
    }

    /** One way in which a unit differs from its fixture. */
    public enum Difference {
        TYPE,
        /** The unit does not say what it is. */
        TYPE_UNKNOWN,
        UNIVERSE,
        MODE,
        /** It has another number of slots or of blocks than its mode. */
        LENGTH,
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
            if (differences.stream().anyMatch(MODES::contains)) {
                return Verdict.WRONG_MODE;
            }
            if (differences.contains(Difference.UNIVERSE) || differences.contains(Difference.ADDRESS)) {
                return Verdict.WRONG_ADDRESS;
            }
            return differences.isEmpty() && reason != Reason.ONE_OF_SEVERAL ? Verdict.RIGHT : Verdict.UNSURE;
        }

        /** True when the unit itself says whose it is, or nothing else can be. */
        public boolean isCertain() {
            return reason != Reason.SAME_TYPE_IN_ORDER && reason != Reason.ONE_OF_SEVERAL && reason != Reason.NONE;
        }

        public Optional<FixtureKey> key() {
            return fixture.map(Fixture::key);
        }
    }

    private static final Set<Difference> MODES = Set.of(Difference.MODE, Difference.TYPE, Difference.LENGTH);

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

    /** One unit held against the fixture that it was taken for. */
    public static Line held(Plan plan, Fixture fixture, FoundUnit unit, Reason reason) {
        return new Line(
                unit.universe(),
                Optional.of(fixture),
                Optional.of(unit),
                reason,
                UnitDifferences.of(plan, fixture, unit));
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
