package taxon.core.finding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.UnknownType;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Unplaced;
import taxon.core.rig.edit.AddressEdits;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;
import taxon.core.text.Likeness;

/** Rules about fixtures one by one: mode, number, address. */
final class FixtureRules {
    private final Plan plan;

    FixtureRules(Plan plan) {
        this.plan = plan;
    }

    List<Finding> modeMissing() {
        return plan.fixturesWithoutMode().stream()
                .filter(f -> !UnknownType.is(plan.type(f)))
                .map(this::modeMissing)
                .toList();
    }

    /** Fixtures of types of which only the name is known, one finding a type. */
    List<Finding> typeUnknown() {
        Map<FixtureType, List<Fixture>> byType = plan.fixtures().stream()
                .filter(f -> UnknownType.is(plan.type(f)))
                .collect(Collectors.groupingBy(plan::type, LinkedHashMap::new, Collectors.toList()));
        return byType.entrySet().stream()
                .map(e -> Finding.about(
                        Rule.TYPE_UNKNOWN,
                        e.getValue().stream().map(Fixture::key).toList(),
                        new Grounds.TypeUnknown(e.getValue(), e.getKey().fullName()),
                        Optional.of(new Remedy.Decide("Import or build the type", Remedy.Where.TYPES))))
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
                new Grounds.ModeMissing(fixture, plan.type(fixture).fullName(), modes),
                Optional.of(new Remedy.Apply("Choose " + closest, FixtureEdits.chooseMode(fixture.key(), closest))));
    }

    /** Fixtures come by ID, so those of one ID stand together. */
    List<Finding> duplicateIds() {
        List<Finding> found = new ArrayList<>();
        List<Fixture> fixtures = plan.fixtures();
        for (int from = 0; from < fixtures.size(); ) {
            int to = from + 1;
            while (to < fixtures.size()
                    && fixtures.get(from).id().isPresent()
                    && fixtures.get(to).id().equals(fixtures.get(from).id())) {
                to++;
            }
            if (to - from > 1) {
                FixtureId id = fixtures.get(from).id().orElseThrow();
                found.add(duplicate(id, fixtures.subList(from, to), freeAfter(id)));
            }
            from = to;
        }
        return found;
    }

    private Optional<FixtureId> freeAfter(FixtureId id) {
        Set<Integer> taken = new HashSet<>();
        plan.fixtures().forEach(f -> f.id().ifPresent(i -> taken.add(i.number())));
        for (int step = 1; step < FixtureId.LAST; step++) {
            int next = (id.number() - 1 + step) % FixtureId.LAST + 1;
            if (!taken.contains(next)) {
                return Optional.of(FixtureId.of(next));
            }
        }
        return Optional.empty();
    }

    private Finding duplicate(FixtureId id, List<Fixture> fixtures, Optional<FixtureId> free) {
        Fixture last = fixtures.get(fixtures.size() - 1);
        return Finding.about(
                Rule.DUPLICATE_ID,
                fixtures.stream().map(Fixture::key).toList(),
                new Grounds.DuplicateId(
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
                        new Grounds.NoId(without),
                        Optional.of(new Remedy.Decide("Number them", Remedy.Where.NUMBERING))));
    }

    /** Groups with the number of a fixture: one finding for each such number. */
    List<Finding> groupNumbers() {
        Map<FixtureId, List<Group>> byNumber = plan.groups().stream()
                .filter(g -> g.id().isPresent())
                .collect(Collectors.groupingBy(g -> g.id().orElseThrow()));
        return plan.fixtures().stream()
                .filter(f -> f.id().filter(byNumber::containsKey).isPresent())
                .map(f -> groupNumber(f, byNumber.getOrDefault(f.id().orElseThrow(), List.of())))
                .toList();
    }

    private static Finding groupNumber(Fixture fixture, List<Group> groups) {
        List<String> names = groups.stream().map(Group::name).toList();
        return Finding.about(
                Rule.GROUP_NUMBER_TAKEN,
                List.of(fixture.key()),
                new Grounds.GroupNumberTaken(fixture, names),
                Optional.empty());
    }

    /** Fixtures none of whose blocks has an address. */
    List<Finding> noAddress() {
        return open(true);
    }

    /** Fixtures of which some blocks have an address and some have not. */
    List<Finding> blockNotAddressed() {
        return open(false);
    }

    /** Fixtures with an address that no universe reaches: only an app does. */
    List<Finding> addressUnheard() {
        return plan.fixtures().stream()
                .filter(f -> !f.addresses().isEmpty() && plan.type(f).hearsNoUniverse())
                .map(f -> Finding.about(
                        Rule.ADDRESS_UNHEARD,
                        List.of(f.key()),
                        new Grounds.AddressUnheard(f, plan.type(f).fullName()),
                        Optional.of(new Remedy.Apply(
                                "Take its address away",
                                AddressEdits.put(f.label() + " without an address", nowhere(f))))))
                .toList();
    }

    private static Map<BlockRef, Optional<StartAddress>> nowhere(Fixture fixture) {
        return fixture.addresses().keySet().stream()
                .collect(Collectors.toMap(block -> new BlockRef(fixture.key(), block), block -> Optional.empty()));
    }

    private List<Finding> open(boolean whole) {
        Map<FixtureKey, Fixture> open = new LinkedHashMap<>();
        Unplaced.blocks(plan).forEach(b -> open.put(b.fixture().key(), b.fixture()));
        return open.values().stream()
                .filter(f -> whole
                        == plan.blocksOf(f).stream().allMatch(b -> b.start().isEmpty()))
                .map(f -> noAddress(f, whole ? Rule.NO_ADDRESS : Rule.BLOCK_NOT_ADDRESSED))
                .toList();
    }

    private Finding noAddress(Fixture fixture, Rule rule) {
        List<PlannedBlock> open =
                plan.blocksOf(fixture).stream().filter(b -> b.start().isEmpty()).toList();
        int slots = open.stream().mapToInt(PlannedBlock::footprint).sum();
        return Finding.about(
                rule,
                List.of(fixture.key()),
                new Grounds.NoAddress(fixture, open, slots),
                Optional.of(new Remedy.Propose(
                        "Place it",
                        new PlacementRequest(
                                Scope.CHOSEN,
                                Set.of(fixture.key()),
                                plan.wish().orElse(Wish.USUAL).withStyle(Style.LEAST_CHANGE)))));
    }
}
