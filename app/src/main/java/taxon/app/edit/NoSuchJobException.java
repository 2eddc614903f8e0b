package taxon.app.edit;

/** A job number that no job has. */
public final class NoSuchJobException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public NoSuchJobException(int job) {
        super("There is no job " + job + ".");
    }
}
