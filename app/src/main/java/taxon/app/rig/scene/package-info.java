/**
 * Scene files on their way in.
 */
@NullMarked
package taxon.app.rig.scene;

import org.jspecify.annotations.NullMarked;
