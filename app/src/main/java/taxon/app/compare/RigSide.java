package taxon.app.compare;

import java.util.Optional;
import taxon.core.compare.TheirPatch;

/** What was read from the rig, for whoever holds it against the plan. */
public interface RigSide {
    /**
     * The last reading of a job.
     *
     * @param stamp changes with every reading
     */
    record Read(TheirPatch patch, String stamp) {}

    /** Empty where the rig was not read since the start. */
    Optional<Read> lastRead(int job);
}
