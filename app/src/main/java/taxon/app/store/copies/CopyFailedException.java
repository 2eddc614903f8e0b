package taxon.app.store.copies;

/** A copy of the store could not be made, or is not whole. The message is a sentence for whoever asked for it. */
public final class CopyFailedException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public CopyFailedException(String sentence) {
        super(sentence);
    }

    public CopyFailedException(String sentence, Throwable cause) {
        super(sentence, cause);
    }
}
