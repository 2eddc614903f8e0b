/** Universes counted on the network by one rule: what it changes, and what goes by none. */
@NullMarked
package taxon.core.counting;

import org.jspecify.annotations.NullMarked;
