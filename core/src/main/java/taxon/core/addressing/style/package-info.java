/**
 * The ways of laying addresses: in order, on the fewest universes, with the least change, port by port. Each turns a resolved request into a layout.
 */
@NullMarked
package taxon.core.addressing.style;

import org.jspecify.annotations.NullMarked;
