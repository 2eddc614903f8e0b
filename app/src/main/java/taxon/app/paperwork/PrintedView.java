package taxon.app.paperwork;

import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import taxon.app.paperwork.PrintedPapers.Out;
import taxon.app.store.PrintStore.Which;

/**
 * A paper that is out, in words.
 *
 * @param at "2026-11-29 14:03", in UTC as everywhere
 * @param paper the address at which the same paper is printed as it is now
 * @param isTrue false where it says something else than the plan does now
 */
record PrintedView(
        int id,
        String code,
        String letters,
        String title,
        String revision,
        String who,
        String at,
        String paper,
        boolean isTrue,
        String state) {
    private static final String PIECE = "?piece=";
    private static final DateTimeFormatter MINUTE =
            DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm", Locale.ROOT).withZone(ZoneOffset.UTC);

    /** Where a paper is printed anew: a form for papers, a page with the stock for labels. */
    static String again(Which which) {
        String piece = which.query().startsWith(PIECE) ? which.query().substring(PIECE.length()) : "";
        if (which.kind().isLabels()) {
            return "labels/" + which.kind().slug() + (piece.isEmpty() ? which.query() : "?pieces=" + piece);
        }
        String query = piece.isEmpty() ? which.query() : "?only=chosen&sel=" + piece;
        return "paperwork/" + which.kind().slug() + "/prints" + query;
    }

    static PrintedView of(Out out) {
        var print = out.print();
        return new PrintedView(
                print.id(),
                print.code().toString(),
                print.code().letters(),
                out.title(),
                print.revision(),
                print.who(),
                MINUTE.format(print.at()),
                again(print.which()),
                out.isTrue(),
                out.isTrue() ? "still true" : ChangesView.counted(out.changes()));
    }
}
