package taxon.core.rig;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;

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

    public static PlanDelta between(Plan before, Plan after) {
        TreeMap<ElementKey, Change> changes = new TreeMap<>();
        Set<ElementKey> keys = new TreeSet<>(before.elements().keySet());
        keys.addAll(after.elements().keySet());
        for (ElementKey key : keys) {
            Optional<Element> old = before.element(key);
            Optional<Element> now = after.element(key);
            if (!Objects.equals(old, now)) {
                changes.put(key, new Change(old, now));
            }
        }
        return new PlanDelta(changes);
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
