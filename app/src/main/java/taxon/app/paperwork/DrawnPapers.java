package taxon.app.paperwork;

import java.util.List;
import org.springframework.stereotype.Component;
import taxon.app.access.People;
import taxon.app.printing.PaperDrawing;
import taxon.app.printing.PaperDrawing.Drawn;
import taxon.core.drawing.DrawnOn;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.rig.Plan;

/** All drawings that papers begin with. */
@Component
public class DrawnPapers {
    private final List<PaperDrawing> drawings;

    DrawnPapers(List<PaperDrawing> drawings) {
        this.drawings = drawings;
    }

    /**
     * What is drawn of a paper; no sheet where it is a list.
     *
     * @param who draws it
     */
    public DrawnPaper of(Plan plan, PaperKind kind, PaperChoice choice, DrawnOn on, String who) {
        return drawings.stream()
                .filter(d -> d.kind() == kind)
                .findFirst()
                .map(d -> d.draw(plan, choice, on))
                .map(d -> titled(d, who))
                .orElse(DrawnPaper.NONE);
    }

    private static DrawnPaper titled(Drawn drawn, String who) {
        // By nobody in particular where a browser was given no name.
        String by = who.equals(People.NOBODY_SAID) ? "Drawn " + who + "." : "Drawn by " + who + ".";
        return new DrawnPaper(drawn.sheets(), drawn.notes(), by);
    }
}
