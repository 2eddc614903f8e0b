package taxon.core.compare;

import taxon.core.compare.Match.Reason;
import taxon.core.compare.RowDifference.Kind;

/** Matches and differences in words. */
public final class CompareText {
    private CompareText() {}

    /** "universe", "mode". */
    public static String of(Kind kind) {
        return switch (kind) {
            case UNIVERSE -> "universe";
            case ADDRESS -> "address";
            case FOOTPRINT -> "footprint";
            case MODE -> "mode";
            case TYPE -> "type";
            case ID -> "fixture ID";
            case NAME -> "name";
            case ORDER -> "order";
        };
    }

    /** Why two rows are taken for the same: "by fixture ID". */
    public static String of(Reason reason) {
        return switch (reason) {
            case TOLD -> "as you said";
            case SAME_ID -> "by fixture ID";
            case SAME_UUID -> "by identity";
            case SAME_NAME -> "by name";
            case SAME_ADDRESS -> "by address";
            case SAME_TYPE_IN_ORDER -> "by type and order";
        };
    }
}
