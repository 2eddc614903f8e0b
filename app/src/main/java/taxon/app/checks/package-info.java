/**
 * The stage Checks: reading the rig in the background, planned against found, and writing to one unit once it is armed.
 */
@NullMarked
package taxon.app.checks;

import org.jspecify.annotations.NullMarked;
