package taxon.core.proposal;

import java.util.List;
import java.util.TreeMap;
import taxon.core.finding.Finding;
import taxon.core.finding.PlanCheck;
import taxon.core.proof.Price;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Proposed;

/**
 * A proposal of any kind as it stands for one plan. It was computed once: what is looked at is what applying does.
 *
 * @param content what its kind computed
 * @param delta everything that it changes; empty when nothing differs, or when it is refused
 * @param refusals why it cannot be applied; empty when it can
 * @param price whom somebody must go to
 * @param brought what it brings that was not there before: stops, and warns of reserved slots, shares and hazards
 */
public record Proposal<T extends Proposed>(
        T content, PlanDelta delta, List<Refusal> refusals, Price price, List<Finding> brought) {
    public Proposal {
        refusals = List.copyOf(refusals);
        brought = List.copyOf(brought);
        if (!refusals.isEmpty() && !delta.isEmpty()) {
            throw new IllegalArgumentException("what is refused changes nothing");
        }
    }

    /**
     * What becomes of a plan when this is applied.
     *
     * @param check of that plan
     */
    public static <T extends Proposed> Proposal<T> of(Plan plan, PlanCheck check, T content) {
        Edit.Outcome outcome = content.edit().applyTo(plan);
        if (outcome instanceof Edit.Refused refused) {
            PlanDelta nothing = new PlanDelta(new TreeMap<>());
            return new Proposal<>(content, nothing, refused.reasons(), new Price(0, 0, 0), List.of());
        }
        Plan after = ((Edit.Changed) outcome).plan();
        PlanDelta delta = PlanDelta.between(plan, after);
        List<Finding> brought =
                delta.isEmpty() ? List.of() : PlanCheck.of(after).broughtSince(check);
        return new Proposal<>(content, delta, List.of(), Price.of(delta, plan, after), brought);
    }

    /** Does exactly what was looked at, or is refused: where it cannot be done, and where the plan is not as it was. */
    public Edit edit() {
        if (!refusals.isEmpty()) {
            return new Edit(content.edit().title(), plan -> new Edit.Refused(refusals));
        }
        return new Edit(
                content.edit().title(),
                plan -> delta.applyTo(plan).<Edit.Outcome>map(Edit.Changed::new).orElseGet(Proposal::outdated));
    }

    private static Edit.Outcome outdated() {
        return new Edit.Refused(List.of(
                new Refusal("plan", "as it was proposed for", Fault.NOT_FOUND, "it has changed; propose it again")));
    }

    /** True when applying it would change nothing. */
    public boolean changesNothing() {
        return delta.isEmpty();
    }
}
