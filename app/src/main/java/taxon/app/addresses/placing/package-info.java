/**
 * Addresses proposed by the planner, or moved by hand.
 */
@NullMarked
package taxon.app.addresses.placing;

import org.jspecify.annotations.NullMarked;
