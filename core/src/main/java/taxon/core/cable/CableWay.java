package taxon.core.cable;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import taxon.core.length.Length;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry.Point;

/**
 * How far it is between boxes and units, as cable lies: straight along one position; between two that the job's route of
 * trusses names along these; else down to the floor, square across it, and up again (common practice).
 */
public final class CableWay {
    private static final long MICROMETRES = 1_000_000;

    private final Plan plan;
    private final TrussWay trusses;
    private final Map<Integer, Map<FixtureKey, Length>> spread = new HashMap<>();

    public CableWay(Plan plan) {
        this.plan = plan;
        trusses = TrussWay.of(plan);
    }

    /** Where a box stands; its middle where only a position is said, empty where not even that is. */
    public Optional<Spot> spot(Box box) {
        return box.place()
                .position()
                .flatMap(plan::position)
                .map(p -> Spot.on(p, box.place().offset().orElse(Length.ZERO), false));
    }

    /** Where a unit hangs; empty where nobody has said, and its position has no length along which it could. */
    public Optional<Spot> spot(Fixture unit) {
        Position position = plan.position(unit);
        return unit.offset()
                .map(o -> Spot.on(position, o, false))
                .or(() -> Optional.ofNullable(evenly(position).get(unit.key())).map(o -> Spot.on(position, o, true)));
    }

    private Map<FixtureKey, Length> evenly(Position position) {
        return spread.computeIfAbsent(position.number(), n -> {
            Map<FixtureKey, Length> places = new HashMap<>();
            List<Fixture> units = plan.fixturesOn(position);
            position.geometry().length().ifPresent(length -> {
                for (int i = 0; i < units.size(); i++) {
                    long along = length.micrometres() * (2L * i + 1) / (2L * units.size()) - length.micrometres() / 2;
                    places.put(units.get(i).key(), new Length(along));
                }
            });
            return places;
        });
    }

    /** The way in metres; empty where it is not said where the box or the unit is. */
    public Optional<Double> metres(Box box, Fixture unit) {
        return between(spot(box), spot(unit)).map(r -> r.length().inMetres());
    }

    /** The way between two places; empty where one of them is not said, or its position has none in the rig. */
    public Optional<CableRun> between(Optional<Spot> one, Optional<Spot> other) {
        return one.isEmpty() || other.isEmpty() ? Optional.empty() : between(one.get(), other.get());
    }

    private Optional<CableRun> between(Spot one, Spot other) {
        boolean assumed = one.assumed() || other.assumed();
        if (one.position().number() == other.position().number()) {
            long along = Math.abs(one.offset().micrometres() - other.offset().micrometres());
            return Optional.of(run(along / (double) MICROMETRES, assumed));
        }
        return one.point().isEmpty() || other.point().isEmpty()
                ? Optional.empty()
                : Optional.of(run(trusses.metres(one, other).orElseGet(() -> overTheFloor(one, other)), assumed));
    }

    private static CableRun run(double metres, boolean assumed) {
        return new CableRun(new Length(Math.round(metres * MICROMETRES)), assumed);
    }

    private static double overTheFloor(Spot one, Spot other) {
        Point from = one.point().orElseThrow();
        Point to = other.point().orElseThrow();
        return one.height()
                + Math.abs(from.across() - to.across())
                + Math.abs(from.upstage() - to.upstage())
                + other.height();
    }
}
