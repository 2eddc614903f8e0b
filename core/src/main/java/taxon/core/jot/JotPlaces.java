package taxon.core.jot;

import java.util.regex.Pattern;
import taxon.core.rig.Plan;

/** What may be meant by the name of a position. */
final class JotPlaces {
    private static final Pattern ENDS_WITH_ADDRESS =
            Pattern.compile("(?:.*\\s)?(?:at\\s+|from\\s+)?\\d{1,5}[./:]\\d{1,3}");

    private JotPlaces() {}

    /** True for "3.1", and for "Gate tower at 3.1": an address is never made into the name of a new position. */
    static boolean readsLikeAddress(Plan plan, String position) {
        return ENDS_WITH_ADDRESS.matcher(position).matches()
                && plan.positionNamed(position).isEmpty();
    }
}
