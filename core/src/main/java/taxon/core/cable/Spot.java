package taxon.core.cable;

import java.util.Optional;
import taxon.core.length.Length;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionGeometry.Point;

/**
 * Where an end of a cable is.
 *
 * @param offset from the middle of the position, to the right
 * @param assumed true when nobody has said the offset and units are taken to hang evenly along their position
 * @param point seen from above; empty where nobody has said where its position lies
 * @param height above the floor in metres, not below 0
 */
public record Spot(Position position, Length offset, boolean assumed, Optional<Point> point, double height) {

    /** On a position, so far to the right of its middle. */
    public static Spot on(Position position, Length offset, boolean assumed) {
        PositionGeometry geometry = position.geometry();
        return new Spot(
                position,
                offset,
                assumed,
                geometry.equals(PositionGeometry.UNSAID) ? Optional.empty() : Optional.of(geometry.at(offset)),
                Math.max(0, geometry.heightAt(offset).inMetres()));
    }
}
