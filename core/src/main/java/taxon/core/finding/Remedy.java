package taxon.core.finding;

import taxon.core.addressing.request.PlacementRequest;
import taxon.core.rig.edit.Edit;

/** The way out of a finding. */
public sealed interface Remedy {
    /** What the button says. */
    String label();

    /** An edit that makes the finding go away. */
    record Apply(String label, Edit edit) implements Remedy {}

    /** A request whose answer, a proposal, makes the finding go away. */
    record Propose(String label, PlacementRequest request) implements Remedy {}

    /** A place where someone has to decide. */
    record Decide(String label, Where where) implements Remedy {}

    enum Where {
        PLACING,
        ROUTING,
        LINES,
        WIRELESS,
        TYPES,
        NUMBERING
    }
}
