/**
 * Where there is room. The one picture of free space, of a universe and of a job, that the planner, fits, remedies, findings, changes of mode and the tally ask.
 */
@NullMarked
package taxon.core.addressing.space;

import org.jspecify.annotations.NullMarked;
