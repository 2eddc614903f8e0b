package taxon.core.explain;

/** A line that is no evidence; its message says what it takes. */
final class NotUnderstoodException extends Exception {
    private static final long serialVersionUID = 1;

    NotUnderstoodException(String message) {
        super(message);
    }
}
