package taxon.core.rig;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What differs between two plans, element by element. Turned round, it is the way back.
 *
 * @param changes by key; never with equal sides
 */
public record PlanDelta(SortedMap<ElementKey, Change> changes) {

    /** One element before and after; empty where it did not exist. */
    public record Change(Optional<Element> before, Optional<Element> after) {
        Change turned() {
            return new Change(/* before= */ after, /* after= */ before);
        }
    }

    public PlanDelta {
        changes = Collections.unmodifiableSortedMap(new TreeMap<>(changes));
        if (changes.values().stream().anyMatch(c -> c.before().equals(c.after()))) {
            throw new IllegalArgumentException("a change with equal sides is none");
        }
    }

    /** What differs; costs what was touched where one of the plans was made from the other, and a comparison of all else. */
    public static PlanDelta between(Plan before, Plan after) {
        TreeMap<ElementKey, Change> changes = new TreeMap<>();
        after.differingFrom(before).forEach(k -> changes.put(k, new Change(before.element(k), after.element(k))));
        return new PlanDelta(changes);
    }

    /** The fixtures that are in both plans and differ, before and after. */
    public Stream<FixtureChange> fixtures() {
        return changes.values().stream()
                .flatMap(c -> c.before().stream()
                        .flatMap(was -> c.after().stream().flatMap(is -> FixtureChange.of(was, is))));
    }

    /** A fixture before and after. */
    public record FixtureChange(Fixture before, Fixture after) {
        private static Stream<FixtureChange> of(Element before, Element after) {
            return before instanceof Fixture was && after instanceof Fixture is
                    ? Stream.of(new FixtureChange(was, is))
                    : Stream.empty();
        }
    }

    public boolean isEmpty() {
        return changes.isEmpty();
    }

    /** The way back. */
    public PlanDelta turned() {
        return new PlanDelta(changes.entrySet().stream()
                .collect(Collectors.toMap(e -> e.getKey(), e -> e.getValue().turned(), (a, b) -> a, TreeMap::new)));
    }

    /**
     * The plan after this change.
     *
     * @return empty when an element is no longer as the change found it: applying would overwrite someone's work
     */
    public Optional<Plan> applyTo(Plan plan) {
        boolean fits = changes.entrySet().stream()
                .allMatch(e -> plan.element(e.getKey()).equals(e.getValue().before()));
        return fits ? Optional.of(forced(plan)) : Optional.empty();
    }

    private Plan forced(Plan plan) {
        List<ElementKey> removed = new ArrayList<>();
        List<Element> put = new ArrayList<>();
        changes.forEach((key, change) -> change.after().ifPresentOrElse(put::add, () -> removed.add(key)));
        return plan.replaced(removed, put);
    }

    /** True when both touch the same element. */
    public boolean meets(PlanDelta other) {
        return !Collections.disjoint(changes.keySet(), other.changes.keySet());
    }
}
