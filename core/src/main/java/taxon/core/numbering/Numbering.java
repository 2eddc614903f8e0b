package taxon.core.numbering;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.numbering.FamilyStarts.Span;
import taxon.core.numbering.NumberingProposal.Change;
import taxon.core.numbering.NumberingProposal.Range;
import taxon.core.numbering.NumberingRequest.Families;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Refusal;
import taxon.core.rig.edit.Edit;

/**
 * Gives numbers in families along the rig. Every number is given once, families do not reach into each other, and numbering a
 * numbered rig again changes nothing.
 */
public final class Numbering {
    private final Plan plan;
    private final NumberingRequest request;
    private final Set<Integer> taken = new HashSet<>();

    private Numbering(Plan plan, NumberingRequest request) {
        this.plan = plan;
        this.request = request;
        plan.fixtures().stream()
                .filter(f -> !request.fixtures().contains(f.key()))
                .flatMap(f -> f.id().stream())
                .forEach(id -> taken.add(id.number()));
    }

    /** The families in the order of the reading; positions or types in which nothing was asked for are not among them. */
    public static List<Family> families(Plan plan, NumberingRequest request) {
        List<Fixture> asked = plan.fixtures().stream()
                .filter(f -> request.fixtures().contains(f.key()))
                .toList();
        Map<String, List<Fixture>> members = new LinkedHashMap<>();
        for (Fixture fixture : RigOrder.of(plan, asked, request.reading())) {
            members.computeIfAbsent(key(fixture, request.families()), k -> new ArrayList<>())
                    .add(fixture);
        }
        List<Family> families = new ArrayList<>();
        members.forEach(
                (key, list) -> families.add(new Family(key, name(plan, list.get(0), request.families()), list)));
        return families;
    }

    private static String key(Fixture fixture, Families families) {
        return switch (families) {
            case ONE -> "all";
            case BY_POSITION -> "position-" + fixture.position();
            case BY_TYPE -> "type-" + fixture.type();
        };
    }

    private static String name(Plan plan, Fixture first, Families families) {
        return switch (families) {
            case ONE -> "all";
            case BY_POSITION -> plan.position(first).name();
            case BY_TYPE -> plan.type(first).fullName();
        };
    }

    /**
     * Computes the numbers.
     *
     * @throws NumbersRunOutException when a family does not fit before the next one's start, or before the last number
     */
    public static NumberingProposal propose(Plan plan, NumberingRequest request) {
        return new Numbering(plan, request).proposal();
    }

    private NumberingProposal proposal() {
        List<Family> families = families(plan, request);
        List<Span> spans = FamilyStarts.of(request, Set.copyOf(taken), families);
        List<Range> ranges = new ArrayList<>();
        Map<FixtureKey, Integer> numbers = new TreeMap<>();
        for (int i = 0; i < families.size(); i++) {
            ranges.add(number(families.get(i), spans.get(i), numbers));
        }
        List<Change> changes = changes(numbers);
        int kept = ranges.stream().mapToInt(Range::kept).sum();
        String title = changes.size() == 1 ? "1 fixture numbered" : changes.size() + " fixtures numbered";
        return new NumberingProposal(title, edit(title, changes), request, ranges, changes, kept);
    }

    private Range number(Family family, Span span, Map<FixtureKey, Integer> numbers) {
        List<Integer> free = free(span);
        int count = family.members().size();
        if (free.size() < count) {
            throw new NumbersRunOutException(family, span.start(), span.limit(), free.size());
        }
        Map<Integer, Integer> kept = request.keep() ? Keeper.keep(ranks(family, free), free.size()) : Map.of();
        int[] ranks = Keeper.fill(count, kept);
        for (int place = 0; place < count; place++) {
            numbers.put(family.members().get(place).key(), free.get(ranks[place]));
            taken.add(free.get(ranks[place]));
        }
        int same = (int) family.members().stream()
                .filter(f -> f.id().map(FixtureId::number).equals(Optional.ofNullable(numbers.get(f.key()))))
                .count();
        return new Range(family, free.get(ranks[0]), free.get(ranks[count - 1]), span.limit(), same);
    }

    private List<Integer> free(Span span) {
        List<Integer> free = new ArrayList<>();
        for (int number = span.start(); number <= span.limit(); number++) {
            if (!taken.contains(number)) {
                free.add(number);
            }
        }
        return free;
    }

    private static int[] ranks(Family family, List<Integer> free) {
        Map<Integer, Integer> rank = new HashMap<>();
        for (int i = 0; i < free.size(); i++) {
            rank.put(free.get(i), i);
        }
        return family.members().stream()
                .mapToInt(f ->
                        f.id().map(id -> rank.getOrDefault(id.number(), -1)).orElse(-1))
                .toArray();
    }

    /** In the order of the reading; behind them those that only get another unit number. */
    private List<Change> changes(Map<FixtureKey, Integer> numbers) {
        Map<FixtureKey, Integer> units = units();
        List<Change> changes = new ArrayList<>();
        for (Fixture fixture : RigOrder.of(plan, plan.fixtures(), request.reading())) {
            Optional<FixtureId> after = Optional.ofNullable(numbers.get(fixture.key()))
                    .map(FixtureId::of)
                    .or(fixture::id);
            int unit = units.getOrDefault(fixture.key(), fixture.unit());
            if (!fixture.id().equals(after) || unit != fixture.unit()) {
                changes.add(new Change(fixture, after, unit));
            }
        }
        return changes;
    }

    private Map<FixtureKey, Integer> units() {
        return request.units()
                ? UnitNumbers.along(plan, request.fixtures(), request.reading().fromRight())
                : Map.of();
    }

    private Edit edit(String title, List<Change> changes) {
        return Edit.computed(title, plan, after(changes), other -> {
            try {
                return propose(other, request).edit().applyTo(other);
            } catch (NumbersRunOutException e) {
                return new Edit.Refused(List.of(
                        new Refusal("family", e.family().name(), Refusal.Fault.OUT_OF_RANGE, e.free() + " numbers")));
            }
        });
    }

    private Plan after(List<Change> changes) {
        return plan.with(changes.stream()
                .map(c -> c.fixture().withId(c.after()).withPlace(c.fixture().position(), c.unitAfter()))
                .toList());
    }
}
