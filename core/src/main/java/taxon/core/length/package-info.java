/**
 * Lengths on a rig, exact to a thousandth of a millimetre, as people type and read them.
 */
@NullMarked
package taxon.core.length;

import org.jspecify.annotations.NullMarked;
