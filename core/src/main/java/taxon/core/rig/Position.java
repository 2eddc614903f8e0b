package taxon.core.rig;

import java.util.Comparator;
import java.util.Optional;
import java.util.UUID;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * Where fixtures hang or stand: a truss, a pipe, a tower, a floor, a room.
 *
 * @param number 1 or more
 * @param name 1 to 80 characters
 * @param rank where it stands in the order of positions, 1 or more; equal ranks are ordered by number
 * @param uuid by which scene files know it, where one does
 */
public record Position(
        int number, String name, PositionKind kind, PositionGeometry geometry, int rank, Optional<UUID> uuid)
        implements Element {
    /** The order in which a rig is read: by rank, then by number. */
    public static final Comparator<Position> ORDER =
            Comparator.comparingInt(Position::rank).thenComparingInt(Position::number);

    public Position {
        if (number < 1) {
            throw new IllegalArgumentException("position number " + number + " is below 1");
        }
        if (rank < 1) {
            throw new IllegalArgumentException("the rank " + rank + " of a position is below 1");
        }
        Texts.requireLine("position", name, 80);
    }

    /** A position of which only the name is known. */
    public Position(int number, String name) {
        this(number, name, PositionKind.UNSAID, PositionGeometry.UNSAID);
    }

    /** A position that stands where its number puts it. */
    public Position(int number, String name, PositionKind kind, PositionGeometry geometry) {
        this(number, name, kind, geometry, number, Optional.empty());
    }

    /** The same at another place in the order in which the rig is read. */
    public Position withRank(int changed) {
        return new Position(number, name, kind, geometry, changed, uuid);
    }

    /** The same somewhere else. */
    public Position withGeometry(PositionGeometry changed) {
        return new Position(number, name, kind, changed, rank, uuid);
    }

    /** The same place, called and described otherwise. */
    public Position described(String changedName, PositionKind changedKind, PositionGeometry changedGeometry) {
        return new Position(number, changedName, changedKind, changedGeometry, rank, uuid);
    }

    /** The same under the UUID that other programs know it by. */
    public Position withUuid(UUID known) {
        return new Position(number, name, kind, geometry, rank, Optional.of(known));
    }

    @Override
    public ElementKey elementKey() {
        return ElementKey.of(Kind.POSITION, number);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.position(this);
    }
}
