package taxon.core.variant;

import java.util.EnumSet;
import java.util.Set;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Plan;

/** A plan without what was set, proved and checked: that is of units, not of plans. */
public final class WithoutEvidence {
    private static final Set<Kind> EVIDENCE = EnumSet.of(Kind.EVIDENCE, Kind.CHECK);

    private WithoutEvidence() {}

    /** The plan alone. */
    public static Plan of(Plan plan) {
        return plan.without(plan.elements().keySet().stream()
                .filter(WithoutEvidence::isEvidence)
                .toList());
    }

    static boolean isEvidence(ElementKey key) {
        return EVIDENCE.contains(key.kind());
    }
}
