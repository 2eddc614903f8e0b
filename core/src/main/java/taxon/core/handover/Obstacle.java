package taxon.core.handover;

import taxon.core.finding.Severity;

/**
 * Something that stands in the way of a hand-over until it is closed, or taken over by somebody.
 *
 * @param id the same as long as it is the same thing
 * @param weight a stop keeps a job from being signed off; a warning is to be known
 */
public record Obstacle(String id, Kind kind, Severity weight, String sentence) {
    /** Of what it is. */
    public enum Kind {
        FINDING,
        /** Nobody proved the unit. */
        NOT_PROVED,
        /** What was set or proved is otherwise planned since. */
        STALE,
        /** Somebody saw at the rig that it is wrong. */
        SEEN_WRONG,
        /** What was printed is not true any more. */
        PAPER,
        /** What another side has otherwise was neither taken over nor let be. */
        DIFFERENCE
    }
}
