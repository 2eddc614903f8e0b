/**
 * Changes of a plan that someone wants, by name: functions from plan to plan. Each gives the new plan or says why not; none
 * changes a plan in part.
 */
@NullMarked
package taxon.core.rig.edit;

import org.jspecify.annotations.NullMarked;
