package taxon.app.form;

/** Something that an address names and that does not exist. */
public final class NotThereException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    /** @param what as in "proposal 17" */
    public NotThereException(String what) {
        super("There is no " + what + " in this job.");
    }
}
