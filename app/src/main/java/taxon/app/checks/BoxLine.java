package taxon.app.checks;

import java.util.List;
import java.util.stream.Stream;
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
        List<BoxVerdict> direct =
                reading.interfaces().map(i -> BoxCheck.interfaces(plan, i)).orElse(List.of());
        return Stream.concat(BoxCheck.of(plan, reading.boxes()).stream(), direct.stream())
                .map(BoxLine::of)
                .toList();
    }

    private static BoxLine of(BoxVerdict verdict) {
        return new BoxLine(
                verdict.box().number(),
                verdict.box().name(),
                verdict.differences().stream()
                        .map(d -> BoxCheckText.sentence(verdict.box(), d))
                        .toList());
    }

    /** "Boxes that are as planned in what they say of themselves: 2 of 3." */
    static String sum(List<BoxLine> lines) {
        long right = lines.stream().filter(l -> l.differences().isEmpty()).count();
        return "Boxes that are as planned in what they say of themselves: " + right + " of " + lines.size() + ".";
    }
}
