package taxon.app.printing;

import java.util.List;
import taxon.core.drawing.Drawing;
import taxon.core.drawing.DrawnOn;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.rig.Plan;

/** Draws what a paper begins with. Each stage knows how its own is drawn. */
public interface PaperDrawing {
    /** The paper that begins with it. */
    PaperKind kind();

    /** The sheets, without their titles; none where there is nothing to draw. */
    Drawn draw(Plan plan, PaperChoice choice, DrawnOn on);

    /**
     * What was drawn.
     *
     * @param notes what is not drawn, or otherwise than asked for, a sentence each
     */
    record Drawn(List<Drawing> sheets, List<String> notes) {
        public Drawn {
            sheets = List.copyOf(sheets);
            notes = List.copyOf(notes);
        }
    }
}
