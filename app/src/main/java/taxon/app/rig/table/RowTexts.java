package taxon.app.rig.table;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import taxon.core.history.WayText;
import taxon.core.lines.UnitWay;
import taxon.core.lines.UnitWays;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;
import taxon.core.rig.RigPart;

/** What the rows of one plan read; what all of them need is found once, and only where a column asks for it. */
public final class RowTexts {
    private final Plan plan;
    private @Nullable UnitWays ways;

    public RowTexts(Plan plan) {
        this.plan = plan;
    }

    Plan plan() {
        return plan;
    }

    /** Of each universe that a fixture is on, one behind the other where it is on several. */
    String way(RigPart row, TableColumn column) {
        return switch (column) {
            case OUTLET ->
                joined(row, w -> port(w).flatMap(p -> plan.box(p.box())).map(Box::name));
            case PORT -> joined(row, w -> port(w).map(p -> Integer.toString(p.number())));
            case ON_LINE -> joined(row, w -> w.line().map(Line::name));
            case LINE_PLACE -> joined(row, w -> Optional.of(WayText.placeOf(w)).filter(t -> !t.isEmpty()));
            default -> joined(row, w -> Optional.of(w.universe().toString()));
        };
    }

    /** Where its cable comes from; without one, where its universe comes out. */
    private static Optional<PortRef> port(UnitWay way) {
        return way.line().map(Line::from).or(() -> way.route().map(Route::port));
    }

    private String joined(RigPart row, Function<UnitWay, Optional<String>> words) {
        if (!row.isWhole()) {
            return "";
        }
        List<UnitWay> all = ways().of(row.fixture());
        return all.stream().flatMap(w -> words.apply(w).stream()).distinct().collect(Collectors.joining(" + "));
    }

    private UnitWays ways() {
        UnitWays found = ways;
        if (found == null) {
            found = UnitWays.of(plan);
            ways = found;
        }
        return found;
    }
}
