package taxon.core.modes;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.request.SharingClasses;
import taxon.core.addressing.space.JobSpace;
import taxon.core.addressing.style.Laid;
import taxon.core.addressing.style.Styles;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.packing.Effort;
import taxon.core.packing.Hole;
import taxon.core.rig.Element;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;

/**
 * Whether a rig fits so many universes, whatever its modes: asked of the planner itself, under the wish in force, so that both
 * say the same. The universes are those of the plan in their order, then the lowest empty ones that the wish allows.
 */
final class RigRoom {
    /** What deciding one choice of modes may take. */
    private static final long NUMBERS_OF_A_CHOICE = 40_000_000;

    private final Plan plan;
    private final Wish wish;
    private final Effort effort = Effort.of(Effort.OF_A_REQUEST);

    RigRoom(Plan plan, int universes) {
        this.plan = unplaced(plan);
        Wish inForce = plan.wish().orElse(Wish.USUAL);
        wish = inForce.within(StartAddress.of(1, 1), numbers(plan, inForce.universes(), universes))
                .withStyle(Style.FEWEST_UNIVERSES);
    }

    /** What may move has no address yet: then nobody is held where he is. */
    private static Plan unplaced(Plan plan) {
        return plan.with(plan.fixtures().stream()
                .filter(f -> !f.traits().locked())
                .map(f -> f.withAddresses(Map.of()))
                .toList());
    }

    private static UniverseSet numbers(Plan plan, UniverseSet allowed, int count) {
        Set<Integer> numbers = new TreeSet<>();
        plan.universes().stream()
                .map(u -> u.number())
                .filter(allowed::holds)
                .limit(count)
                .forEach(n -> numbers.add(n.number()));
        Optional<UniverseNumber> next = allowed.atOrAbove(1);
        while (next.isPresent() && numbers.size() < count) {
            numbers.add(next.get().number());
            next = allowed.atOrAbove(next.get().number() + 1);
        }
        List<UniverseSet.Range> runs = new ArrayList<>();
        numbers.forEach(n -> runs.add(new UniverseSet.Range(n, n)));
        return new UniverseSet(runs);
    }

    /** Slots that may be used. */
    int slots() {
        JobSpace space = JobSpace.of(plan, wish, new SharingClasses(plan, wish), b -> true);
        int slots = 0;
        Optional<Integer> at = space.firstAllowed();
        while (at.isPresent()) {
            slots += space.holes(at.get()).stream().mapToInt(Hole::length).sum();
            at = space.allowedFrom(at.get() + 1);
        }
        return slots;
    }

    /** Whether it fits, as far as that is certain. */
    enum Verdict {
        FITS,
        NEVER_FITS,
        NOT_FOUND
    }

    /** @param changed fixtures of the plan in other modes */
    Verdict holds(Collection<Fixture> changed) {
        List<Element> now = new ArrayList<>();
        changed.forEach(f -> now.add(f.traits().locked() ? f : f.withAddresses(Map.of())));
        Plan swapped = plan.with(now);
        PlacementRequest all = new PlacementRequest(Scope.ALL, Set.of(), wish);
        Laid laid = effort.within(NUMBERS_OF_A_CHOICE, e -> Styles.lay(swapped, all, e));
        if (laid.left() == 0) {
            return Verdict.FITS;
        }
        return laid.leftAtLeast() > 0 ? Verdict.NEVER_FITS : Verdict.NOT_FOUND;
    }

    boolean isSpent() {
        return effort.isSpent();
    }
}
