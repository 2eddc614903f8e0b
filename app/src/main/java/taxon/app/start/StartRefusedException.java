package taxon.app.start;

/** Taxon cannot begin, for a reason that whoever started it can do something about. The message is one line for them. */
public final class StartRefusedException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public StartRefusedException(String line) {
        super(line);
    }

    public StartRefusedException(String line, Throwable cause) {
        super(line, cause);
    }
}
