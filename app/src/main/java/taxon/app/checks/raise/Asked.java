package taxon.app.checks.raise;

import java.util.List;
import taxon.core.network.Ipv4;
import taxon.core.raising.Reach;

/**
 * What somebody wants to drive.
 *
 * @param minutes for how long at most
 * @param network true when packets may leave this machine
 */
record Asked(int job, Reach reach, String who, int minutes, boolean network) {
    static final int MOST_MINUTES = 60;

    /** An arming that was not made, with the reason as a sentence. */
    static final class NotArmedException extends Exception {
        private static final long serialVersionUID = 1L;

        NotArmedException(String sentence) {
            super(sentence);
        }
    }

    /** True when a packet to an address stays on this machine, by whichever of some cards it leaves. */
    static boolean isHere(Ipv4 to, List<Ipv4> cards) {
        return to.isLoopback() || to.isMulticast() && cards.stream().allMatch(Ipv4::isLoopback);
    }
}
