package taxon.core.label;

/** How wide texts are in the letters that they will be printed in. */
public interface TextMeasure {
    /** Letters. */
    enum Face {
        PLAIN,
        BOLD,
        /** All of one width. */
        EVEN
    }

    /** The width of a text whose letters are 1 mm high, from one line to the next. */
    double width(Face face, String text);
}
