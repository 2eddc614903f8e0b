package taxon.app.network;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.app.edit.JobState;
import taxon.app.form.Selection;
import taxon.core.rig.Plan;

/**
 * How the drawing is asked for.
 *
 * @param by "position" or "rack" to fold boxes together, empty for none: what the address says, and where it says nothing by
 *     position if all units together would be too many to look at
 * @param isLong true when it takes longer to draw than a page may take to show
 */
record Fold(String by, boolean isLong) {
    private static final int MOST_UNITS = 400;

    static Fold of(Plan plan, HttpServletRequest request) {
        int units = plan.lines().stream().mapToInt(l -> l.stops().size()).sum();
        boolean many = units > MOST_UNITS;
        String by = Optional.ofNullable(request.getParameter("fold")).orElse(many ? "position" : "");
        return new Fold(by, many && by.isEmpty());
    }

    /** Draws it; {@code sel} is lit, and {@code open} says which of those that are folded together are open all the same. */
    NetworkDrawing drawing(JobState state, HttpServletRequest request) {
        Selection selection = Selection.read(Objects.requireNonNullElse(request.getParameter("sel"), ""));
        String[] open = Objects.requireNonNullElse(request.getParameterValues("open"), new String[0]);
        return NetworkLayout.of(state, selection, by, Arrays.stream(open).collect(Collectors.toSet()));
    }
}
