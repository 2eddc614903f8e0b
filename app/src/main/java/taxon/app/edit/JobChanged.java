package taxon.app.edit;

/**
 * Told to whoever follows a job, when it has changed.
 *
 * @param version that the job has now
 * @param title of what was done
 */
public record JobChanged(int job, long version, String title, String who) {}
