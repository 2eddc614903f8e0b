package taxon.formats.gdtf;

import taxon.core.fixture.Facts;
import taxon.formats.xml.NotePlace;

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
        TEXT_CUT,
        ID_MADE,
        MODE_LEFT_OUT,
        CHANNEL_LEFT_OUT,
        SLOT_TWICE,
        MODE_GEOMETRY_UNKNOWN,
        GEOMETRY_UNKNOWN,
        GEOMETRY_ELSEWHERE,
        REFERENCE_BROKEN,
        GEOMETRY_CYCLE,
        BREAK_UNCLEAR,
        VALUE_UNCLEAR,
        INITIAL_FUNCTION_UNKNOWN,
        INITIAL_FUNCTION_GUESSED,
        LOGICAL_CHANNELS_JOINED,
        RANGE_LEFT_OUT,
        MASTER_UNKNOWN,
        MASTER_FUNCTION_UNKNOWN,
        ATTRIBUTE_UNKNOWN,
        ATTRIBUTE_UNDEFINED,
        PERSONALITY_UNCLEAR,
        PERSONALITY_OF_NO_MODE,
        SOFTWARE_UNCLEAR,
        REMOTE_ID_UNCLEAR,
        SOCKETS_ASSUMED,
        SOCKETS_LEFT_OUT,
        FACTS_UNREADABLE
    }

    /** One sentence. */
    public String sentence() {
        String place = NotePlace.words(where, line);
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
                    case TEXT_CUT -> "more stands there than is kept; what is kept reads “" + value + "”.";
                    case MODE_GEOMETRY_UNKNOWN ->
                        "the mode's own geometry “" + value
                                + "” is not in the file; all its channels count as the whole.";
                    case GEOMETRY_UNKNOWN ->
                        "there is no geometry “" + value + "” in the file; the channel counts as one of the whole.";
                    case GEOMETRY_ELSEWHERE ->
                        "the geometry “" + value
                                + "” is in the file, but not in this mode; the channel counts as one of the whole.";
                    case REFERENCE_BROKEN ->
                        "it refers to the geometry “" + value + "”, which is not in the file; no part comes of it.";
                    case GEOMETRY_CYCLE -> "the geometry “" + value + "” refers to itself; it was followed once.";
                    case BREAK_UNCLEAR -> "the break reads “" + value + "”; it counts as 1.";
                    case VALUE_UNCLEAR -> "the value reads “" + value + "”; it counts as 0.";
                    case INITIAL_FUNCTION_UNKNOWN ->
                        "the initial function “" + value + "” is not there; the first one is.";
                    case INITIAL_FUNCTION_GUESSED ->
                        "the link to the initial function, “" + value
                                + "”, leads nowhere; the function of its last name was taken.";
                    case LOGICAL_CHANNELS_JOINED -> value + " logical channels were joined into one.";
                    case RANGE_LEFT_OUT -> "the step “" + value + "” lies outside its function and was left out.";
                    case MASTER_UNKNOWN -> "it depends on “" + value + "”, which this mode lacks; kept as written.";
                    case MASTER_FUNCTION_UNKNOWN ->
                        "it depends on “" + value + "”, a function that channel lacks; kept as written.";
                    case ATTRIBUTE_UNDEFINED ->
                        "the attribute “" + value + "” is not among those that the file defines; it was kept.";
                    case PERSONALITY_OF_NO_MODE ->
                        "a remote management personality is of the mode “" + value
                                + "”, which the file lacks; kept as written.";
                    case SOFTWARE_UNCLEAR ->
                        "the software version “" + value
                                + "” is no hexadecimal number; how it numbers the modes was read, the version is not kept.";
                    case REMOTE_ID_UNCLEAR -> "the number “" + value + "” was not understood; left without one.";
                    case SOCKETS_ASSUMED ->
                        "the file names no DMX sockets; " + value
                                + " in and out is assumed. Change that in a type of your own.";
                    case SOCKETS_LEFT_OUT ->
                        value + " sockets from here on were left out; " + Facts.MOST_SOCKETS + " are kept.";
                    case ATTRIBUTE_UNKNOWN -> "GDTF does not name the attribute “" + value + "”; it was kept.";
                    case PERSONALITY_UNCLEAR -> "the remote management personality “" + value + "” was not understood.";
                    case FACTS_UNREADABLE -> "the facts beside the description were not used: " + value + ".";
                };
    }
}
