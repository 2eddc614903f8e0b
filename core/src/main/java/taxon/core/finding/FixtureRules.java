package taxon.core.finding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import taxon.core.fixture.Mode;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureEdits;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.text.Likeness;

/** Rules about fixtures one by one: mode, number, address. */
final class FixtureRules {
    private final Plan plan;

    FixtureRules(Plan plan) {
        this.plan = plan;
    }

    List<Finding> modeMissing() {
        return plan.fixtures().stream()
                .filter(f -> plan.mode(f).isEmpty())
                .map(this::modeMissing)
                .toList();
    }

    private Finding modeMissing(Fixture fixture) {
        List<String> modes = plan.type(fixture).modes().stream().map(Mode::name).toList();
        String closest = modes.stream()
                .max(Comparator.comparingDouble(m -> Likeness.of(m, fixture.mode())))
                .orElseThrow();
        return Finding.about(
                Rule.MODE_MISSING,
                List.of(fixture.key()),
                new Evidence.ModeMissing(fixture, plan.type(fixture).fullName(), modes),
                Optional.of(new Remedy.Apply("Choose " + closest, FixtureEdits.chooseMode(fixture.key(), closest))));
    }

    List<Finding> duplicateIds() {
        Map<FixtureId, List<Fixture>> byId = plan.fixtures().stream()
                .filter(f -> f.id().isPresent())
                .collect(Collectors.groupingBy(f -> f.id().orElseThrow(), TreeMap::new, Collectors.toList()));
        List<Finding> found = new ArrayList<>();
        byId.forEach((id, fixtures) -> {
            if (fixtures.size() > 1) {
                found.add(duplicate(id, fixtures, freeAfter(id, byId)));
            }
        });
        return found;
    }

    private static Optional<FixtureId> freeAfter(FixtureId id, Map<FixtureId, List<Fixture>> taken) {
        for (int step = 1; step < FixtureId.LAST; step++) {
            FixtureId next = FixtureId.of((id.number() - 1 + step) % FixtureId.LAST + 1);
            if (!taken.containsKey(next)) {
                return Optional.of(next);
            }
        }
        return Optional.empty();
    }

    private Finding duplicate(FixtureId id, List<Fixture> fixtures, Optional<FixtureId> free) {
        Fixture last = fixtures.get(fixtures.size() - 1);
        return Finding.about(
                Rule.DUPLICATE_ID,
                fixtures.stream().map(Fixture::key).toList(),
                new Evidence.DuplicateId(
                        id, fixtures, fixtures.stream().map(this::place).toList(), free),
                free.map(to -> new Remedy.Apply("Number the last one " + to, FixtureEdits.renumber(last.key(), to))));
    }

    private String place(Fixture fixture) {
        return plan.position(fixture).name() + ", unit " + fixture.unit();
    }

    /** One for all: they get their numbers in one go. */
    List<Finding> noIds() {
        List<Fixture> without =
                plan.fixtures().stream().filter(f -> f.id().isEmpty()).toList();
        return without.isEmpty()
                ? List.of()
                : List.of(Finding.about(
                        Rule.NO_ID,
                        without.stream().map(Fixture::key).toList(),
                        new Evidence.NoId(without),
                        Optional.of(new Remedy.Decide("Number them", Remedy.Where.NUMBERING))));
    }

    List<Finding> noAddress() {
        return plan.fixtures().stream()
                .filter(f -> plan.blocksOf(f).stream().anyMatch(b -> b.start().isEmpty()))
                .map(this::noAddress)
                .toList();
    }

    private Finding noAddress(Fixture fixture) {
        List<PlannedBlock> open =
                plan.blocksOf(fixture).stream().filter(b -> b.start().isEmpty()).toList();
        int slots = open.stream().mapToInt(PlannedBlock::footprint).sum();
        return Finding.about(
                Rule.NO_ADDRESS,
                List.of(fixture.key()),
                new Evidence.NoAddress(fixture, open, slots),
                Optional.of(new Remedy.Decide("Place it", Remedy.Where.PLACING)));
    }
}
