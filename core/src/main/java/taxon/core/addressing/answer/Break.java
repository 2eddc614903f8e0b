package taxon.core.addressing.answer;

import taxon.core.addressing.request.SharingClass;
import taxon.core.dmx.UniverseNumber;

/**
 * Where one universe is left and another begun.
 *
 * @param first who begins the new one
 */
public record Break(UniverseNumber left, UniverseNumber begun, String first, Why why) {

    /** Why a universe is left. */
    public sealed interface Why {
        /** @param largest the longest run still free there */
        record Full(int needed, int largest) implements Why {}

        record Split(SharingClass left, SharingClass begun) implements Why {}

        record LineFull(int units) implements Why {}

        /** There is room, but what begins the next one stays where it is. */
        record Stays() implements Why {}

        /** There is room, but so all runs fit. */
        record Packed() implements Why {}
    }
}
