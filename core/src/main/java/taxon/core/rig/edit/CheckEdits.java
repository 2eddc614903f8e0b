package taxon.core.rig.edit;

import java.util.List;
import java.util.function.BiFunction;
import taxon.core.rig.CheckItem;
import taxon.core.rig.Element;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits;
import taxon.core.rig.UnitCheck;
import taxon.core.rig.UnitCheck.Seen;
import taxon.core.rig.edit.Edit.Changed;

/** Edits by which people note what they saw at a unit. */
public final class CheckEdits {
    private CheckEdits() {}

    /**
     * Notes what was seen. An axis that goes the other way round is reversed in the plan by the same edit.
     *
     * @param check makes what is noted of the plan and fixture as they are after that
     */
    public static Edit note(FixtureKey key, CheckItem item, Seen seen, BiFunction<Plan, Fixture, UnitCheck> check) {
        return new Edit(
                "Checked: " + item.name() + " " + seen.words(),
                plan -> plan.fixture(key)
                        .<Edit.Outcome>map(f -> {
                            Fixture now = seen == Seen.OTHER_WAY ? f.withTraits(reversed(f.traits(), item)) : f;
                            Plan with = plan.with(List.<Element>of(now));
                            return new Changed(with.with(List.<Element>of(check.apply(with, now))));
                        })
                        .orElseGet(() -> FixtureEdits.noFixture(key, plan)));
    }

    private static Traits reversed(Traits traits, CheckItem item) {
        return item.kind() == CheckItem.Kind.PAN
                ? traits.withPanReversed(!traits.panReversed())
                : traits.withTiltReversed(!traits.tiltReversed());
    }

    /** Takes back what was noted of a check. */
    public static Edit forget(FixtureKey key, CheckItem item) {
        return new Edit(
                "Check of " + item.name() + " taken back",
                plan -> new Changed(plan.without(List.of(UnitCheck.keyOf(key, item)))));
    }
}
