/**
 * Positions, and units spread along them.
 */
@NullMarked
package taxon.app.rig.positions;

import org.jspecify.annotations.NullMarked;
