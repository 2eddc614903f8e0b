package taxon.core.rig.edit;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import taxon.core.length.Length;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.Traits;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.edit.Edit.Outcome;

/** Edits of what hangs where: adding, changing and taking away fixtures. */
public final class FixtureEdits {
    private FixtureEdits() {}

    /** Adds all, in the order given, as one edit. */
    public static Edit add(String title, List<Added> wanted) {
        return new Edit(title, plan -> {
            FixtureAdder adder = new FixtureAdder(plan);
            wanted.forEach(adder::add);
            return new Changed(adder.plan());
        });
    }

    /** Takes fixtures away, with all that is known of them; refused as a whole when one of them is not there. */
    public static Edit remove(Collection<FixtureKey> keys) {
        String title = keys.size() == 1 ? "1 fixture taken away" : keys.size() + " fixtures taken away";
        return new Edit(
                title,
                plan -> keys.stream()
                        .filter(k -> plan.fixture(k).isEmpty())
                        .findFirst()
                        .map(missing -> noFixture(missing, plan))
                        .orElseGet(() -> new Changed(
                                plan.without(keys.stream().map(Fixture::keyOf).collect(Collectors.toList())))));
    }

    /**
     * Gives a fixture other words, ID, mode and place in one edit.
     *
     * @param mode a mode of its type, or the mode that it has
     * @param position the position's name; it is made where the plan has none that is called so
     */
    public static Edit change(
            FixtureKey key, Optional<FixtureId> id, String mode, String position, int unit, String name, String note) {
        return onFixture(
                "Fixture " + id.map(FixtureId::toString).orElse("no. " + key) + " changed", key, plan -> fixture -> {
                    if (!mode.equals(fixture.mode())
                            && plan.type(fixture).mode(mode).isEmpty()) {
                        return Edit.refuse(noMode(plan, fixture, mode));
                    }
                    FixtureAdder places = new FixtureAdder(plan);
                    int place = places.positionNamed(position);
                    Fixture changed = fixture.withId(id)
                            .withMode(mode)
                            .withPlace(place, unit)
                            .withWords(name, note);
                    return new Changed(places.plan().with(trimmed(plan, changed)));
                });
    }

    /** Says where on its position a fixture hangs, and what is special about it. */
    public static Edit describe(FixtureKey key, Optional<Length> offset, Traits traits) {
        return onFixture(
                "Fixture described",
                key,
                plan -> fixture ->
                        new Changed(plan.with(fixture.withOffset(offset).withTraits(traits))));
    }

    /** Gives a fixture another ID, whoever else has it. */
    public static Edit renumber(FixtureKey key, FixtureId id) {
        return onFixture(
                "Fixture renumbered to " + id,
                key,
                plan -> fixture -> new Changed(plan.with(fixture.withId(Optional.of(id)))));
    }

    /** Gives a fixture another mode; addresses of blocks that it lacks go. Refused when its type has no such mode. */
    public static Edit chooseMode(FixtureKey key, String mode) {
        return onFixture(
                "Mode " + mode + " chosen",
                key,
                plan -> fixture -> plan.type(fixture).mode(mode).isEmpty()
                        ? Edit.refuse(noMode(plan, fixture, mode))
                        : new Changed(plan.with(trimmed(plan, fixture.withMode(mode)))));
    }

    /** Drops addresses of blocks that the mode does not have: nothing would ever show them again. */
    private static Fixture trimmed(Plan plan, Fixture fixture) {
        return plan.mode(fixture)
                .map(m -> fixture.withAddresses(
                        fixture.addresses().headMap(m.blocks().size() + 1)))
                .orElse(fixture);
    }

    private static Edit onFixture(String title, FixtureKey key, Function<Plan, Function<Fixture, Outcome>> work) {
        return new Edit(title, plan -> plan.fixture(key).map(work.apply(plan)).orElseGet(() -> noFixture(key, plan)));
    }

    static Outcome noFixture(FixtureKey key, Plan plan) {
        return Edit.refuse(new Refusal(
                "fixture with the key",
                key.toString(),
                Fault.NOT_FOUND,
                plan.fixtures().size() + " fixtures in the job"));
    }

    private static Refusal noMode(Plan plan, Fixture fixture, String mode) {
        String modes = plan.type(fixture).modes().stream().map(m -> m.name()).collect(Collectors.joining(", "));
        return new Refusal("mode", mode, Fault.NOT_FOUND, modes);
    }
}
