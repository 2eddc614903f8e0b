package taxon.app.store;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import taxon.app.store.SummaryMapper.SummaryRow;
import taxon.formats.json.Json;

/** What the list of jobs shows of each, kept with the job so that none is loaded for it. */
@Repository
public class SummaryStore {
    private final SummaryMapper rows;

    SummaryStore(SummaryMapper rows) {
        this.rows = rows;
    }

    /** How much is in a job. */
    public record Counts(int fixtures, int stops) {}

    /**
     * A job in the list.
     *
     * @param from and {@code to} as kept, "2026-11-28" or empty: a day that cannot be read is no reason to hide a job
     * @param variantOf the job for which it tries something; empty for most
     * @param counts empty until the job was counted at the version that it has
     */
    public record Summary(
            int job,
            String name,
            String venue,
            String from,
            String to,
            Optional<Counts> counts,
            JobPlace place,
            Optional<Integer> variantOf) {}

    public List<Summary> all() {
        return rows.all().stream().map(SummaryStore::summary).toList();
    }

    private static Summary summary(SummaryRow row) {
        Optional<Counts> counts = Optional.ofNullable(row.fixtures())
                .flatMap(f -> Optional.ofNullable(row.stops()).map(s -> new Counts(f, s)));
        return new Summary(
                row.id(),
                row.name(),
                row.venue(),
                orEmpty(row.fromDay()),
                orEmpty(row.toDay()),
                counts,
                Json.constant(JobPlace.class, row.place()),
                Optional.ofNullable(row.ofJob()));
    }

    private static String orEmpty(@Nullable String text) {
        return Optional.ofNullable(text).orElse("");
    }

    /** Keeps the counts of a job at a version. */
    public void put(int job, long version, Counts counts) {
        rows.put(job, version, counts.fixtures(), counts.stops());
    }
}
