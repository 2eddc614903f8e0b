package taxon.core.network;

import java.util.Optional;

/**
 * What is decided once for the network and the lines of a job.
 *
 * @param counting how universes are counted
 * @param ip how addresses are handed out; empty until someone has said
 * @param cable what a line may be
 */
public record NetworkRules(Counting counting, Optional<IpRules> ip, CableRules cable) {
    /** As most jobs are, with no range of addresses yet. */
    public static final NetworkRules USUAL = new NetworkRules(Counting.SAME, Optional.empty(), CableRules.USUAL);

    /** The same with universes counted otherwise. */
    public NetworkRules with(Counting changed) {
        return new NetworkRules(changed, ip, cable);
    }

    /** The same with addresses handed out otherwise. */
    public NetworkRules with(IpRules changed) {
        return new NetworkRules(counting, Optional.of(changed), cable);
    }

    /** The same with other cable. */
    public NetworkRules with(CableRules changed) {
        return new NetworkRules(counting, ip, changed);
    }
}
