package taxon.app.edit;

import taxon.core.finding.PlanCheck;
import taxon.core.fixture.BuiltInTypes;
import taxon.core.fixture.TypeBook;
import taxon.core.rig.Plan;

/** A job at one version: its plan and what the rules found in it. */
public record JobState(int job, long version, Plan plan, PlanCheck check) {

    /** All types that may be used here: the built-in ones, and the job's own in their place where both have an id. */
    public TypeBook knownTypes() {
        return BuiltInTypes.all().and(plan.types());
    }
}
