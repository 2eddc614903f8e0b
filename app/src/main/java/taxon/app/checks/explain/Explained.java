package taxon.app.checks.explain;

import java.util.List;
import java.util.Optional;
import taxon.core.explain.Evidence;
import taxon.core.explain.EvidenceText;
import taxon.core.explain.Explainer;
import taxon.core.explain.Observation;
import taxon.core.explain.Reading;
import taxon.core.explain.Trial;
import taxon.core.explain.Verdict;
import taxon.core.rig.Plan;

/**
 * What came of one question.
 *
 * @param verdicts the likeliest first
 * @param next the trial that tells them apart best; empty where none does
 */
public record Explained(EvidenceText.Read read, List<Said> said, List<Verdict> verdicts, Optional<Trial> next) {
    public Explained {
        said = List.copyOf(said);
        verdicts = List.copyOf(verdicts);
    }

    /**
     * An observation as it is shown.
     *
     * @param asPlanned true when just this is to be expected
     * @param expected what would answer if all were as planned
     */
    public record Said(String line, boolean asPlanned, String expected) {}

    static Explained of(Plan plan, String text) {
        EvidenceText words = new EvidenceText(plan);
        EvidenceText.Read read = words.read(text);
        Explainer explainer = new Explainer(plan);
        List<Evidence> evidence = read.evidence();
        List<Said> said = evidence.stream()
                .map(e -> new Said(words.of(e), explainer.isAsPlanned(e), expected(words, explainer, e)))
                .toList();
        return evidence.isEmpty()
                ? new Explained(read, said, List.of(), Optional.empty())
                : new Explained(read, said, explainer.explain(evidence), explainer.next(evidence));
    }

    private static String expected(EvidenceText words, Explainer explainer, Evidence evidence) {
        return evidence instanceof Observation seen
                ? words.of(seen.trial(), explainer.expected(seen.trial()))
                : words.of(explainer.planned((Reading) evidence));
    }
}
