/**
 * Talking Art-Net over UDP. Owns the socket; sends nowhere that its {@link taxon.wire.artnet.link.SendPolicy} forbids.
 */
@NullMarked
package taxon.wire.artnet.link;

import org.jspecify.annotations.NullMarked;
