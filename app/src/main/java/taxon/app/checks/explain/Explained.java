package taxon.app.checks.explain;

import java.util.List;
import java.util.Optional;
import taxon.core.explain.Explainer;
import taxon.core.explain.Observation;
import taxon.core.explain.ObservationText;
import taxon.core.explain.Trial;
import taxon.core.explain.Verdict;
import taxon.core.rig.Plan;

/**
 * What came of one question.
 *
 * @param verdicts the likeliest first
 * @param next the trial that tells them apart best; empty where none does
 */
public record Explained(ObservationText.Read read, List<Said> said, List<Verdict> verdicts, Optional<Trial> next) {
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
        ObservationText words = new ObservationText(plan);
        ObservationText.Read read = words.read(text);
        Explainer explainer = new Explainer(plan);
        List<Observation> observations = read.observations();
        List<Said> said = observations.stream()
                .map(o -> {
                    Observation expected = new Observation(o.trial(), explainer.expected(o.trial()));
                    return new Said(words.of(o), expected.equals(o), words.of(expected));
                })
                .toList();
        return observations.isEmpty()
                ? new Explained(read, said, List.of(), Optional.empty())
                : new Explained(read, said, explainer.explain(observations), explainer.next(observations));
    }
}
