package taxon.app.job;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.function.Function;
import taxon.app.store.JobPlace;
import taxon.app.store.SummaryStore.Counts;
import taxon.app.store.SummaryStore.Summary;
import taxon.formats.json.Json;

/**
 * Which jobs of the list are shown, and in which order.
 *
 * @param sort the column that they are ordered by, "newest" where nobody chose one
 * @param place which of them: those in use, put away or thrown away
 * @param words what a job must have in its name, venue or days; empty for all
 */
public record JobOrder(String sort, String words, JobPlace place) {
    private static final String NEWEST = "newest";
    private static final int LONGEST = 80;

    /** A column that the list can be ordered by. */
    public enum Column {
        NAME("Job"),
        VENUE("Venue"),
        DAYS("Days"),
        FIXTURES("Fixtures"),
        STOPS("Stops");

        private final String title;

        Column(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }

        public String sort() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** The latest and the largest come first, names in the order of the alphabet. */
        public boolean descends() {
            return this != NAME && this != VENUE;
        }

        private Comparator<Summary> order() {
            return switch (this) {
                case NAME -> Comparator.comparing(s -> s.name().toLowerCase(Locale.ROOT));
                case VENUE -> Comparator.comparing(s -> s.venue().toLowerCase(Locale.ROOT));
                case DAYS -> Comparator.comparing(Summary::from).reversed();
                case FIXTURES -> by(Counts::fixtures);
                case STOPS -> by(Counts::stops);
            };
        }

        private static Comparator<Summary> by(Function<Counts, Integer> count) {
            return Comparator.comparingInt((Summary s) -> s.counts().map(count).orElse(-1))
                    .reversed();
        }
    }

    static JobOrder of(HttpServletRequest request) {
        String sort = Objects.requireNonNullElse(request.getParameter("sort"), NEWEST);
        String words = Objects.requireNonNullElse(request.getParameter("q"), "").strip();
        return new JobOrder(
                columns().stream().anyMatch(c -> c.sort().equals(sort)) ? sort : NEWEST,
                words.substring(0, Math.min(words.length(), LONGEST)),
                place(request));
    }

    private static JobPlace place(HttpServletRequest request) {
        String show = Objects.requireNonNullElse(request.getParameter("show"), "");
        return Arrays.stream(JobPlace.values())
                .filter(s -> Json.slug(s).equals(show))
                .findFirst()
                .orElse(JobPlace.IN_USE);
    }

    /** As an address gives it. */
    public String getShow() {
        return Json.slug(place);
    }

    /** The columns of the list. */
    public List<Column> getColumns() {
        return columns();
    }

    private static List<Column> columns() {
        return Arrays.asList(Column.values());
    }

    /** Those that are shown, in their order. */
    List<Summary> of(List<Summary> all) {
        Comparator<Summary> order = columns().stream()
                .filter(c -> c.sort().equals(sort))
                .map(Column::order)
                .findFirst()
                .orElse(Comparator.comparingInt(Summary::job).reversed());
        return all.stream().filter(this::has).sorted(order).toList();
    }

    private boolean has(Summary summary) {
        String text = (summary.name() + " " + summary.venue() + " " + summary.from() + " " + summary.to())
                .toLowerCase(Locale.ROOT);
        return summary.place() == place
                && Arrays.stream(words.toLowerCase(Locale.ROOT).split("\\s+")).allMatch(text::contains);
    }
}
