package taxon.app.checks.write;

/** A write that was not done, with the reason as a sentence. */
final class NotWrittenException extends Exception {
    private static final long serialVersionUID = 1L;

    NotWrittenException(String sentence) {
        super(sentence);
    }
}
