package taxon.core.paper;

/**
 * A column of a paper.
 *
 * @param shape what all of its cells are; a cell may be empty text all the same
 */
public record Column(String name, Shape shape) {
    /** What a column holds. */
    public enum Shape {
        TEXT,
        /** Figures or short codes, which stand in letters of one width. */
        FIGURE,
        /** {@link Cell.Start}. */
        START,
        /** {@link Cell.Run}. */
        RUN
    }

    static Column text(String name) {
        return new Column(name, Shape.TEXT);
    }

    static Column figure(String name) {
        return new Column(name, Shape.FIGURE);
    }

    static Column start(String name) {
        return new Column(name, Shape.START);
    }

    static Column run(String name) {
        return new Column(name, Shape.RUN);
    }

    /** True when its cells stand in letters of one width. */
    public boolean isEven() {
        return shape != Shape.TEXT;
    }
}
