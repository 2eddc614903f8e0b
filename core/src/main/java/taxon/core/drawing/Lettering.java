package taxon.core.drawing;

import java.util.List;
import taxon.core.drawing.Shape.Anchor;
import taxon.core.drawing.Shape.Words;
import taxon.core.drawing.Taken.Disc;
import taxon.core.label.TextMeasure;
import taxon.core.label.TextMeasure.Face;

/**
 * Writes words along a direction of the sheet and knows what room they take.
 *
 * @param size in millimetres
 */
record Lettering(TextMeasure measure, Face face, double size) {
    /** From the line that letters stand on to their middle, as a part of their size. */
    static final double CAPITAL = 0.36;

    /** Words and the room that they take. */
    record Written(Words words, List<Disc> discs) {}

    /** Words that begin at a gap from a point and run away from it. */
    Written along(Direction way, String text, double fromX, double fromY, double gap) {
        double wide = measure.width(face, text) * size;
        double startX = fromX + way.right() * gap;
        double startY = fromY + way.down() * gap;
        double angle = Math.toRadians(way.angle());
        // The line that letters stand on lies below their middle, as they are read.
        double downX = Math.sin(angle) * CAPITAL * size;
        double downY = Math.cos(angle) * CAPITAL * size;
        return new Written(
                new Words(
                        startX + downX,
                        startY + downY,
                        size,
                        face,
                        text,
                        way.isBackwards() ? Anchor.END : Anchor.START,
                        way.angle()),
                Taken.along(
                        startX + way.right() * size / 2,
                        startY + way.down() * size / 2,
                        startX + way.right() * Math.max(size / 2, wide - size / 2),
                        startY + way.down() * Math.max(size / 2, wide - size / 2),
                        size / 2));
    }
}
