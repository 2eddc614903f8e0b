package taxon.formats.gdtf;

/**
 * Something odd in a file that was read all the same.
 *
 * @param where the mode, channel or element
 * @param line in {@code description.xml}, counted from 1; 0 where it is not of one line
 * @param value what stood there
 */
public record GdtfNote(Kind kind, String where, int line, String value) {

    /** What can be odd. */
    public enum Kind {
        ELEMENT_UNKNOWN,
        VERSION_UNKNOWN,
        NAME_CHANGED,
        ID_MADE,
        MODE_LEFT_OUT,
        CHANNEL_LEFT_OUT,
        SLOT_TWICE,
        GEOMETRY_UNKNOWN,
        GEOMETRY_CYCLE,
        BREAK_UNCLEAR,
        VALUE_UNCLEAR,
        INITIAL_FUNCTION_UNKNOWN,
        LOGICAL_CHANNELS_JOINED,
        RANGE_LEFT_OUT,
        MASTER_UNKNOWN,
        ATTRIBUTE_UNKNOWN,
        PERSONALITY_UNCLEAR,
        FACTS_UNREADABLE
    }

    /** One sentence. */
    public String sentence() {
        String place = line > 0 ? where + ", line " + line + ": " : where.isEmpty() ? "" : where + ": ";
        return place
                + switch (kind) {
                    case ELEMENT_UNKNOWN -> value + ", which GDTF does not name, stays in the original file only.";
                    case VERSION_UNKNOWN -> "the data version is " + value + "; it was read as 1.2.";
                    case NAME_CHANGED -> "the name was changed to “" + value + "”.";
                    case ID_MADE ->
                        "the file names no FixtureTypeID that is one; " + value + " was made from its name.";
                    case MODE_LEFT_OUT -> "left out, since " + value + ".";
                    case CHANNEL_LEFT_OUT -> "the channel was left out, since " + value + ".";
                    case SLOT_TWICE -> "slot " + value + "; the later channel was left out.";
                    case GEOMETRY_UNKNOWN ->
                        "there is no geometry “" + value + "” in this mode; it counts as the whole.";
                    case GEOMETRY_CYCLE -> "the geometry “" + value + "” refers to itself; it was followed once.";
                    case BREAK_UNCLEAR -> "the break reads “" + value + "”; it counts as 1.";
                    case VALUE_UNCLEAR -> "the value reads “" + value + "”; it counts as 0.";
                    case INITIAL_FUNCTION_UNKNOWN ->
                        "the initial function “" + value + "” is not there; the first one is.";
                    case LOGICAL_CHANNELS_JOINED -> value + " logical channels were joined into one.";
                    case RANGE_LEFT_OUT -> "the step “" + value + "” lies outside its function and was left out.";
                    case MASTER_UNKNOWN -> "it depends on “" + value + "”, which this mode lacks; kept as written.";
                    case ATTRIBUTE_UNKNOWN -> "GDTF does not name the attribute “" + value + "”; it was kept.";
                    case PERSONALITY_UNCLEAR -> "the remote management personality “" + value + "” was not understood.";
                    case FACTS_UNREADABLE -> "the facts beside the description were not used: " + value + ".";
                };
    }
}
