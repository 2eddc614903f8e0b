package taxon.core.raising;

import java.util.List;
import java.util.Optional;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;

/**
 * Going along the rig from unit to unit, as one walks.
 *
 * @param units in the order along the rig
 * @param at the unit one stands at, by its place among them; empty before the first step
 */
public record Walk(List<FixtureKey> units, Optional<Integer> at) {
    public Walk {
        units = List.copyOf(units);
        int size = units.size();
        if (at.filter(i -> i < 0 || i >= size).isPresent()) {
            throw new IllegalArgumentException("place " + at + " among " + size + " units");
        }
    }

    /** Along the units of a reach that have an address; what can hurt people is not among them. */
    public static Walk of(Plan plan, Reach reach) {
        List<Fixture> reached = plan.fixtures().stream()
                .filter(f -> plan.blocksOf(f).stream().anyMatch(b -> b.start().isPresent() && reach.holds(b)))
                .filter(f -> !f.isHazard(plan.type(f)))
                .toList();
        return new Walk(
                RigOrder.of(plan, reached, NumberingOrder.USUAL).stream()
                        .map(Fixture::key)
                        .toList(),
                Optional.empty());
    }

    /** The unit one stands at. */
    public Optional<FixtureKey> unit() {
        return at.map(units::get);
    }

    /** At the next one; at the first after the last. */
    public Walk next() {
        return units.isEmpty()
                ? this
                : new Walk(
                        units, Optional.of(at.map(i -> (i + 1) % units.size()).orElse(0)));
    }

    /** At the one before; at the last before the first. */
    public Walk previous() {
        int last = units.size() - 1;
        return units.isEmpty()
                ? this
                : new Walk(units, Optional.of(at.map(i -> i == 0 ? last : i - 1).orElse(last)));
    }

    /** At a unit; as it is where that is not among them. */
    public Walk to(FixtureKey unit) {
        int place = units.indexOf(unit);
        return place < 0 ? this : new Walk(units, Optional.of(place));
    }
}
