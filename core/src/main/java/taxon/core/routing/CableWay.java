package taxon.core.routing;

import java.util.Optional;
import taxon.core.length.Length;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionGeometry.Point;

/**
 * How far it is from a box to a unit, as cable lies: straight along one position; else down to the floor, square across it,
 * and up again (common practice).
 */
public final class CableWay {
    private final Plan plan;

    public CableWay(Plan plan) {
        this.plan = plan;
    }

    /** The way in metres; empty where it is not said where the box or the unit is. */
    public Optional<Double> metres(Box box, Fixture unit) {
        Optional<Position> from = box.place().position().flatMap(plan::position);
        Optional<Position> to = plan.position(unit.position());
        if (from.isEmpty() || to.isEmpty()) {
            return Optional.empty();
        }
        Length there = unit.offset().orElse(Length.ZERO);
        Length here = box.place().offset().orElse(Length.ZERO);
        if (from.get().number() == to.get().number()) {
            return Optional.of(Math.abs(there.inMetres() - here.inMetres()));
        }
        PositionGeometry one = from.get().geometry();
        PositionGeometry other = to.get().geometry();
        return one.equals(PositionGeometry.UNSAID) || other.equals(PositionGeometry.UNSAID)
                ? Optional.empty()
                : Optional.of(overTheFloor(one, here, other, there));
    }

    private static double overTheFloor(PositionGeometry one, Length here, PositionGeometry other, Length there) {
        Point from = one.at(here);
        Point to = other.at(there);
        return Math.max(0, one.heightAt(here).inMetres())
                + Math.abs(from.across() - to.across())
                + Math.abs(from.upstage() - to.upstage())
                + Math.max(0, other.heightAt(there).inMetres());
    }
}
