package taxon.app.edit;

import taxon.core.finding.PlanCheck;
import taxon.core.library.Shop;
import taxon.core.rig.Plan;

/**
 * A job at one version: its plan and what the rules found in it.
 *
 * @param shop the shelf and the doubts that it was checked against
 */
public record JobState(int job, long version, Plan plan, PlanCheck check, Shop shop) {
    static JobState of(int job, long version, Plan plan, Shop shop) {
        return new JobState(job, version, plan, PlanCheck.of(plan, shop), shop);
    }
}
