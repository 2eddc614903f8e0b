/**
 * What a job wishes of its addresses: values only. Where room is under a wish is told by the room for space.
 */
@NullMarked
package taxon.core.rig.wish;

import org.jspecify.annotations.NullMarked;
