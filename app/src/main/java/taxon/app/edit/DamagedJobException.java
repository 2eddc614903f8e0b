package taxon.app.edit;

/** A job whose rows in the store cannot be read as a plan. Other jobs are not touched by it. */
public final class DamagedJobException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final int job;

    public DamagedJobException(int job, Throwable cause) {
        super("Job " + job + " is damaged: " + cause.getMessage(), cause);
        this.job = job;
    }

    public int job() {
        return job;
    }
}
