package taxon.app.addresses.placing;

import java.util.ArrayList;
import java.util.List;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.AddressProposal.Move;
import taxon.core.addressing.text.ProposalText;
import taxon.core.dmx.StartAddress;
import taxon.core.text.Counted;

/**
 * A proposal as the page shows it.
 *
 * @param breaks why each further universe is begun
 * @param modes units that stay but must be set to another mode
 * @param proof how good it is; empty where nothing is claimed
 * @param certainty whether any of those who find no place could be placed; empty where everybody is
 */
public record ProposalView(
        List<Line> lines,
        List<Line> notPlaced,
        List<String> breaks,
        List<String> modes,
        String proof,
        String certainty,
        String totals) {

    private static String capital(String sentence) {
        return sentence.isEmpty() ? "" : Character.toUpperCase(sentence.charAt(0)) + sentence.substring(1);
    }

    /** @param touches true when the unit was set and must be set again */
    public record Line(String who, String type, String before, String after, String why, boolean touches) {}

    public static ProposalView of(AddressProposal proposal) {
        List<Line> lines = new ArrayList<>();
        for (Move move : proposal.moves()) {
            lines.add(new Line(
                    move.block().label(),
                    move.block().type().shortName(),
                    move.before().map(StartAddress::toString).orElse("none"),
                    move.after().toString(),
                    ProposalText.sentence(move.reason()),
                    move.touchesUnit()));
        }
        List<Line> notPlaced = proposal.leftOut().stream()
                .map(n -> new Line(n.fixture().label(), "", "", "", ProposalText.sentence(n), false))
                .toList();
        return new ProposalView(
                lines,
                notPlaced,
                proposal.breaks().stream().map(ProposalText::sentence).toList(),
                proposal.modesToSet().stream()
                        .map(f -> f.label() + " to " + f.mode())
                        .toList(),
                capital(ProposalText.sentence(proposal.optimum())),
                ProposalText.certainty(proposal),
                Counted.of(proposal.totals().universes(), "universe") + ", "
                        + Counted.of(proposal.totals().slots(), "slot") + " used, "
                        + proposal.totals().free() + " free");
    }
}
