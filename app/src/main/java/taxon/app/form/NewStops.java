package taxon.app.form;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import taxon.app.edit.EditOutcome;
import taxon.core.finding.Finding;
import taxon.core.finding.FindingText;
import taxon.core.finding.Severity;

/** What came with an edit, in words: nobody makes a clash, or parts what shares an address, without being told. */
public final class NewStops {
    private static final int TOLD = 2;

    private NewStops() {}

    /** "It brought 1 stop: Overlap at 1.001 to 1.003. …"; empty where nothing was done or nothing came with it. */
    public static String words(EditOutcome outcome) {
        return words(outcome instanceof EditOutcome.Done done ? done.brought() : List.of());
    }

    /** As {@link #words(EditOutcome)}, of findings that were not there before. */
    public static String words(List<Finding> brought) {
        List<String> sentences = new ArrayList<>();
        told(brought, Severity.STOP, "stop", sentences);
        told(brought, Severity.WARN, "warning", sentences);
        return String.join(" ", sentences);
    }

    private static void told(List<Finding> brought, Severity severity, String word, List<String> sentences) {
        List<Finding> own =
                brought.stream().filter(f -> f.severity() == severity).toList();
        if (!own.isEmpty()) {
            String first = own.stream().limit(TOLD).map(FindingText::sentence).collect(Collectors.joining(" "));
            sentences.add("It brought " + own.size() + " " + word + (own.size() == 1 ? ": " : "s: ") + first
                    + (own.size() > TOLD ? " And " + (own.size() - TOLD) + " more." : ""));
        }
    }
}
