package taxon.core.network;

import java.util.Optional;

/**
 * What is decided once for the network and the lines of a job.
 *
 * @param counting how universes are counted
 * @param ip how addresses are handed out; empty until someone has said
 * @param cable what a line may be
 * @param card the address of the computer that Taxon speaks from; empty for the one that it was started with
 */
public record NetworkRules(Counting counting, Optional<IpRules> ip, CableRules cable, Optional<Ipv4> card) {
    /** As most jobs are, with no range of addresses yet. */
    public static final NetworkRules USUAL =
            new NetworkRules(Counting.SAME, Optional.empty(), CableRules.USUAL, Optional.empty());

    /** The same with universes counted otherwise. */
    public NetworkRules with(Counting changed) {
        return new NetworkRules(changed, ip, cable, card);
    }

    /** The same with addresses handed out otherwise. */
    public NetworkRules with(IpRules changed) {
        return new NetworkRules(counting, Optional.of(changed), cable, card);
    }

    /** The same with other cable. */
    public NetworkRules with(CableRules changed) {
        return new NetworkRules(counting, ip, changed, card);
    }

    /** The same spoken from another card; empty for the one that Taxon was started with. */
    public NetworkRules from(Optional<Ipv4> changed) {
        return new NetworkRules(counting, ip, cable, changed);
    }
}
