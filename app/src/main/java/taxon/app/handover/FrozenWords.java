package taxon.app.handover;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import taxon.app.compare.ComparisonResults;
import taxon.app.edit.JobState;
import taxon.app.store.Revision;
import taxon.app.store.RevisionStore;
import tools.jackson.databind.json.JsonMapper;

/** What was said of a job when it was frozen: kept with the revision, so that its bundle is the same whenever it is made. */
@Component
class FrozenWords {
    private static final JsonMapper MAPPER = new JsonMapper();

    /** Of larger results of a comparison only that they are larger is kept. */
    private static final int LONGEST = 2_000_000;

    private final Handover handover;
    private final ComparisonResults comparisons;
    private final RevisionStore revisions;

    FrozenWords(Handover handover, ComparisonResults comparisons, RevisionStore revisions) {
        this.handover = handover;
        this.comparisons = comparisons;
        this.revisions = revisions;
    }

    /**
     * The words.
     *
     * @param comparisons what those came to that were open, by the names of their files
     */
    record Words(HandoverView view, Map<String, String> comparisons) {
        /** What was frozen before words were kept has none. */
        static final Words NONE = new Words(
                new HandoverView(
                        "Nothing was kept of its hand-over.",
                        false,
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of()),
                Map.of());

        String json() {
            return MAPPER.writeValueAsString(this);
        }
    }

    /** Of a job as it is. */
    Words of(JobState state) {
        HandoverView view = handover.view(state);
        Map<String, String> results = new LinkedHashMap<>();
        comparisons.of(state).forEach((name, json) -> {
            boolean fits = json.length() <= LONGEST;
            results.put(name, fits ? json : "{\"tooLong\": " + json.length() + "}");
        });
        return new Words(view, results);
    }

    /** Of a revision. */
    Words of(int job, Revision revision) {
        String kept = revisions.said(job, revision);
        return kept.isEmpty() ? Words.NONE : MAPPER.readValue(kept, Words.class);
    }
}
