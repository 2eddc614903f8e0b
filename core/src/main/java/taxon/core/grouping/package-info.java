/**
 * Folders and groups worked out: who belongs where, which groups come by themselves, and the rig as a tree down to its cells.
 */
@NullMarked
package taxon.core.grouping;

import org.jspecify.annotations.NullMarked;
