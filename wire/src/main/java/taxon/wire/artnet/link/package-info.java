/**
 * Asking nodes by Art-Net, over the link of a card.
 */
@NullMarked
package taxon.wire.artnet.link;

import org.jspecify.annotations.NullMarked;
