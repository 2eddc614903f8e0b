package taxon.core.wireless;

/** Whether a receiver hears what is planned for it, by what is known of its link. */
public enum LinkState {
    /** It has no universe yet, and no link that could be wrong. */
    NOTHING_TO_HEAR("no universe yet"),
    /** No channel of a transmitter sends all of what it is to hear. */
    NO_CHANNEL("no channel sends it"),
    /** A channel sends it, and nobody has linked the receiver. */
    NEVER_LINKED("to be linked"),
    /** Its link does not hold any more. */
    LOST("to be linked anew"),
    /** It was linked to a channel that does not bring what is planned for it. */
    LINKED_ELSEWHERE("linked to another channel"),
    /** It was linked to a channel that brings all that is planned for it. */
    LINKED("linked");

    private final String words;

    LinkState(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** True when someone has to go there and link it, now or anew. */
    public boolean isToBeLinked() {
        return this == NEVER_LINKED || this == LOST || this == LINKED_ELSEWHERE;
    }
}
