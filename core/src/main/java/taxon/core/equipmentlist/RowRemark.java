package taxon.core.equipmentlist;

/**
 * What is to be known of a row that is added all the same.
 *
 * @param count how many of its fixtures it is about
 * @param detail IDs, addresses or whoever is there, as they are called
 */
public record RowRemark(Kind kind, int count, String detail) {
    public enum Kind {
        /** The job or a row above has these IDs. */
        IDS_TAKEN,
        /** They were numbered otherwise than is written. */
        IDS_RENUMBERED,
        /** They come in without the IDs that are written. */
        IDS_LEFT_OUT,
        /** Something else is on these slots. */
        ADDRESS_TAKEN,
        /** They run past slot 512 of the universe that is written. */
        PAST_END,
        /** Counted on from the address that is written, they would begin behind slot 512. */
        BEHIND_END,
        /** A place was found for them. */
        PLACED,
        /** No place was found for them. */
        NOT_PLACED,
        /** They come in without the address that is written. */
        ADDRESS_LEFT_OUT,
        /** A universe is written, and no slot. */
        UNIVERSE_ALONE
    }

    /** True when it is as it is written, and clashes. */
    public boolean isClash() {
        return switch (kind) {
            case IDS_TAKEN, ADDRESS_TAKEN, PAST_END, BEHIND_END, NOT_PLACED -> true;
            default -> false;
        };
    }

    /** "2 run past slot 512, from 1.506." */
    public String sentence() {
        String some = count == 1 ? "1 fixture" : count + " fixtures";
        return switch (kind) {
            case IDS_TAKEN -> "Given already: " + detail + "; they come in as doubles.";
            case IDS_RENUMBERED -> "Renumbered, since the list's are taken: " + detail + ".";
            case IDS_LEFT_OUT -> "Without ID, since the list's are taken: " + detail + ".";
            case ADDRESS_TAKEN -> some + " on slots that are taken: " + detail + ".";
            case PAST_END -> some + (count == 1 ? " runs" : " run") + " past slot 512: " + detail + ".";
            case BEHIND_END ->
                some + " would begin behind slot 512 of universe " + detail + " and " + (count == 1 ? "stays" : "stay")
                        + " without an address.";
            case PLACED -> some + " placed elsewhere than is written: " + detail + ".";
            case NOT_PLACED -> some + " found no place and " + (count == 1 ? "stays" : "stay") + " without an address.";
            case ADDRESS_LEFT_OUT -> some + " without the address that is written: " + detail + ".";
            case UNIVERSE_ALONE -> "Universe " + detail + " without a slot: " + some + " without an address.";
        };
    }
}
