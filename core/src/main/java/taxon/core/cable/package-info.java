/**
 * How cable lies in a rig, how long it is, and of which pieces it is made.
 */
@NullMarked
package taxon.core.cable;

import org.jspecify.annotations.NullMarked;
