package taxon.core.rig;

import java.time.Instant;
import taxon.core.dmx.StartAddress;
import taxon.core.text.Texts;

/**
 * That a unit had this address and mode at this time, and who says so.
 *
 * @param mode the mode's name as the plan or the unit gave it
 * @param by a person's word, or what was read
 */
public record Mark(StartAddress address, String mode, Instant at, String by) {
    public Mark {
        Texts.allowLine("mode", mode, 60);
        Texts.requireLine("origin of a mark", by, 80);
    }

    /** True when plan and mark agree. */
    public boolean confirms(StartAddress planned, String plannedMode) {
        return address.equals(planned) && mode.equals(plannedMode);
    }
}
