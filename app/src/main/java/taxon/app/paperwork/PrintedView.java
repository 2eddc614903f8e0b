package taxon.app.paperwork;

import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import taxon.app.paperwork.PrintedPapers.Out;

/**
 * A paper that is out, in words.
 *
 * @param at "2026-11-29 14:03", in UTC as everywhere
 * @param paper the address of the same paper as it is now
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
    private static final DateTimeFormatter MINUTE =
            DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm", Locale.ROOT).withZone(ZoneOffset.UTC);

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
                "paperwork/" + print.which().kind().slug() + ".pdf"
                        + print.which().query(),
                out.isTrue(),
                out.isTrue() ? "still true" : ChangesView.counted(out.changes()));
    }
}
