package taxon.core.rig;

/**
 * Why a value cannot be taken.
 *
 * @param field what the value was meant for, in words: "start address"
 * @param value as it was given
 * @param allowed what would do: "1 to 512"
 */
public record Refusal(String field, String value, Fault fault, String allowed) {
    private static final int SHOWN = 60;

    public enum Fault {
        OUT_OF_RANGE,
        NOT_UNDERSTOOD,
        NOT_FOUND,
        TAKEN,
        IN_USE,
        /** It is locked where it is. */
        LOCKED,
        /** It is said of the whole fixture, not of a part of it. */
        OF_THE_WHOLE,
        /** Only an app reaches it. */
        NEVER_HEARS,
        /** Something newer is known. */
        OUTDATED
    }

    /** One sentence with the value and the allowed range. */
    public String sentence() {
        String shown = value.isBlank() ? "nothing" : shortened();
        return switch (fault) {
            case OUT_OF_RANGE -> "The " + field + " cannot be " + shown + "; it takes " + allowed + ".";
            case NOT_UNDERSTOOD -> "The " + field + " reads " + shown + "; it takes " + allowed + ".";
            case NOT_FOUND -> "There is no " + field + " " + shown + " (" + allowed + ").";
            case TAKEN -> "The " + field + " " + shown + " is taken by " + allowed + ".";
            case IN_USE -> "The " + field + " " + shown + " is in use by " + allowed + ".";
            case OUTDATED -> "The " + field + " " + shown + " cannot be taken back: " + allowed + ".";
            case NEVER_HEARS ->
                "The " + field + " cannot be " + shown + ": only " + allowed + " reaches it, and no universe does.";
            case OF_THE_WHOLE -> "The " + field + " is that of " + allowed + "; change it there.";
            case LOCKED -> "The " + field + " " + shown + " is locked at " + allowed + "; unlock it first.";
        };
    }

    private String shortened() {
        return value.length() > SHOWN ? value.substring(0, SHOWN) + "…" : value;
    }
}
