/** Whether a job can be handed over, and what stands in the way. Pure. */
@NullMarked
package taxon.core.handover;

import org.jspecify.annotations.NullMarked;
