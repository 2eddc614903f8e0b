/**
 * Choosing modes: held side by side, advised over all types of a job, and changed in a rig with the least disturbance.
 *
 * <p>Everything here is computed from a plan and changes nothing; a change is an edit that the caller applies.
 */
@NullMarked
package taxon.core.modes;

import org.jspecify.annotations.NullMarked;
