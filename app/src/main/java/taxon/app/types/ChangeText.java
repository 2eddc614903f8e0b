package taxon.app.types;

import taxon.core.modes.ChangeProposal;
import taxon.core.modes.ChangeProposal.Clash;
import taxon.core.modes.ChangeRequest.Style;

/** The sentences about a change of types and modes. */
final class ChangeText {
    private ChangeText() {}

    static String words(Style style) {
        return switch (style) {
            case LEAST_DISTURBANCE -> "Where they are, moving the fewest";
            case IN_ORDER -> "Together, one after the other";
            case KEEP_STARTS -> "Where they are, whatever runs into what";
        };
    }

    static String explanation(Style style) {
        return switch (style) {
            case LEAST_DISTURBANCE -> "What still fits keeps its start; no other fixture moves.";
            case IN_ORDER -> "From the start that you give, else from their lowest.";
            case KEEP_STARTS -> "Nothing that has an address moves.";
        };
    }

    static String sentence(Clash clash) {
        String run = clash.universe() + "." + clash.slots().first() + " to "
                + clash.slots().last();
        return clash.with()
                .map(w -> clash.block().label() + " would run into " + w.label() + " at " + run + ".")
                .orElseGet(
                        () -> clash.block().label() + " would run past the end of universe " + clash.universe() + ".");
    }

    /** "3 fixtures move, 8 units must be set again". */
    static String headline(ChangeProposal proposal) {
        long moving = proposal.moves().stream()
                .map(m -> m.block().fixture().key())
                .distinct()
                .count();
        int touched = proposal.price().touched();
        return proposal.title() + ": "
                + (moving == 0 ? "no address changes" : moving == 1 ? "1 fixture moves" : moving + " fixtures move")
                + (touched == 0
                        ? ", nothing that is set is touched"
                        : touched == 1 ? ", 1 unit must be set again" : ", " + touched + " units must be set again");
    }
}
