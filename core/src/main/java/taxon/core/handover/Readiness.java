package taxon.core.handover;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import taxon.core.checklist.CheckProgress;
import taxon.core.finding.Finding;
import taxon.core.finding.FindingText;
import taxon.core.finding.PlanCheck;
import taxon.core.finding.Severity;
import taxon.core.handover.Obstacle.Kind;
import taxon.core.proof.Standing;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.text.Counted;

/** Finds what stands in the way of handing a plan over. */
public final class Readiness {
    private Readiness() {}

    /** What the plan and what is known of its units say: findings first, stops before warnings. Notes stand in nobody's way. */
    public static List<Obstacle> of(Plan plan, PlanCheck check) {
        List<Obstacle> obstacles = new ArrayList<>();
        for (Severity weight : List.of(Severity.STOP, Severity.WARN)) {
            check.findings().stream().filter(f -> f.severity() == weight).forEach(f -> obstacles.add(of(f)));
        }
        wrong(plan, obstacles);
        units(plan, obstacles);
        return obstacles;
    }

    private static Obstacle of(Finding finding) {
        return new Obstacle(finding.id(), Kind.FINDING, finding.severity(), FindingText.sentence(finding));
    }

    private static void wrong(Plan plan, List<Obstacle> obstacles) {
        CheckProgress.of(plan).wrong().forEach(check -> {
            String who = plan.fixture(check.fixture()).map(f -> f.label()).orElse("a unit");
            obstacles.add(new Obstacle(
                    "wrong:" + check.fixture() + ":" + check.item(),
                    Kind.SEEN_WRONG,
                    Severity.STOP,
                    who + " was seen to be wrong at the rig"
                            + (check.note().isBlank() ? "." : ": " + check.note() + ".")));
        });
    }

    private static void units(Plan plan, List<Obstacle> obstacles) {
        Map<Standing, Integer> counts = new EnumMap<>(Standing.class);
        int placed = 0;
        for (PlannedBlock block : plan.blocks()) {
            if (block.start().isPresent()) {
                placed++;
                counts.merge(Standing.of(block, plan), 1, Integer::sum);
            }
        }
        int stale = counts.getOrDefault(Standing.STALE, 0);
        if (stale > 0) {
            obstacles.add(new Obstacle(
                    "stale",
                    Kind.STALE,
                    Severity.STOP,
                    Counted.of(stale, "block") + (stale == 1 ? " was" : " were") + " set or proved, and "
                            + (stale == 1 ? "is" : "are") + " planned otherwise since."));
        }
        int open = placed - stale - counts.getOrDefault(Standing.PROVED, 0);
        if (open > 0) {
            obstacles.add(new Obstacle(
                    "not-proved",
                    Kind.NOT_PROVED,
                    Severity.WARN,
                    Counted.of(open, "block") + " of " + placed + (open == 1 ? " is" : " are") + " not proved."));
        }
    }
}
