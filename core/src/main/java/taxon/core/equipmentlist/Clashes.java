package taxon.core.equipmentlist;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import taxon.core.finding.Finding;
import taxon.core.finding.PlanCheck;
import taxon.core.finding.Rule;
import taxon.core.rig.ElementKey;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;

/** What clashes of the fixtures that were added, by their keys. */
record Clashes(
        Plan written, Map<FixtureKey, Set<String>> overlaps, Set<FixtureKey> pastEnd, Set<FixtureKey> behindEnd) {

    static Clashes of(Plan before, Plan written, List<EquipmentLine> lines) {
        PlanCheck check = PlanCheck.of(written);
        int firstNew = before.nextNumber(ElementKey.Kind.FIXTURE);
        Map<FixtureKey, Set<String>> overlaps = new HashMap<>();
        check.byRule().getOrDefault(Rule.OVERLAP, List.of()).forEach(f -> overlap(f, written, firstNew, overlaps));
        Set<FixtureKey> pastEnd = new HashSet<>();
        check.byRule().getOrDefault(Rule.PAST_END, List.of()).stream()
                .flatMap(f -> f.fixtures().stream())
                .filter(k -> k.number() >= firstNew)
                .forEach(pastEnd::add);
        return new Clashes(written, overlaps, pastEnd, behindEnd(written, firstNew, lines));
    }

    /** Of two that are new the later one gives way. */
    private static void overlap(Finding finding, Plan plan, int firstNew, Map<FixtureKey, Set<String>> overlaps) {
        finding.fixtures().stream()
                .max(FixtureKey::compareTo)
                .filter(k -> k.number() >= firstNew)
                .ifPresent(late -> {
                    Set<String> others = overlaps.computeIfAbsent(late, k -> new TreeSet<>());
                    finding.fixtures().stream()
                            .filter(k -> !k.equals(late))
                            .flatMap(k -> plan.fixture(k).stream())
                            .map(Fixture::label)
                            .forEach(others::add);
                });
    }

    private static Set<FixtureKey> behindEnd(Plan written, int firstNew, List<EquipmentLine> lines) {
        Set<FixtureKey> behind = new HashSet<>();
        int key = firstNew;
        for (EquipmentLine line : lines) {
            int count = line.added().map(Added::count).orElse(0);
            if (line.added().flatMap(Added::run).isPresent()) {
                Added added = line.added().get();
                long blocks = added.mode().blocks().size()
                        - added.apart().values().stream()
                                .filter(Optional::isEmpty)
                                .count();
                for (int i = key; i < key + count; i++) {
                    Fixture fixture = written.fixture(FixtureKey.of(i)).orElseThrow();
                    if (fixture.addresses().size() < blocks) {
                        behind.add(fixture.key());
                    }
                }
            }
            key += count;
        }
        return behind;
    }

    Set<FixtureKey> keys() {
        Set<FixtureKey> all = new TreeSet<>(overlaps.keySet());
        all.addAll(pastEnd);
        all.addAll(behindEnd);
        return all;
    }

    RowClashes of(int firstKey, Added added) {
        List<FixtureKey> keys = Stream.iterate(firstKey, k -> k + 1)
                .limit(added.count())
                .map(FixtureKey::of)
                .toList();
        return new RowClashes(
                this,
                added,
                keys.stream().filter(overlaps::containsKey).toList(),
                keys.stream().filter(pastEnd::contains).toList(),
                keys.stream().filter(behindEnd::contains).toList());
    }
}
