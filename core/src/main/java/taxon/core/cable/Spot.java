package taxon.core.cable;

import taxon.core.length.Length;
import taxon.core.rig.Position;

/**
 * Where an end of a cable is.
 *
 * @param offset from the middle of the position, to the right
 * @param assumed true when nobody has said the offset and units are taken to hang evenly along their position
 */
public record Spot(Position position, Length offset, boolean assumed) {}
