package taxon.core.raising;

import taxon.core.reception.Carrier;

/** Why all was let go. */
public sealed interface Ended {
    /** Somebody asked for it. */
    record LetGo(String who) implements Ended {}

    /** The time that it was armed for is over. */
    record TimeIsUp() implements Ended {}

    /** No page that shows it has answered for a while. */
    record PageGone() implements Ended {}

    /** Whoever was followed sends no more. */
    record SourceGone(Carrier carrier, String who) implements Ended {}

    /** Somebody began to send who was not there before. */
    record Joined(Carrier carrier, String who) implements Ended {}

    /** Somebody sends with a priority that is not below one's own. */
    record Outbid(Carrier carrier, String who, int priority) implements Ended {}

    /** What was armed is routed otherwise now, or not planned any more. */
    record PlanChanged() implements Ended {}

    /** The packets do not leave. */
    record CannotSend(String why) implements Ended {}

    /** Taxon is being stopped. */
    record Stopped() implements Ended {}
}
