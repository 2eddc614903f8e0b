package taxon.app.compare;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import taxon.core.compare.RowDifference.Kind;
import taxon.formats.json.Json;

/**
 * Which part of a comparison a page shows.
 *
 * @param kind only rows that differ in this; empty for all
 * @param which "odd" for what no pattern explains, "guess" for unsure matches, "ours" and "theirs" for what one side alone has, else "all"
 * @param from the first row, counted from 0
 */
record Wanted(Optional<Kind> kind, String which, int from) {
    static final int PAGE = 100;

    static Wanted of(HttpServletRequest request) {
        String kind = Objects.requireNonNullElse(request.getParameter("kind"), "");
        String which = Objects.requireNonNullElse(request.getParameter("rows"), "");
        String from = Objects.requireNonNullElse(request.getParameter("from"), "");
        return new Wanted(
                Arrays.stream(Kind.values())
                        .filter(k -> Json.slug(k).equals(kind))
                        .findFirst(),
                Set.of("odd", "guess", "ours", "theirs").contains(which) ? which : "all",
                from.matches("\\d{1,6}") ? Integer.parseInt(from) : 0);
    }
}
