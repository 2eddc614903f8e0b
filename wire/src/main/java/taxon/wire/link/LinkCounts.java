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
public record LinkCounts(long packets, long malformed, long failures, long dropped) {}
