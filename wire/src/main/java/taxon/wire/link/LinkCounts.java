package taxon.wire.link;

/**
 * What came by a link since it was opened.
 *
 * @param packets all that came, whatever they were
 * @param malformed those that were no packets of their protocol
 * @param failures how often somebody who listens could not deal with a packet
 * @param dropped those that this computer threw away at the link's sockets, since they were not read in time; −1 where the system does
 *     not say
 */
public record LinkCounts(long packets, long malformed, long failures, long dropped) {
    /** Both together; what one of them cannot say, neither can. */
    LinkCounts and(LinkCounts other) {
        return new LinkCounts(
                packets + other.packets,
                malformed + other.malformed,
                failures + other.failures,
                dropped < 0 || other.dropped < 0 ? -1 : dropped + other.dropped);
    }
}
