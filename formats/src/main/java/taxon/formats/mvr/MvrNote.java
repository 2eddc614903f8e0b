package taxon.formats.mvr;

import taxon.formats.xml.NotePlace;

/**
 * Something odd in a scene that was read all the same.
 *
 * @param where the fixture by its ID or name, or the element
 * @param line in {@code GeneralSceneDescription.xml}, counted from 1; 0 where it is not of one line
 * @param value what stood there
 */
public record MvrNote(Kind kind, String where, int line, String value) {

    /** What can be odd. */
    public enum Kind {
        UUID_UNCLEAR,
        UUID_TWICE,
        MATRIX_UNCLEAR,
        ADDRESS_UNCLEAR,
        ID_UNCLEAR,
        UNIT_UNCLEAR,
        POSITION_UNKNOWN,
        TYPE_UNREADABLE,
        TYPE_BEYOND_BOUNDS,
        TEXT_CUT,
        VERSION_UNKNOWN
    }

    /** One sentence. */
    public String sentence() {
        String place = NotePlace.words(where, line);
        return place
                + switch (kind) {
                    case UUID_UNCLEAR -> "the UUID reads “" + value + "”, so that it cannot be found again; left out.";
                    case UUID_TWICE -> "the UUID " + value + " was there before; left out.";
                    case MATRIX_UNCLEAR -> "the matrix was not understood; where it hangs is not known.";
                    case ADDRESS_UNCLEAR -> "the address “" + value + "” was not understood; left without one.";
                    case ID_UNCLEAR ->
                        "the fixture ID “" + value + "” is no number from 1 to 99999; it is kept as the name.";
                    case UNIT_UNCLEAR -> "the unit number “" + value + "” was not understood; it is counted on.";
                    case POSITION_UNKNOWN -> "the position " + value + " is not in the scene.";
                    case TYPE_UNREADABLE -> "the file in the scene could not be read. " + value;
                    case TYPE_BEYOND_BOUNDS -> "the scene holds more types than are read; this one was not.";
                    case TEXT_CUT -> "more stands there than is kept; what is kept reads “" + value + "”.";
                    case VERSION_UNKNOWN -> "the version is " + value + "; it was read as 1.6.";
                };
    }
}
