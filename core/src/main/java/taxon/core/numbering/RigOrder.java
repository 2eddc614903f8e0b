package taxon.core.numbering;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import taxon.core.numbering.NumberingOrder.By;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry.Point;

/**
 * Puts fixtures in the order of a reading. A fixture without an offset stands behind those with one, in the order of its unit
 * number, which knows no side; what still is equal is ordered by key, so that an order is total and the same every time.
 */
public final class RigOrder {
    private static final Comparator<Fixture> UNIT =
            Comparator.comparingInt(Fixture::unit).thenComparing(Fixture::key);

    private final Plan plan;
    private final NumberingOrder reading;
    private final Map<Integer, Integer> places = new HashMap<>();

    private RigOrder(Plan plan, NumberingOrder reading) {
        this.plan = plan;
        this.reading = reading;
        plan.positions().forEach(p -> places.put(p.number(), places.size()));
    }

    /** The fixtures in order. Time: n log n. */
    public static List<Fixture> of(Plan plan, List<Fixture> fixtures, NumberingOrder reading) {
        RigOrder order = new RigOrder(plan, reading);
        return switch (reading.by()) {
            case POSITION -> order.rows(fixtures, order::place);
            case ROW -> order.rows(fixtures, order::row);
            case ACROSS -> order.along(fixtures, false);
        };
    }

    private List<Fixture> rows(List<Fixture> fixtures, Function<Fixture, Integer> row) {
        Map<Integer, List<Fixture>> rows =
                fixtures.stream().collect(Collectors.groupingBy(row, TreeMap::new, Collectors.toList()));
        List<Fixture> order = new ArrayList<>();
        boolean turned = false;
        for (List<Fixture> one : rows.values()) {
            order.addAll(along(one, turned));
            turned = reading.serpentine() && !turned;
        }
        return order;
    }

    private List<Fixture> along(List<Fixture> fixtures, boolean turned) {
        Comparator<Fixture> across =
                Comparator.comparingDouble((Fixture f) -> reading.by() == By.POSITION ? offset(f) : point(f).across());
        Comparator<Fixture> order =
                across.thenComparingDouble(f -> point(f).upstage()).thenComparing(UNIT);
        List<Fixture> placed = new ArrayList<>(fixtures.stream()
                .filter(f -> f.offset().isPresent())
                .sorted(order)
                .toList());
        if (reading.fromRight() != turned) {
            Collections.reverse(placed);
        }
        fixtures.stream().filter(f -> f.offset().isEmpty()).sorted(unplaced()).forEach(placed::add);
        return placed;
    }

    private Comparator<Fixture> unplaced() {
        return Comparator.comparingInt(this::place).thenComparing(UNIT);
    }

    /** Where its position stands in the order of positions. */
    private int place(Fixture fixture) {
        return places.getOrDefault(fixture.position(), Integer.MAX_VALUE);
    }

    private static double offset(Fixture fixture) {
        return fixture.offset().orElseThrow().inMetres();
    }

    private Point point(Fixture fixture) {
        Position position = plan.position(fixture);
        return position.geometry().at(fixture.offset().orElseThrow());
    }

    /** All of one position are one row, and so are positions whose middles lie in one half metre upstage. */
    private int row(Fixture fixture) {
        double upstage = plan.position(fixture).geometry().upstage().inMetres();
        return (int) Math.floor(upstage * 2 + 0.5);
    }
}
