package taxon.core.proof;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiPredicate;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.proof.RigComparison.Difference;
import taxon.core.proof.RigComparison.Line;
import taxon.core.proof.RigComparison.Reason;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.text.Likeness;

/**
 * Finds which unit is which fixture.
 *
 * <p>In this order, each taking what the earlier ones left: the UID that the fixture answered with before; a label equal to
 * the fixture ID; same type, universe and start address, for certain only where there are as many units as fixtures; then, per universe and type, what is left over in the order of
 * addresses, since a unit that still has last show's address usually stands among its own kind. Each unit and each fixture
 * is used once. Time: O(n · m) for n fixtures and m units.
 */
final class RigMatcher {
    private final Plan plan;
    private final Set<Fixture> fixtures = new LinkedHashSet<>();
    private final Set<FoundUnit> units = new LinkedHashSet<>();
    private final List<Line> lines = new ArrayList<>();

    RigMatcher(Plan plan, Set<UniverseNumber> read, List<FoundUnit> found) {
        this.plan = plan;
        plan.fixtures().stream()
                .filter(f -> universe(f).filter(read::contains).isPresent())
                .forEach(fixtures::add);
        found.stream().sorted(Comparator.comparing(FoundUnit::uid)).forEach(units::add);
        pair(Reason.SAME_UID, this::sameUid);
        pair(Reason.SAME_LABEL, this::sameLabel);
        pairByAddress();
        pairInOrder();
        fixtures.forEach(f -> lines.add(
                new Line(universe(f).orElseThrow(), Optional.of(f), Optional.empty(), Reason.NONE, Set.of())));
        units.forEach(u -> lines.add(new Line(u.universe(), Optional.empty(), Optional.of(u), Reason.NONE, Set.of())));
    }

    List<Line> lines() {
        return lines;
    }

    private void pair(Reason reason, BiPredicate<Fixture, FoundUnit> fits) {
        for (Fixture fixture : List.copyOf(fixtures)) {
            List<FoundUnit> fitting =
                    units.stream().filter(u -> fits.test(fixture, u)).toList();
            if (!fitting.isEmpty()) {
                take(fixture, best(fixture, fitting), reason);
            }
        }
    }

    /**
     * Where units and fixtures of a type and address are not as many, nobody can say which of them is which. Only those are
     * compared that begin a block of one type at one slot.
     */
    private void pairByAddress() {
        Map<String, List<FoundUnit>> unitsAt = new HashMap<>();
        units.forEach(u -> places(u)
                .forEach(place ->
                        unitsAt.computeIfAbsent(place, p -> new ArrayList<>()).add(u)));
        Map<String, List<Fixture>> fixturesAt = new LinkedHashMap<>();
        fixtures.forEach(f ->
                fixturesAt.computeIfAbsent(place(f), p -> new ArrayList<>()).add(f));
        fixturesAt.forEach((place, alike) -> pairAt(alike, unitsAt.getOrDefault(place, List.of())));
    }

    private void pairAt(List<Fixture> alike, List<FoundUnit> there) {
        Map<FixtureKey, Reason> reasons = new HashMap<>();
        for (Fixture fixture : alike) {
            List<FoundUnit> fitting =
                    there.stream().filter(u -> isThere(fixture, u)).toList();
            long wanting = fitting.isEmpty()
                    ? 0
                    : alike.stream().filter(f -> isThere(f, fitting.get(0))).count();
            reasons.put(
                    fixture.key(), fitting.size() == wanting ? Reason.SAME_TYPE_AND_ADDRESS : Reason.ONE_OF_SEVERAL);
        }
        for (Fixture fixture : alike) {
            List<FoundUnit> fitting = there.stream()
                    .filter(u -> units.contains(u) && isThere(fixture, u))
                    .toList();
            if (!fitting.isEmpty()) {
                take(fixture, best(fixture, fitting), reasons.getOrDefault(fixture.key(), Reason.ONE_OF_SEVERAL));
            }
        }
    }

