/**
 * Folders and groups.
 */
@NullMarked
package taxon.app.rig.tree;

import org.jspecify.annotations.NullMarked;
