package taxon.core.proof;

import java.util.Collection;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.fixture.TypeId;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;

/** Sorts the fixtures that a change concerns by what they cost. */
final class Pricing {
    private final Plan before;
    private final Plan after;

    Pricing(Plan before, Plan after) {
        this.before = before;
        this.after = after;
    }

    Price of(PlanDelta delta) {
        Set<TypeId> redefined = redefined(delta);
        int touched = 0;
        int planned = 0;
        int first = 0;
        for (FixtureKey key : concerned(delta, redefined)) {
            Fixture now = after.fixture(key).orElseThrow();
            Fixture was = before.fixture(key).orElse(now.withAddresses(Map.of()));
            if (isSetAgain(was, now, redefined)) {
                touched++;
            } else if (was.addresses().isEmpty()) {
                first++;
            } else {
                planned++;
            }
        }
        return new Price(touched, planned, first);
    }

    /** Types of both plans that have another definition now. */
    private Set<TypeId> redefined(PlanDelta delta) {
        return delta.changes().entrySet().stream()
                .filter(e -> e.getKey().kind() == Kind.TYPE)
                .filter(e -> e.getValue().before().isPresent()
                        && e.getValue().after().isPresent())
                .map(e -> TypeId.of(e.getKey().text()))
                .collect(Collectors.toSet());
    }

    /** Every fixture that is in the plan then and differs, or whose type does. */
    private Collection<FixtureKey> concerned(PlanDelta delta, Set<TypeId> redefined) {
        Stream<FixtureKey> differ = delta.changes().keySet().stream()
                .filter(k -> k.kind() == Kind.FIXTURE)
                .map(ElementKey::number)
                .map(FixtureKey::of)
                .filter(k -> after.fixture(k).isPresent());
        Stream<FixtureKey> ofType =
                redefined.stream().flatMap(t -> after.fixturesOf(t).stream()).map(Fixture::key);
        return Stream.concat(differ, ofType).collect(Collectors.toCollection(TreeSet::new));
    }

    private boolean isSetAgain(Fixture was, Fixture now, Set<TypeId> redefined) {
        boolean differs = !was.addresses().equals(now.addresses())
                || !was.type().equals(now.type())
                || !was.mode().equals(now.mode())
                || redefined.contains(now.type());
        return differs
                && before.fixture(was.key()).isPresent()
                && before.blocksOf(was).stream()
                        .anyMatch(b -> Standing.of(b, before).isSet());
    }
}
