package taxon.app.rig.drawing;

import org.springframework.stereotype.Component;
import taxon.app.printing.PaperDrawing;
import taxon.app.printing.PrintFonts;
import taxon.core.drawing.DrawnOn;
import taxon.core.drawing.RigPlanSheets;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.paper.Papers;
import taxon.core.rig.Plan;

/** The drawing that the rig plan begins with. */
@Component
final class RigPaperDrawing implements PaperDrawing {
    @Override
    public PaperKind kind() {
        return PaperKind.RIG_PLAN;
    }

    @Override
    public Drawn draw(Plan plan, PaperChoice choice, DrawnOn on) {
        RigPlanSheets drawn = RigPlanSheets.of(plan, Papers.rigLayout(plan, choice), on, PrintFonts.shared());
        return new Drawn(drawn.sheets(), drawn.notes());
    }
}
