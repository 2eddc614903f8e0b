package taxon.core.rig.edit;

import java.util.List;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.JobSheet;
import taxon.core.rig.RigView;
import taxon.core.rig.edit.Edit.Changed;

/** Edits of the job sheet, and of what is known of real units. */
public final class JobEdits {
    private JobEdits() {}

    /** Gives the job another head; how its rig is shown and its universes are counted stays. */
    public static Edit sheet(JobSheet sheet) {
        return new Edit(
                "Job sheet changed",
                plan -> new Changed(plan.with(sheet.withView(plan.sheet().view())
                        .withCounting(plan.sheet().counting()))));
    }

    /** Shows the rig in other units or from another side. */
    public static Edit view(RigView view) {
        return new Edit(
                "Rig shown otherwise",
                plan -> new Changed(plan.with(plan.sheet().withView(view))));
    }

    /** Records evidence for blocks; evidence of a fixture that is gone refuses the whole. */
    public static Edit record(String title, List<BlockEvidence> evidence) {
        return new Edit(
                title,
                plan -> evidence.stream()
                        .map(e -> e.ref().fixture())
                        .filter(key -> plan.fixture(key).isEmpty())
                        .findFirst()
                        .map(key -> FixtureEdits.noFixture(key, plan))
                        .orElseGet(() -> new Changed(plan.with(evidence))));
    }
}
