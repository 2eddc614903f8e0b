package taxon.app.compare;

import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import taxon.app.edit.JobState;
import taxon.app.store.ProposalStore;
import taxon.core.packing.Effort;

/** What came of the comparisons of a job that are open, as files of its bundle. */
@Component
public class ComparisonResults {
    private final ProposalStore proposals;
    private final ComparisonKind kind;

    ComparisonResults(ProposalStore proposals, ComparisonKind kind) {
        this.proposals = proposals;
        this.kind = kind;
    }

    /** Each under a name of its own, for the job as it is. */
    public Map<String, String> of(JobState job) {
        Map<String, String> files = new LinkedHashMap<>();
        proposals
                .open(job.job(), ComparisonKind.NAME)
                .forEach(p -> kind.compute(p, job, Effort.of(1))
                        .ifPresent(sides -> files.put(
                                "comparisons/" + p.id() + ".json",
                                ComparisonJson.write(p, sides).toPrettyString())));
        return files;
    }
}
