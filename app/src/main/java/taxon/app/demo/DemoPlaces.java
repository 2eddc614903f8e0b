package taxon.app.demo;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.arranging.Arranging;
import taxon.core.arranging.Spread;
import taxon.core.length.Length;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;

/** Where the positions of the demo lie in the dry dock, and the units along them. */
final class DemoPlaces {
    private static final Map<String, Place> PLACES = Map.of(
            "Pump house", new Place(PositionKind.ROOM, "6", "-13", "14.5", "3", 0),
            "North quay", new Place(PositionKind.PIPE, "15", "-8", "11.5", "4", 0),
            "South quay", new Place(PositionKind.PIPE, "15", "8.5", "11.5", "4", 0),
            "Crane rail", new Place(PositionKind.TRUSS, "24", "0", "8", "9", 0),
            "Gate tower", new Place(PositionKind.TOWER, "12", "13", "5.6", "6", 350),
            "Dock floor", new Place(PositionKind.FLOOR, "33", "0", "0", "0", 0),
            "Dock steps", new Place(PositionKind.FLOOR, "11", "-10", "4", "1.2", -150));

    private DemoPlaces() {}

    /** Lengths in metres. */
    private record Place(
            PositionKind kind, String length, String across, String upstage, String height, int tenthsOfADegree) {
        PositionGeometry geometry() {
            return new PositionGeometry(
                    Optional.of(Length.metres(length)),
                    Length.metres(across),
                    Length.metres(upstage),
                    Length.metres(height),
                    tenthsOfADegree);
        }
    }

    static Plan hang(Plan plan) {
        Plan hung = plan;
        for (Position position : plan.positions()) {
            Place place = Optional.ofNullable(PLACES.get(position.name()))
                    .orElseThrow(() -> new IllegalStateException("nobody said where " + position.name() + " lies"));
            Position described = new Position(position.number(), position.name(), place.kind(), place.geometry());
            hung = spread(hung.with(described), described, place);
        }
        return hung;
    }

    /** From end to end, with half a unit's room left at each. */
    private static Plan spread(Plan plan, Position position, Place place) {
        Set<FixtureKey> there =
                plan.fixturesOn(position).stream().map(Fixture::key).collect(Collectors.toSet());
        Length half = Length.ZERO.towards(Length.metres(place.length()), 1, 2).minus(Length.metres("0.5"));
        return DemoJob.apply(
                plan,
                Arranging.propose(plan, there, new Spread.FromTo(half.negated(), half))
                        .edit());
    }
}
