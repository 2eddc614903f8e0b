/**
 * The network cards of this computer: what it can speak from.
 */
@NullMarked
package taxon.app.cards;

import org.jspecify.annotations.NullMarked;
