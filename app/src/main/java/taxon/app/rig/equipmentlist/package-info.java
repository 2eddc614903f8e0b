/**
 * Equipment lists on their way in.
 */
@NullMarked
package taxon.app.rig.equipmentlist;

import org.jspecify.annotations.NullMarked;
