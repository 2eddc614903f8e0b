package taxon.app.compare;

import java.nio.charset.StandardCharsets;
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

    /** Each under a name of its own, for the job as it was at a version; those that were begun later are none of it. */
    public Map<String, byte[]> of(JobState frozen) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        proposals.open(frozen.job(), ComparisonKind.NAME).stream()
                .filter(p -> p.baseVersion() <= frozen.version())
                .forEach(p -> kind.compute(p, frozen, Effort.of(1))
                        .ifPresent(sides -> files.put(
                                "comparisons/" + p.id() + ".json",
                                ComparisonJson.write(p, sides).toPrettyString().getBytes(StandardCharsets.UTF_8))));
        return files;
    }
}
