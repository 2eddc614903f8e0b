package taxon.app.checks.boxes;

import java.time.Duration;

/**
 * How long boxes are waited for. A box may wait for a second before it answers a poll, and polls come every 2.5 to 3 s (Art-Net 4, "ArtPoll",
 * from memory).
 *
 * @param rounds how often all are polled at most
 * @param round how long one round is
 * @param masks how long masks are waited for at the end
 */
public record Patience(int rounds, Duration round, Duration masks) {
    private static final int ANSWERS = 9;
    private static final int TRIES = 3;

    /**
     * For looking whom there is: each round as long as boxes are polled anew.
     *
     * @param answerWithin how long one answer may take on this network, 300 ms as a rule
     */
    static Patience looking(Duration answerWithin) {
        return new Patience(2, answerWithin.multipliedBy(ANSWERS), answerWithin);
    }

    /** How long it takes at most. */
    public Duration whole() {
        return round.multipliedBy(rounds).plus(masks);
    }

    /** For asking boxes that are known to be there: asked three times within the same time. */
    public static Patience reading(Duration answerWithin) {
        return new Patience(TRIES, answerWithin.multipliedBy(ANSWERS / TRIES), answerWithin);
    }
}
