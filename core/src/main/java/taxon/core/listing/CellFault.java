package taxon.core.listing;

/**
 * Why a row cannot be taken as it stands.
 *
 * @param value as it was written
 * @param allowed what would do, in words
 */
public record CellFault(Column column, String value, Reason reason, String allowed) {
    private static final int SHOWN = 60;

    public enum Reason {
        EMPTY,
        NOT_A_NUMBER,
        OUT_OF_RANGE,
        UNKNOWN,
        AMBIGUOUS,
        /** It can mean two things, and nobody has said which. */
        UNCLEAR,
        /** A table program has made a date of it. */
        DATE,
        CONTRADICTS,
        NOT_TEXT
    }

    /** The same of a later block. */
    public CellFault ofBlock(int block) {
        return new CellFault(column, value, reason, allowed + " (block " + block + ")");
    }

    /** "The quantity is −3; it takes 1 to 1000." */
    public String sentence() {
        String shown = value.length() > SHOWN ? value.substring(0, SHOWN) + "…" : value;
        String what = "The " + column.words();
        return switch (reason) {
            case EMPTY -> what + " is empty; it takes " + allowed + ".";
            case NOT_A_NUMBER -> what + " reads “" + shown + "”; it takes " + allowed + ".";
            case OUT_OF_RANGE -> what + " is " + shown + "; it takes " + allowed + ".";
            case UNKNOWN -> what + " “" + shown + "” is not known; " + allowed + ".";
            case AMBIGUOUS -> what + " “" + shown + "” fits more than one; " + allowed + ".";
            case UNCLEAR -> what + " “" + shown + "” can mean two things; " + allowed + ".";
            case DATE -> what + " “" + shown + "” reads like a date that a table program made of it; " + allowed + ".";
            case CONTRADICTS -> what + " is " + shown + ", but " + allowed + ".";
            case NOT_TEXT -> what + " cannot be stored: " + allowed;
        };
    }
}
