package taxon.core.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The places of a drawing that are written on already, as discs, so that no words lie over others. Time: linear in what lies there. */
final class Taken {
    private static final double CELL = 5;
    private static final double TOUCH = 0.05;

    private final Map<Long, List<Disc>> cells = new HashMap<>();

    /** @param radius at most half a cell */
    record Disc(double x, double y, double radius) {}

    boolean isFree(List<Disc> discs) {
        return discs.stream().allMatch(this::isFree);
    }

    private boolean isFree(Disc disc) {
        for (int right = -1; right <= 1; right++) {
            for (int down = -1; down <= 1; down++) {
                List<Disc> there = cells.getOrDefault(cell(disc.x() + right * CELL, disc.y() + down * CELL), List.of());
                if (there.stream().anyMatch(d -> meet(d, disc))) {
                    return false;
                }
            }
        }
        return true;
    }

    private static boolean meet(Disc one, Disc other) {
        return Math.hypot(one.x() - other.x(), one.y() - other.y()) < one.radius() + other.radius() - TOUCH;
    }

    void take(List<Disc> discs) {
        discs.forEach(d -> cells.computeIfAbsent(cell(d.x(), d.y()), k -> new ArrayList<>())
                .add(d));
    }

    private static long cell(double x, double y) {
        return (long) Math.floor(x / CELL) * 1_000_003 + (long) Math.floor(y / CELL);
    }

    /** Discs along a line, each touching the next. */
    static List<Disc> along(double x1, double y1, double x2, double y2, double radius) {
        double length = Math.hypot(x2 - x1, y2 - y1);
        int steps = Math.max(1, (int) Math.ceil(length / Math.max(0.2, radius * 1.6)));
        List<Disc> discs = new ArrayList<>(steps + 1);
        for (int i = 0; i <= steps; i++) {
            discs.add(new Disc(x1 + (x2 - x1) * i / steps, y1 + (y2 - y1) * i / steps, radius));
        }
        return discs;
    }
}
