/**
 * The plan of one job: its elements, the plan that holds them, and edits as functions from plan to plan.
 *
 * <p>Input: elements whose constructors accepted them. Output: an edit gives a new plan, or says why not; the plan it was
 * given is untouched. The difference of two plans is data ({@link taxon.core.rig.PlanDelta}) and can be turned round, which
 * is all that undo, the journal and the store need.
 */
@NullMarked
package taxon.core.rig;

import org.jspecify.annotations.NullMarked;
