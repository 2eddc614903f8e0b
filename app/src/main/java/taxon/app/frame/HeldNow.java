package taxon.app.frame;

import java.util.List;

/** What is driven by hand at this moment, by any job of this Taxon: told on every page. */
public interface HeldNow {
    /**
     * One arming that is in force.
     *
     * @param job whose it is
     * @param id its number
     * @param sentence who holds what, since when and until when
     */
    record Line(int job, int id, String sentence) {}

    /** Those in force, the oldest first; none where nothing is driven. */
    List<Line> held();
}
