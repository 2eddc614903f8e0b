package taxon.core.paper;

import java.util.List;
import java.util.stream.Stream;
import taxon.core.label.Label;
import taxon.core.paper.PaperChoice.Order;
import taxon.core.rig.Plan;

/**
 * One label or card: a paper of its own, which is true or not whatever becomes of the others that were printed with it.
 *
 * @param key by which {@link PaperChoice#piece} finds it again
 * @param paper what it says
 */
public record Piece(String key, Paper paper) {
    /**
     * All pieces of a paper, in their order.
     *
     * @throws IllegalArgumentException when that paper has none
     */
    public static List<Piece> of(Plan plan, PaperKind kind, PaperChoice choice) {
        return kind == PaperKind.CARDS ? cards(plan, choice).toList() : of(kind, Labels.of(plan, kind, choice));
    }

    /** Labels as the papers that they are. */
    public static List<Piece> of(PaperKind kind, List<Label> labels) {
        return labels.stream()
                .map(l -> new Piece(l.key(), Labels.paper(kind, l)))
                .toList();
    }

    private static Stream<Piece> cards(Plan plan, PaperChoice choice) {
        SettingPapers papers = new SettingPapers(plan, choice);
        return choice.of(plan, Order.WALK).stream().map(f -> new Piece(f.key().toString(), papers.cardAlone(f)));
    }
}
