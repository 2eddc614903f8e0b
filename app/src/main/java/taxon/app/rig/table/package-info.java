/**
 * The table of fixtures: cells typed, filled and pasted.
 */
@NullMarked
package taxon.app.rig.table;

import org.jspecify.annotations.NullMarked;
