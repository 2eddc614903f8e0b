package taxon.core.checklist;

import java.util.List;
import java.util.Optional;
import taxon.core.rig.CheckItem;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.UnitCheck;

/**
 * One check of a unit, and what is known of it.
 *
 * @param seen what was seen last; empty where nobody has looked
 * @param stale true when something else was planned then, so that it says nothing any more
 */
public record CheckState(CheckItem item, Optional<UnitCheck> seen, boolean stale) {

    /** All checks of a unit. */
    public static List<CheckState> of(Plan plan, Fixture fixture) {
        return CheckItems.of(plan, fixture).stream()
                .map(i -> of(plan, fixture, i))
                .toList();
    }

    private static CheckState of(Plan plan, Fixture fixture, CheckItem item) {
        Optional<UnitCheck> seen = plan.check(fixture.key(), item);
        boolean stale = seen.filter(s -> !s.against().equals(CheckItems.against(plan, fixture, item)))
                .isPresent();
        return new CheckState(item, seen, stale);
    }

    /** True when somebody has seen it as it is planned now, and nothing is to be done. */
    public boolean isDone() {
        return !stale && seen.filter(s -> s.seen().isSettled()).isPresent();
    }

    /** True when somebody has seen that it is not as planned, and nothing was changed since. */
    public boolean isWrong() {
        return !stale && seen.filter(s -> !s.seen().isSettled()).isPresent();
    }
}
