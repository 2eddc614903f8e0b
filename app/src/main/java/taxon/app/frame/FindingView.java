package taxon.app.frame;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import taxon.core.finding.Finding;
import taxon.core.finding.FindingText;
import taxon.core.finding.Remedy;
import taxon.core.rig.FixtureKey;

/**
 * A finding as a page shows it.
 *
 * @param severity "stop", "warn" or "note"
 * @param apply what its button says, where pressing it is enough
 * @param decide what its link says, where someone has to decide
 * @param decidePath where that link goes, inside the job
 */
public record FindingView(
        String id,
        String rule,
        String severity,
        String sentence,
        List<Integer> fixtures,
        Optional<String> apply,
        Optional<String> decide,
        String decidePath) {

    public static FindingView of(Finding finding) {
        Optional<Remedy> remedy = finding.remedy();
        Optional<Remedy.Decide> decide =
                remedy.filter(Remedy.Decide.class::isInstance).map(Remedy.Decide.class::cast);
        return new FindingView(
                finding.id(),
                finding.rule().slug(),
                finding.severity().name().toLowerCase(Locale.ROOT),
                FindingText.sentence(finding),
                finding.fixtures().stream().map(FixtureKey::number).toList(),
                remedy.filter(r -> !(r instanceof Remedy.Decide)).map(Remedy::label),
                decide.map(Remedy::label),
                decide.map(d -> path(d.where())).orElse(""));
    }

    private static String path(Remedy.Where where) {
        return switch (where) {
            case PLACING -> Stage.ADDRESSES.path();
            case ROUTING -> Stage.NETWORK.path();
            case LINES -> "lines";
            case WIRELESS -> "wireless";
            case TYPES -> Stage.TYPES.path();
            case NUMBERING -> "numbering";
        };
    }
}
