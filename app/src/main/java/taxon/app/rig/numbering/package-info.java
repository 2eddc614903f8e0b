/**
 * Numbers along the rig.
 */
@NullMarked
package taxon.app.rig.numbering;

import org.jspecify.annotations.NullMarked;
