/**
 * Planned, set, proved and stale; and what was found on the lines held against the plan.
 *
 * <p>Input: a plan and observations as values. Output: verdicts that carry their evidence. Nothing here sends a packet.
 */
@NullMarked
package taxon.core.proof;

import org.jspecify.annotations.NullMarked;
