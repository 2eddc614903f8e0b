package taxon.app.compare;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Stream;
import taxon.app.compare.ComparePage.Field;
import taxon.app.compare.ComparePage.Other;
import taxon.app.compare.ComparePage.Row;
import taxon.core.compare.CompareText;
import taxon.core.compare.Comparison;
import taxon.core.compare.Match;
import taxon.core.compare.PatchRow;
import taxon.core.compare.RowDifference;
import taxon.core.compare.RowDifference.Kind;
import taxon.core.compare.Taken;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;

/** The rows of the table, made when they are shown. */
record CompareRows(ComparedSides sides, Plan plan) {
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
        return new Row("ours", key(row), -1, row.label(), row.type(), "", "", false, List.of(field), taken, List.of());
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
