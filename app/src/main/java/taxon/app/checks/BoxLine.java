package taxon.app.checks;

import java.util.List;
import taxon.core.boxcheck.BoxCheck;
import taxon.core.boxcheck.BoxCheckText;
import taxon.core.boxcheck.BoxVerdict;
import taxon.core.rig.Plan;

/**
 * A box that was asked, as the page shows it.
 *
 * @param differences a sentence each; none for one that is as planned
 */
record BoxLine(int box, String name, List<String> differences) {
    static List<BoxLine> of(Plan plan, RigReading reading) {
        return BoxCheck.of(plan, reading.boxes()).stream().map(BoxLine::of).toList();
    }

    private static BoxLine of(BoxVerdict verdict) {
        return new BoxLine(
                verdict.box().number(),
                verdict.box().name(),
                verdict.differences().stream()
                        .map(d -> BoxCheckText.sentence(verdict.box(), d))
                        .toList());
    }

    /** "2 of 3 boxes are as planned in all that they say". */
    static String sum(List<BoxLine> lines) {
        long right = lines.stream().filter(l -> l.differences().isEmpty()).count();
        return right + " of " + lines.size() + (lines.size() == 1 ? " box is" : " boxes are") + " as planned in what "
                + (lines.size() == 1 ? "it says of itself" : "they say of themselves") + ".";
    }
}
