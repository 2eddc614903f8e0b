package taxon.core.network;

import java.util.List;
import java.util.Optional;

/**
 * What is decided once for the network and the lines of a job.
 *
 * @param counting how universes are counted
 * @param ip how addresses are handed out; empty until someone has said
 * @param cable what a line may be
 * @param card the address of the computer that Taxon speaks from; empty for the one that it was started with
 * @param beside further cards by which it listens too, and speaks to the boxes that are nearest to them; at most {@link #MOST_BESIDE}
 */
public record NetworkRules(
        Counting counting, Optional<IpRules> ip, CableRules cable, Optional<Ipv4> card, List<Ipv4> beside) {
    /** More cards than any computer of the trade has. */
    public static final int MOST_BESIDE = 8;

    /** As most jobs are, with no range of addresses yet. */
    public static final NetworkRules USUAL =
            new NetworkRules(Counting.SAME, Optional.empty(), CableRules.USUAL, Optional.empty(), List.of());

    public NetworkRules {
        beside = List.copyOf(beside);
        if (beside.size() > MOST_BESIDE || beside.stream().distinct().count() < beside.size()) {
            throw new IllegalArgumentException(
                    "cards beside the first are at most " + MOST_BESIDE + ", none twice: " + beside);
        }
    }

    /** The same with universes counted otherwise. */
    public NetworkRules with(Counting changed) {
        return new NetworkRules(changed, ip, cable, card, beside);
    }

    /** The same with addresses handed out otherwise. */
    public NetworkRules with(IpRules changed) {
        return new NetworkRules(counting, Optional.of(changed), cable, card, beside);
    }

    /** The same with other cable. */
    public NetworkRules with(CableRules changed) {
        return new NetworkRules(counting, ip, changed, card, beside);
    }

    /** The same spoken from another card; empty for the one that Taxon was started with. */
    public NetworkRules from(Optional<Ipv4> changed) {
        return from(changed, beside);
    }

    /** The same spoken from another card and from these beside it, which are told once. */
    public NetworkRules from(Optional<Ipv4> changed, List<Ipv4> others) {
        List<Ipv4> beyond = others.stream()
                .filter(o -> !changed.equals(Optional.of(o)))
                .distinct()
                .toList();
        return new NetworkRules(counting, ip, cable, changed, beyond);
    }
}