    /** Where the first block of a fixture that has an address begins. */
    private String place(Fixture fixture) {
        int block = fixture.addresses().firstKey();
        return kind(fixture) + " " + block + " "
                + fixture.address(block).orElseThrow().slot();
    }

    private static List<String> places(FoundUnit unit) {
        String kind = kind(unit);
        List<String> places = new ArrayList<>();
        for (int block = 1; block <= unit.blocks().size(); block++) {
            places.add(kind + " " + block + " " + unit.blocks().get(block - 1).start());
        }
        return places;
    }

    private boolean isThere(Fixture fixture, FoundUnit unit) {
        return sameType(fixture, unit)
                && differencesOf(fixture, unit).stream()
                        .noneMatch(d -> d == Difference.ADDRESS || d == Difference.UNIVERSE);
    }

    /** Of several that fit, the one that differs least. */
    private FoundUnit best(Fixture fixture, List<FoundUnit> fitting) {
        return fitting.stream()
                .min(Comparator.comparingInt(
                                (FoundUnit u) -> differencesOf(fixture, u).size())
                        .thenComparing(FoundUnit::uid))
                .orElseThrow();
    }

    private void pairInOrder() {
        Map<String, List<FoundUnit>> leftByKind = new TreeMap<>();
        units.stream()
                .sorted(Comparator.comparing(u -> u.blocks().get(0).start()))
                .forEach(u -> leftByKind
                        .computeIfAbsent(kind(u), k -> new ArrayList<>())
                        .add(u));
        fixtures.stream()
                .sorted(Comparator.comparing(
                        f -> f.address(1).orElse(StartAddress.ofAbsolute(StartAddress.LAST_ABSOLUTE))))
                .toList()
                .forEach(f -> takeFirst(f, leftByKind.getOrDefault(kind(f), List.of())));
    }

    /** A unit that carries the ID of another fixture is not taken for this one. */
    private void takeFirst(Fixture fixture, List<FoundUnit> sameKind) {
        sameKind.stream()
                .filter(u -> units.contains(u) && !labelledAsAnother(u))
                .findFirst()
                .ifPresent(u -> take(fixture, u, Reason.SAME_TYPE_IN_ORDER));
    }

    private boolean labelledAsAnother(FoundUnit unit) {
        return plan.fixtures().stream().anyMatch(f -> sameLabel(f, unit));
    }

    private void take(Fixture fixture, FoundUnit unit, Reason reason) {
        fixtures.remove(fixture);
        units.remove(unit);
        lines.add(new Line(
                universe(fixture).orElseThrow(),
                Optional.of(fixture),
                Optional.of(unit),
                reason,
                differencesOf(fixture, unit)));
    }

    private Set<Difference> differencesOf(Fixture fixture, FoundUnit unit) {
        return UnitDifferences.of(plan, fixture, unit);
    }

    private boolean sameUid(Fixture fixture, FoundUnit unit) {
        return plan.evidence(new BlockRef(fixture.key(), 1)).uid().equals(unit.uid());
    }

    private boolean sameLabel(Fixture fixture, FoundUnit unit) {
        return fixture.id().map(i -> i.toString().equals(unit.label().strip())).orElse(false);
    }

    private boolean sameType(Fixture fixture, FoundUnit unit) {
        return UnitDifferences.isOfType(plan.type(fixture), unit);
    }

    private String kind(Fixture fixture) {
        return universe(fixture).orElseThrow() + " "
                + Likeness.key(plan.type(fixture).fullName());
    }

    private static String kind(FoundUnit unit) {
        return unit.universe() + " " + UnitDifferences.typeKey(unit);
    }

    private static Optional<UniverseNumber> universe(Fixture fixture) {
        return fixture.addresses().values().stream().findFirst().map(StartAddress::universe);
    }
}
