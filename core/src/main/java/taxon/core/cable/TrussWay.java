package taxon.core.cable;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import taxon.core.length.Length;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionGeometry.Point;

/**
 * The job's route of trusses: each is joined to the next where the two come nearest, and cable goes along them from one to the
 * other.
 */
final class TrussWay {
    /** Along each truss so many places are tried for where it meets the next; the ends and the middle are among them. */
    private static final int TRIED = 40;

    private final List<Joint> joints;
    private final Map<Integer, Integer> places = new HashMap<>();

    /**
     * Where a truss of the route meets the next.
     *
     * @param leaving metres from the middle of the one
     * @param arriving metres from the middle of the next
     */
    private record Joint(double leaving, double arriving, double gap) {}

    private TrussWay(List<Position> route, List<Joint> joints) {
        this.joints = joints;
        for (int i = 0; i < route.size(); i++) {
            places.put(route.get(i).number(), i);
        }
    }

    /** The route as far as its positions are there and have a place. */
    static TrussWay of(Plan plan) {
        List<Position> route = plan.sheet().network().cable().trusses().stream()
                .flatMap(n -> plan.position(n).stream())
                .filter(p -> !p.geometry().equals(PositionGeometry.UNSAID))
                .toList();
        List<Joint> joints = new ArrayList<>();
        for (int i = 0; i + 1 < route.size(); i++) {
            joints.add(joint(plan, route.get(i), route.get(i + 1)));
        }
        return new TrussWay(route, joints);
    }

    private static Joint joint(Plan plan, Position one, Position next) {
        double half = half(plan, one);
        double nextHalf = half(plan, next);
        Joint nearest = new Joint(0, 0, Double.MAX_VALUE);
        for (int i = -TRIED; i <= TRIED; i++) {
            for (int j = -TRIED; j <= TRIED; j++) {
                double leaving = half * i / TRIED;
                double arriving = nextHalf * j / TRIED;
                double gap = gap(one, leaving, next, arriving);
                if (gap < nearest.gap() - 1e-9) {
                    nearest = new Joint(leaving, arriving, gap);
                }
            }
        }
        return nearest;
    }

    /** Half of its length; where nobody has said that, as far as its outermost unit hangs from the middle. */
    private static double half(Plan plan, Position position) {
        return position.geometry()
                .length()
                .map(l -> l.inMetres() / 2)
                .orElseGet(() -> plan.fixturesOn(position).stream()
                        .flatMap(f -> f.offset().stream())
                        .mapToDouble(o -> Math.abs(o.inMetres()))
                        .max()
                        .orElse(0));
    }

    private static double gap(Position one, double here, Position other, double there) {
        Point from = one.geometry().at(metres(here));
        Point to = other.geometry().at(metres(there));
        return Math.abs(from.across() - to.across())
                + Math.abs(from.upstage() - to.upstage())
                + Math.abs(one.geometry().heightAt(metres(here)).inMetres()
                        - other.geometry().heightAt(metres(there)).inMetres());
    }

    private static Length metres(double count) {
        return new Length(Math.round(count * Length.METRE));
    }

    /** The way along the route; empty where one of the two is not on it. */
    Optional<Double> metres(Spot one, Spot other) {
        Integer from = places.get(one.position().number());
        Integer to = places.get(other.position().number());
        if (from == null || to == null) {
            return Optional.empty();
        }
        return Optional.of(from < to ? along(from, one, to, other) : along(to, other, from, one));
    }

    private double along(int from, Spot start, int to, Spot end) {
        double way = 0;
        double at = start.offset().inMetres();
        for (int i = from; i < to; i++) {
            Joint joint = joints.get(i);
            way += Math.abs(at - joint.leaving()) + joint.gap();
            at = joint.arriving();
        }
        return way + Math.abs(at - end.offset().inMetres());
    }
}
