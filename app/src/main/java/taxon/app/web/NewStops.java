package taxon.app.web;

import java.util.List;
import java.util.stream.Collectors;
import taxon.app.edit.EditOutcome;
import taxon.core.finding.Finding;
import taxon.core.finding.FindingText;

/** The stops that came with an edit, in words: nobody makes a clash without being told. */
public final class NewStops {
    private static final int TOLD = 2;

    private NewStops() {}

    /** "It brought 1 stop: Overlap at 1.001 to 1.003. …"; empty where nothing was done or nothing came with it. */
    public static String words(EditOutcome outcome) {
        List<Finding> stops = outcome instanceof EditOutcome.Done done ? done.stops() : List.of();
        if (stops.isEmpty()) {
            return "";
        }
        String first = stops.stream().limit(TOLD).map(FindingText::sentence).collect(Collectors.joining(" "));
        return "It brought " + stops.size() + (stops.size() == 1 ? " stop: " : " stops: ") + first
                + (stops.size() > TOLD ? " And " + (stops.size() - TOLD) + " more." : "");
    }
}
