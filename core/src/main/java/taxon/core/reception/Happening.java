package taxon.core.reception;

/**
 * Something that came or went.
 *
 * @param nanos when, on the clock of the packets
 */
public record Happening(long nanos, Carrier carrier, Sender sender, Kind kind) {
    /** What happened. */
    public enum Kind {
        /** A sender is heard for the first time, or again. */
        BEGAN,
        /** It said that it stops. */
        ENDED,
        /** Nothing more came of it. */
        LOST,
        /** Its priority is another one. */
        PRIORITY_CHANGED,
        /** It is one too many to be listened to. */
        TURNED_AWAY
    }
}
