package taxon.app.compare;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Stream;
import taxon.app.lists.ColumnChooser;
import taxon.app.lists.NumberAnswers;
import taxon.app.lists.NumberAnswers.Question;
import taxon.core.compare.CompareText;
import taxon.core.compare.Comparison;
import taxon.core.compare.Match;
import taxon.core.compare.NotTaken;
import taxon.core.compare.PatchRow;
import taxon.core.compare.Pattern;
import taxon.core.compare.PatternText;
import taxon.core.compare.RowDifference;
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
        Rows rows = new Rows(sides, plan);
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

    private static List<Filter> filters(ComparedSides sides, Rows rows, Wanted wanted) {
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

    /** The rows of the table, made when they are shown. */
    private record Rows(ComparedSides sides, Plan plan) {
        private static final int OTHERS = 60;

        int guesses() {
            return (int) sides.comparison().matches().stream()
                    .filter(m -> m.reason().isGuess())
                    .count();
        }

        int count(Kind kind) {
            return (int) sides.comparison().differences().values().stream()
                    .filter(d -> d.stream().anyMatch(one -> one.kind() == kind))
                    .count();
        }

        int all() {
            Comparison comparison = sides.comparison();
            return comparison.differences().size()
                    + comparison.onlyOurs().size()
                    + comparison.onlyTheirs().size();
        }

        /** In words only what is shown: a list may have fifty thousand rows. */
        List<Supplier<Row>> matching(Wanted wanted) {
            Comparison comparison = sides.comparison();
            Stream<Supplier<Row>> ours = comparison.onlyOurs().stream().map(r -> () -> ours(r));
            Stream<Supplier<Row>> theirs = comparison.onlyTheirs().stream().map(r -> () -> theirs(r));
            if (wanted.kind().isPresent()) {
                return rows(comparison.differences().entrySet().stream()
                                .filter(e -> e.getValue().stream()
                                        .anyMatch(d -> d.kind() == wanted.kind().get()))
                                .map(Map.Entry::getKey))
                        .toList();
            }
            return switch (wanted.which()) {
                case "odd" -> rows(comparison.odd().stream()).toList();
                case "guess" ->
                    rows(comparison.matches().stream().filter(m -> m.reason().isGuess()))
                            .toList();
                case "ours" -> ours.toList();
                case "theirs" -> theirs.toList();
                default ->
                    Stream.of(rows(comparison.differences().keySet().stream()), ours, theirs)
                            .flatMap(s -> s)
                            .toList();
            };
        }

        private Stream<Supplier<Row>> rows(Stream<Match> matches) {
            return matches.map(m -> () -> row(m));
        }

        private int key(PatchRow row) {
            return plan.fixtures().get(row.place()).key().number();
        }

        private String line(PatchRow row) {
            return String.valueOf(sides.theirs().line(row));
        }

        private Row row(Match match) {
            List<Field> fields = sides.comparison().differences().getOrDefault(match, List.of()).stream()
                    .map(d -> field(match, d))
                    .toList();
            boolean taken = !fields.isEmpty() && fields.stream().allMatch(f -> f.taken() || !f.takeable());
            return new Row(
                    "both",
                    key(match.ours()),
                    match.theirs().place(),
                    match.ours().label(),
                    match.ours().type(),
                    line(match.theirs()),
                    CompareText.of(match.reason()),
                    match.reason().isGuess(),
                    fields,
                    taken && fields.stream().anyMatch(Field::taken),
                    match.reason().isGuess() ? others(match) : List.of());
        }

        private List<Other> others(Match match) {
            return Stream.concat(
                            Stream.of(match.theirs()),
                            sides.comparison().onlyTheirs().stream().limit(OTHERS))
                    .map(r -> new Other(r.place(), "line " + line(r) + ": " + r.label() + " " + start(r)))
                    .toList();
        }

        private String start(PatchRow row) {
            return sides.theirs().counting().words(row.start());
        }

        private Field field(Match match, RowDifference difference) {
            return new Field(
                    Json.slug(difference.kind()),
                    CompareText.of(difference.kind()),
                    difference.ours(),
                    difference.theirs(),
                    Taken.TAKEABLE.contains(difference.kind()),
                    sides.taken().has(match, difference.kind()));
        }

        private Row ours(PatchRow row) {
            boolean taken = sides.taken().removed().contains(row.place());
            Field field = new Field(
                    "",
                    "whole row",
                    words(row, row.start().map(Object::toString).orElse("")),
                    sides.isPartial() ? "silent" : "not there",
                    !sides.isPartial(),
                    taken);
            return new Row(
                    "ours", key(row), -1, row.label(), row.type(), "", "", false, List.of(field), taken, List.of());
        }

        private Row theirs(PatchRow row) {
            boolean taken = sides.taken().added().contains(row.place());
            Field field = new Field("", "whole row", "not here", words(row, start(row)), true, taken);
            return new Row(
                    "theirs",
                    0,
                    row.place(),
                    row.label(),
                    row.type(),
                    line(row),
                    "",
                    false,
                    List.of(field),
                    taken,
                    List.of());
        }

        private static String words(PatchRow row, String start) {
            return String.join(
                    ", ",
                    Arrays.stream(new String[] {row.mode(), start})
                            .filter(w -> !w.isBlank())
                            .toList());
        }
    }
}
