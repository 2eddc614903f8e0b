package taxon.core.explain;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;

/** What hangs behind what: the lines of a rig in the order of their cable. */
final class RigCables {
    private final Map<Integer, Line> lines = new HashMap<>();
    private final Map<Integer, List<Line>> fromBox = new HashMap<>();
    private final Map<FixtureKey, Line> lineOf = new HashMap<>();
    private final Map<Integer, Line> into = new HashMap<>();

    RigCables(Collection<Line> all) {
        for (Line line : all) {
            lines.put(line.number(), line);
            fromBox.computeIfAbsent(line.from().box(), b -> new ArrayList<>()).add(line);
            line.units().forEach(u -> lineOf.putIfAbsent(u, line));
            line.boxes().forEach(b -> into.putIfAbsent(b, line));
        }
    }

    /** A unit and all that hear nothing where its line is broken before it; the unit alone where it is on none. */
    List<FixtureKey> fromOn(FixtureKey key) {
        Line line = lineOf.get(key);
        if (line == null) {
            return List.of(key);
        }
        Set<FixtureKey> units = new LinkedHashSet<>();
        int from = line.stops().indexOf(new LineStop.Unit(key));
        collect(line.stops().subList(from, line.stops().size()), units, new HashSet<>());
        return List.copyOf(units);
    }

    private void collect(List<LineStop> stops, Set<FixtureKey> units, Set<Integer> passed) {
        for (LineStop stop : stops) {
            if (stop instanceof LineStop.Unit unit) {
                units.add(unit.fixture());
            } else if (stop instanceof LineStop.Through through) {
                collectBehind(through.box(), units, passed);
            }
        }
    }

    private void collectBehind(int box, Set<FixtureKey> units, Set<Integer> passed) {
        if (passed.add(box)) {
            fromBox.getOrDefault(box, List.of()).forEach(l -> collect(l.stops(), units, passed));
        }
    }

    /** All units that hear by a box, or by one behind it. */
    Set<FixtureKey> behind(int box) {
        Set<FixtureKey> units = new LinkedHashSet<>();
        collectBehind(box, units, new HashSet<>());
        return units;
    }

    /** The units before one on its line, the nearest first, and on the lines that lead to it. */
    List<FixtureKey> before(FixtureKey key) {
        List<FixtureKey> before = new ArrayList<>();
        for (Line line : path(key)) {
            List<FixtureKey> order = line.units();
            int at = order.contains(key) ? order.indexOf(key) : order.size();
            for (int i = at - 1; i >= 0; i--) {
                before.add(order.get(i));
            }
        }
        return before;
    }

    /** The lines by which a unit hears, its own first. */
    List<Line> path(FixtureKey key) {
        List<Line> path = new ArrayList<>();
        Line line = lineOf.get(key);
        while (line != null && !path.contains(line)) {
            path.add(line);
            line = into.get(line.from().box());
        }
        return path;
    }

    /** The units in the second half of a line, where a missing terminator is felt; none for a line that is not there. */
    List<FixtureKey> farHalf(int line) {
        List<FixtureKey> order = lines.containsKey(line) ? lines.get(line).units() : List.of();
        return order.subList(order.size() / 2, order.size());
    }

    /** True for the first unit that a line reaches. */
    boolean isFirst(FixtureKey key) {
        Line line = lineOf.get(key);
        return line != null && line.units().indexOf(key) == 0;
    }
}
