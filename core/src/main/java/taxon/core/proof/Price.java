package taxon.core.proof;

import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;

/**
 * What applying costs: whom somebody must go to.
 *
 * @param touched units that were set and must be set again
 * @param plannedOnly fixtures that change on paper only
 * @param first fixtures that had no address
 */
public record Price(int touched, int plannedOnly, int first) {
    /** What a fixture costs that is set on the unit, and one that is only planned. */
    public static final int SET = 10;

    public static final int PLANNED = 1;

    public Price {
        if (touched < 0 || plannedOnly < 0 || first < 0) {
            throw new IllegalArgumentException(
                    "a price of " + touched + ", " + plannedOnly + " and " + first + " is none");
        }
    }

    /**
     * What a change costs: whoever was set and gets another address, mode or type must be set again; any other fixture that
     * differs changes on paper; one that had no address gets its first.
     *
     * @param before the plan that it was made on
     * @param after the plan that it makes
     */
    public static Price of(PlanDelta delta, Plan before, Plan after) {
        return new Pricing(before, after).of(delta);
    }

    /** Ten for each unit that was set, one for each fixture that changes on paper, nothing for a first address. */
    public int points() {
        return SET * touched + PLANNED * plannedOnly;
    }

    /** What moving one fixture costs, in points. */
    public static int weight(boolean set) {
        return set ? SET : PLANNED;
    }
}
