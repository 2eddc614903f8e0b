package taxon.core.rig.edit;

import java.util.List;
import java.util.function.Function;
import taxon.core.rig.Plan;
import taxon.core.rig.Refusal;

/**
 * A change that someone wants, by name. Applying it is one step of undo.
 *
 * @param title what undo and the history call it, "8 fixtures to 2.001"
 * @param work from the plan as it is to what becomes of it
 */
public record Edit(String title, Function<Plan, Outcome> work) {

    /** What becomes of a plan. */
    public sealed interface Outcome permits Changed, Refused {}

    /** The new plan; the same instance when nothing differs. */
    public record Changed(Plan plan) implements Outcome {}

    /** Why not; the plan stays as it was. Never empty. */
    public record Refused(List<Refusal> reasons) implements Outcome {
        public Refused {
            reasons = List.copyOf(reasons);
            if (reasons.isEmpty()) {
                throw new IllegalArgumentException("a refusal gives a reason");
            }
        }
    }

    /** Several edits one after the other, as one step of undo; the first that is refused refuses the whole. */
    public static Edit inTurn(String title, List<Edit> edits) {
        List<Edit> all = List.copyOf(edits);
        return new Edit(title, plan -> {
            Plan now = plan;
            for (Edit edit : all) {
                Outcome outcome = edit.applyTo(now);
                if (!(outcome instanceof Changed changed)) {
                    return outcome;
                }
                now = changed.plan();
            }
            return new Changed(now);
        });
    }

    /**
     * An edit of which it is computed already what it makes of one plan; what it makes of any other is computed then.
     *
     * @param after what becomes of that plan
     */
    public static Edit computed(String title, Plan plan, Plan after, Function<Plan, Outcome> ofOthers) {
        return new Edit(title, now -> now.equals(plan) ? new Changed(after) : ofOthers.apply(now));
    }

    /** What becomes of a plan; whatever the work does, it passes the {@link MoveGate}. */
    public Outcome applyTo(Plan plan) {
        return MoveGate.passed(plan, work.apply(plan));
    }

    /** Refuses for one reason. */
    public static Outcome refuse(Refusal reason) {
        return new Refused(List.of(reason));
    }
}
