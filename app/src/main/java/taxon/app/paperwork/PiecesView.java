package taxon.app.paperwork;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import taxon.app.paperwork.PrintedPapers.Out;
import taxon.core.paper.PaperKind;

/**
 * All labels or cards of one kind that are out.
 *
 * @param count how many are out
 * @param untrue the first of those that no longer are true, in the order of the walk
 * @param untrueCount how many these are
 * @param again the address at which these are printed anew
 * @param isForm true where that takes a form
 * @param untrueIds by which these are taken back
 * @param ids by which all are
 */
record PiecesView(
        PaperKind kind,
        int count,
        List<Line> untrue,
        int untrueCount,
        String again,
        boolean isForm,
        String untrueIds,
        String ids) {
    private static final int SHOWN = 200;

    /** One of them, with what differs first. */
    record Line(String title, String code, String letters, String what) {}

    /** One for each kind of which any is out. */
    static List<PiecesView> of(List<Out> out) {
        Map<PaperKind, List<Out>> byKind = out.stream()
                .filter(o -> o.print().which().kind().isByPiece())
                .collect(Collectors.groupingBy(o -> o.print().which().kind(), LinkedHashMap::new, Collectors.toList()));
        return byKind.entrySet().stream().map(e -> of(e.getKey(), e.getValue())).toList();
    }

    private static PiecesView of(PaperKind kind, List<Out> out) {
        List<Out> untrue = out.stream().filter(o -> !o.isTrue()).toList();
        String keys = untrue.stream()
                .map(o -> o.print().which().query().replaceFirst(".*piece=", ""))
                .distinct()
                .collect(Collectors.joining(","));
        return new PiecesView(
                kind,
                out.size(),
                untrue.stream().limit(SHOWN).map(PiecesView::line).toList(),
                untrue.size(),
                kind.isLabels()
                        ? "labels/" + kind.slug() + "?pieces=" + keys
                        : "paperwork/" + kind.slug() + "/prints?only=chosen&sel=" + keys,
                !kind.isLabels(),
                ids(untrue),
                ids(out));
    }

    private static String ids(List<Out> some) {
        return some.stream().map(o -> Integer.toString(o.print().id())).collect(Collectors.joining(","));
    }

    private static Line line(Out out) {
        ChangesView changes = ChangesView.of(out.changes(), 1);
        String what = changes.lines().stream()
                .map(l -> l.what() + ": " + l.before() + " is now " + l.now())
                .collect(Collectors.joining());
        return new Line(
                out.title(),
                out.print().code().toString(),
                out.print().code().letters(),
                what + (changes.more() > 0 ? ", and " + changes.more() + " more" : ""));
    }
}
