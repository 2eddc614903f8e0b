package taxon.app.rig.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import taxon.app.rig.drawing.RigPlan.Line;
import taxon.app.rig.drawing.RigPlan.Unit;

/**
 * Sees to it that no two units write into each other, whichever positions they hang on: where boxes would cover each other they
 * become marks, but for the chosen; where something stands below, the address is left out. Time: linear in the units, as long as
 * few of them stand in one place.
 */
final class Crowd {
    private static final double CELL = 64;
    private static final double MARK = 9;
    private static final double ADDRESS_HALF = 21;
    private static final double ADDRESS_FROM = 10;
    private static final double ADDRESS_TO = 62;

    private final Map<Long, List<Unit>> cells = new HashMap<>();

    private Crowd(List<Line> lines) {
        lines.forEach(l -> l.units()
                .forEach(u -> cells.computeIfAbsent(cell(u.x(), u.y(), 0, 0), k -> new ArrayList<>())
                        .add(u)));
    }

    static List<Line> settled(List<Line> lines) {
        Crowd crowd = new Crowd(lines);
        return lines.stream()
                .map(l -> l.with(l.units().stream().map(crowd::settled).toList()))
                .toList();
    }

    private Unit settled(Unit unit) {
        if (!unit.readable()) {
            return unit;
        }
        if (!unit.mark().chosen() && hasNear(unit, other -> covers(unit, other))) {
            return unit.marked(MARK);
        }
        return hasNear(unit, other -> stands(other, unit)) ? unit.withoutAddress() : unit;
    }

    private static boolean covers(Unit one, Unit other) {
        double reach = (one.size() + other.size()) / 2;
        return Math.abs(one.x() - other.x()) < reach && Math.abs(one.y() - other.y()) < reach;
    }

    /** True when a unit stands where the address of another would be written. */
    private static boolean stands(Unit other, Unit unit) {
        double below = other.y() - unit.y();
        return Math.abs(other.x() - unit.x()) < ADDRESS_HALF + other.size() / 2
                && below > ADDRESS_FROM
                && below < ADDRESS_TO;
    }

    private boolean hasNear(Unit unit, Predicate<Unit> what) {
        for (int right = -1; right <= 1; right++) {
            for (int down = -1; down <= 1; down++) {
                List<Unit> there = cells.getOrDefault(cell(unit.x(), unit.y(), right, down), List.of());
                if (there.stream().anyMatch(o -> o.mark().key() != unit.mark().key() && what.test(o))) {
                    return true;
                }
            }
        }
        return false;
    }

    private static long cell(double x, double y, int right, int down) {
        long column = (long) Math.floor(x / CELL) + right;
        long row = (long) Math.floor(y / CELL) + down;
        return column * 1_000_003 + row;
    }
}
