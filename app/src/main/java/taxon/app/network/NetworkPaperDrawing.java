package taxon.app.network;

import java.util.List;
import org.springframework.stereotype.Component;
import taxon.app.printing.PaperDrawing;
import taxon.app.printing.PrintFonts;
import taxon.core.drawing.DrawnOn;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.rig.Plan;

/** The drawing that the paper of the network begins with; it is always of the whole network. */
@Component
final class NetworkPaperDrawing implements PaperDrawing {
    @Override
    public PaperKind kind() {
        return PaperKind.NETWORK;
    }

    @Override
    public Drawn draw(Plan plan, PaperChoice choice, DrawnOn on) {
        return new Drawn(NetworkSheets.of(plan, on.sheet(), PrintFonts.shared()), List.of());
    }
}
