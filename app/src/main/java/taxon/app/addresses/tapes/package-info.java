/**
 * Universes as tapes, slot by slot, and at one glance.
 */
@NullMarked
package taxon.app.addresses.tapes;

import org.jspecify.annotations.NullMarked;
