package taxon.core.rig;

import taxon.core.length.LengthUnit;

/**
 * How the rig of a job is shown.
 *
 * @param unit in which lengths are read where none is written, and in which they are shown
 * @param front what the rig faces
 * @param side where the front is drawn
 */
public record RigView(LengthUnit unit, Front front, Side side) {
    public static final RigView USUAL = new RigView(LengthUnit.METRES, Front.AUDIENCE, Side.BELOW);

    /** What a rig faces: the people who watch, or, in an installation, the way in. */
    public enum Front {
        AUDIENCE("audience"),
        ENTRANCE("entrance");

        private final String words;

        Front(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Sides of a drawing. */
    public enum Side {
        BELOW("below"),
        ABOVE("above"),
        LEFT("to the left"),
        RIGHT("to the right");

        private final String words;

        Side(String words) {
            this.words = words;
        }
    }

    /** "audience below". */
    public String frontWords() {
        return front.words() + " " + side.words;
    }
}
