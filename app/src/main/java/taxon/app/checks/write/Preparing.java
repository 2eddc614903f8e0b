package taxon.app.checks.write;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.springframework.stereotype.Service;
import taxon.app.checks.Readings;
import taxon.app.checks.boxes.BoxSearches;
import taxon.core.boxcheck.BoxAnswers;
import taxon.core.boxcheck.BoxCheck;
import taxon.core.boxcheck.BoxesHeard;
import taxon.core.proof.RigComparison;
import taxon.core.proof.RigComparison.Line;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.writing.BoxOrders;
import taxon.core.writing.Item;
import taxon.core.writing.Order;
import taxon.core.writing.Prepared;
import taxon.core.writing.Target;
import taxon.core.writing.UnitOrders;

/** What would make units and boxes as they are planned, by what was read and heard of them last. */
@Service
class Preparing {
    /** What of a unit a plan says. */
    static final Set<Item> OF_UNITS =
            EnumSet.of(Item.ADDRESS, Item.MODE, Item.LABEL, Item.PAN_REVERSED, Item.TILT_REVERSED, Item.AXES_SWAPPED);

    private final Readings readings;
    private final BoxSearches searches;

    Preparing(Readings readings, BoxSearches searches) {
        this.readings = readings;
        this.searches = searches;
    }

    /** Planned against found at the last reading; empty where the rig was not read. */
    Optional<RigComparison> comparison(int job, Plan plan) {
        return readings.state(job).last().map(r -> r.against(plan));
    }

    /** @param chosen which lines of planned against found are meant */
    Prepared units(int job, Plan plan, Set<Item> wanted, Predicate<Line> chosen) {
        List<Line> lines = comparison(job, plan)
                .map(c -> c.lines().stream().filter(chosen).toList())
                .orElse(List.of());
        return UnitOrders.of(plan, lines, wanted).and(silent(lines));
    }

    /** Those that answered make themselves known, or not any more; whoever they are. */
    Prepared identify(int job, Plan plan, Predicate<Line> chosen, boolean on) {
        List<Order> orders = comparison(job, plan).stream()
                .flatMap(c -> c.lines().stream())
                .filter(chosen)
                .flatMap(l -> l.found().stream().map(u -> UnitOrders.identify(u, l.fixture(), on)))
                .filter(o -> !o.was().equals(Optional.of(o.will())))
                .toList();
        return new Prepared(orders, List.of());
    }

    /** Nothing is written to those who did not answer, and that is said. */
    private static Prepared silent(List<Line> lines) {
        return new Prepared(
                List.of(),
                lines.stream()
                        .filter(l -> l.found().isEmpty())
                        .flatMap(l -> l.fixture().stream())
                        .map(f -> new Prepared.Left(f.label(), "no unit answered for it"))
                        .toList());
    }

    /** True when the rig was read, or boxes were looked for, so that there is something to go by. */
    boolean isKnown(int job, boolean boxes) {
        return boxes
                ? searches.of(job).heard().isPresent()
                : readings.state(job).last().isPresent();
    }

    /** @param chosen which boxes are meant */
    Prepared boxes(int job, Plan plan, Predicate<Box> chosen) {
        Optional<BoxesHeard> heard = searches.of(job).heard();
        return heard.map(h -> plan.boxes().stream()
                        .filter(b -> b.ip().isPresent())
                        .filter(chosen)
                        .map(b -> box(plan, h.of(plan, b)))
                        .reduce(Prepared.NOTHING, Prepared::and))
                .orElse(Prepared.NOTHING);
    }

    private static Prepared box(Plan plan, BoxAnswers answers) {
        return BoxCheck.of(plan, List.of(answers)).stream()
                .map(v -> BoxOrders.of(plan, v, answers))
                .reduce(Prepared.NOTHING, Prepared::and);
    }

    /** True when all of these orders would be prepared now too: the plan is as it was, and so is what is known of the rig. */
    boolean areStillWanted(int job, Plan plan, List<Order> orders) {
        boolean units = orders.stream().anyMatch(o -> o.target() instanceof Target.Unit);
        boolean boxes = orders.stream().anyMatch(o -> o.target() instanceof Target.OfBox);
        Prepared now = (units ? units(job, plan, OF_UNITS, l -> true) : Prepared.NOTHING)
                .and(boxes ? boxes(job, plan, b -> true) : Prepared.NOTHING);
        return orders.stream().allMatch(o -> now.orders().stream().anyMatch(o::isSame));
    }
}
