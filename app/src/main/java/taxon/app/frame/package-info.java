/**
 * The frame of every page: band, card, tally, selection.
 */
@NullMarked
package taxon.app.frame;

import org.jspecify.annotations.NullMarked;
