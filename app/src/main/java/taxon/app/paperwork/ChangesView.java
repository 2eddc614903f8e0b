package taxon.app.paperwork;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.paper.PaperChanges;
import taxon.core.paper.PaperChanges.RowChange;

/**
 * What changed since a paper was printed, in words.
 *
 * @param lines the first of them
 * @param more how many are not among them
 */
record ChangesView(boolean isNone, List<Line> lines, int more) {
    /**
     * One thing.
     *
     * @param what "changed", "new", "gone" or the heading that reads otherwise
     * @param row by which it is found on the paper
     */
    record Line(String what, String row, String before, String now) {}

    static ChangesView of(PaperChanges changes, int most) {
        List<Line> all = Stream.concat(
                        changes.headings().stream()
                                .map(c -> new Line(c.field(), "", words(c.before()), words(c.now()))),
                        changes.rows().stream().flatMap(ChangesView::lines))
                .toList();
        return new ChangesView(changes.isNone(), all.stream().limit(most).toList(), Math.max(0, all.size() - most));
    }

    private static Stream<Line> lines(RowChange change) {
        String row = change.row().stream().filter(w -> !w.isEmpty()).limit(3).collect(Collectors.joining(", "));
        String fate = change.fate().name().toLowerCase(Locale.ROOT);
        return switch (change.fate()) {
            case CHANGED ->
                change.fields().stream().map(f -> new Line(f.field(), row, words(f.before()), words(f.now())));
            case NEW -> Stream.of(new Line(fate, row, "not on the paper", "there"));
            case GONE -> Stream.of(new Line(fate, row, "on the paper", "gone"));
        };
    }

    private static String words(String field) {
        return field.isEmpty() ? "nothing" : field;
    }

    static String counted(PaperChanges changes) {
        int count = changes.headings().size() + changes.rows().size();
        return count == 1 ? "1 thing differs" : count + " things differ";
    }
}
