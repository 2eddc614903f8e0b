package taxon.app.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import taxon.app.lists.ColumnChooser;
import taxon.app.lists.NumberAnswers;
import taxon.app.lists.NumberAnswers.Question;
import taxon.core.compare.CompareText;
import taxon.core.compare.Comparison;
import taxon.core.compare.NotTaken;
import taxon.core.compare.Pattern;
import taxon.core.compare.PatternText;
import taxon.core.compare.RowDifference.Kind;
import taxon.core.compare.Taken;
import taxon.core.compare.TheirPatch;
import taxon.core.listing.CellFault;
import taxon.core.listing.Column;
import taxon.core.rig.Plan;
import taxon.core.text.Counted;
import taxon.formats.json.Json;

/**
 * The page of a comparison. Its first six parts are those of every list.
 *
 * @param sentence what came of it
 * @param counting how the other side counts, where that is not as here
 * @param filters what can be shown, with how many there are of each
 * @param before where the page before begins; empty where there is none
 */
public record ComparePage(
        String sheet,
        List<String> sheets,
        String kept,
        ColumnChooser columns,
        List<Question> doubts,
        String origin,
        String side,
        String trouble,
        String sentence,
        boolean isTable,
        boolean universesFromZero,
        boolean slotsFromZero,
        String counting,
        boolean letGo,
        List<PatternLine> patterns,
        List<Filter> filters,
        List<Row> rows,
        int matching,
        Optional<Integer> before,
        Optional<Integer> next,
        List<String> faults,
        int moreFaults,
        List<String> leftOut,
        List<NotTaken> notTaken,
        List<TapePair> tapes,
        int moreTapes,
        boolean taking,
        boolean removable,
        boolean different) {
    private static final int FAULTS = 12;
    private static final Set<Column> ANY_OF =
            Set.of(Column.FIRST_ID, Column.NAME, Column.TYPE, Column.ADDRESS, Column.SLOT);

    /** One pattern; taken where all that it explains is taken over. */
    public record PatternLine(int number, String sentence, int rows, boolean taken) {}

    /** What can be shown. */
    public record Filter(String key, String value, String words, int count, boolean here) {}

    /** A difference in words. */
    public record Field(String kind, String what, String ours, String theirs, boolean takeable, boolean taken) {}

    /**
     * A row of the table.
     *
     * @param state "both", "ours" or "theirs"
     * @param key of our fixture; 0 where we have none
     * @param place of their row; −1 where they have none
     * @param others their rows that it could be instead, where it is a guess
     */
    public record Row(
            String state,
            int key,
            int place,
            String who,
            String type,
            String line,
            String reason,
            boolean guess,
            List<Field> fields,
            boolean taken,
            List<Other> others) {}

    /** A row of their side to choose. */
    public record Other(int place, String words) {}

    static ComparePage of(ComparedSides sides, Plan plan, Wanted wanted) {
        CompareRows rows = new CompareRows(sides, plan);
        List<Supplier<Row>> matching = rows.matching(wanted);
        int from = Math.min(wanted.from(), matching.size());
        int to = Math.min(matching.size(), from + Wanted.PAGE);
        Optional<ComparedSides.Table> table = sides.table();
        TapePairs tapes = TapePairs.of(sides, plan);
        List<String> faults = faults(sides.theirs());
        return new ComparePage(
                table.map(t -> t.file().origin().sheet()).orElse(""),
                table.map(t -> t.file().origin().sheets()).orElse(List.of()),
                table.map(ComparedSides.Table::kept).orElse(""),
                ColumnChooser.of(
                        table.map(t -> t.file().rows()).orElse(List.of()),
                        table.map(ComparedSides.Table::reading),
                        ANY_OF),
                table.stream()
                        .flatMap(t -> t.doubts().stream())
                        .map(d -> NumberAnswers.question(d, sides.request().answers()))
                        .toList(),
                table.map(t -> t.file().origin().words()).orElse(""),
                sides.side(),
                sides.trouble(),
                sentence(sides),
                table.isPresent(),
                sides.theirs().counting().universesFromZero(),
                sides.theirs().counting().slotsFromZero(),
                counting(sides.theirs()),
                sides.letGo(),
                patterns(sides),
                filters(sides, rows, wanted),
                matching.subList(from, to).stream().map(Supplier::get).toList(),
                matching.size(),
                from == 0 ? Optional.empty() : Optional.of(Math.max(0, from - Wanted.PAGE)),
                to == matching.size() ? Optional.empty() : Optional.of(to),
                faults.subList(0, Math.min(FAULTS, faults.size())),
                Math.max(0, faults.size() - FAULTS),
                table.map(t -> t.reading().leftOut()).orElse(List.of()),
                sides.omissions(),
                tapes.shown(),
                tapes.more(),
                !sides.taken().isNothing(),
                !sides.isPartial()
                        && wanted.which().equals("ours")
                        && wanted.kind().isEmpty(),
                !sides.comparison().isSame());
    }

    private static String sentence(ComparedSides sides) {
        if (!sides.trouble().isEmpty()) {
            return sides.trouble();
        }
        Comparison comparison = sides.comparison();
        String matched = Counted.of(sides.ours().size(), "fixture") + " here, "
                + Counted.of(sides.theirs().rows().size(), "row") + " there, "
                + comparison.matches().size() + " taken for the same";
        if (comparison.isSame()) {
            return matched + ". Both sides say the same of all that both say.";
        }
        int odd = comparison.odd().size();
        return matched + "; " + comparison.differences().size()
                + (comparison.differences().size() == 1 ? " of them differs" : " of them differ")
                + (odd == 0 ? ", all by the patterns below." : ", " + odd + " by no pattern.");
    }

    private static String counting(TheirPatch theirs) {
        boolean universes = theirs.counting().universesFromZero();
        boolean slots = theirs.counting().slotsFromZero();
        if (!universes && !slots) {
            return "";
        }
        String what = universes && slots ? "Universes and slots" : universes ? "Universes" : "Slots";
        return what + " are counted from 0 there; they are read one higher, and told in their numbers in the note.";
    }

    private static List<PatternLine> patterns(ComparedSides sides) {
        List<PatternLine> lines = new ArrayList<>();
        for (Pattern pattern : sides.comparison().patterns()) {
            Taken with = sides.taken().with(sides.comparison(), pattern);
            lines.add(new PatternLine(
                    lines.size(), PatternText.of(pattern), pattern.explains().size(), with.equals(sides.taken())));
        }
        return lines;
    }

    private static List<Filter> filters(ComparedSides sides, CompareRows rows, Wanted wanted) {
        List<Filter> filters = new ArrayList<>();
        rows(filters, wanted, "all", "All that differs", rows.all());
        rows(filters, wanted, "odd", "By no pattern", sides.comparison().odd().size());
        rows(filters, wanted, "guess", "Unsure who is who", rows.guesses());
        rows(filters, wanted, "ours", "Only here", sides.comparison().onlyOurs().size());
        rows(
                filters,
                wanted,
                "theirs",
                "Only there",
                sides.comparison().onlyTheirs().size());
        for (Kind kind : Kind.values()) {
            int count = rows.count(kind);
            if (count > 0) {
                filters.add(new Filter(
                        "kind",
                        Json.slug(kind),
                        CompareText.of(kind),
                        count,
                        wanted.kind().equals(Optional.of(kind))));
            }
        }
        return filters;
    }

    private static void rows(List<Filter> filters, Wanted wanted, String which, String words, int count) {
        if (count > 0 || which.equals("all")) {
            filters.add(new Filter(
                    "rows",
                    which,
                    words,
                    count,
                    wanted.kind().isEmpty() && wanted.which().equals(which)));
        }
    }

    private static List<String> faults(TheirPatch theirs) {
        return theirs.faults().stream()
                .map(f -> "Line " + f.line() + (f.whole() ? ", left out: " : ": ")
                        + String.join(
                                " ", f.cells().stream().map(CellFault::sentence).toList()))
                .toList();
    }
}
