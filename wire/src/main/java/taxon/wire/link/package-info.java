/**
 * One link for each network card: the sockets of Art-Net and of streaming ACN, one thread that receives, and any number of those
 * who listen. Sends nowhere that a {@link taxon.wire.link.SendPolicy} forbids.
 */
@NullMarked
package taxon.wire.link;

import org.jspecify.annotations.NullMarked;
