/**
 * Which fixtures lie on which universe.
 */
@NullMarked
package taxon.app.addresses.split;

import org.jspecify.annotations.NullMarked;
