package taxon.core.proof;

import java.util.List;
import java.util.Optional;

/**
 * What a unit says of itself besides what it is and where it listens. What it does not know is empty.
 *
 * @param software as people read it; may be empty
 * @param hours that it was on
 * @param lampHours of its lamp
 * @param sensors what each measures, "head 41 °C"
 * @param status what it reports, "warning 0x0031 (4, 0)"
 * @param axes how its axes are turned by its own menu
 * @param identifying true while it makes itself known
 * @param modes how many it has; 0 where it does not say
 */
public record UnitSays(
        String software,
        Optional<Long> hours,
        Optional<Long> lampHours,
        List<String> sensors,
        List<String> status,
        Axes axes,
        boolean identifying,
        int modes) {
    /** Nothing is known. */
    public static final UnitSays NOTHING =
            new UnitSays("", Optional.empty(), Optional.empty(), List.of(), List.of(), Axes.UNKNOWN, false, 0);

    public UnitSays {
        sensors = List.copyOf(sensors);
        status = List.copyOf(status);
    }

    /** How axes are turned; empty where the unit does not know of such a thing. */
    public record Axes(Optional<Boolean> panReversed, Optional<Boolean> tiltReversed, Optional<Boolean> swapped) {
        public static final Axes UNKNOWN = new Axes(Optional.empty(), Optional.empty(), Optional.empty());

        /** "pan reversed, pan and tilt swapped"; empty where nothing is turned, or it does not say. */
        public String words() {
            StringBuilder words = new StringBuilder();
            panReversed.filter(on -> on).ifPresent(on -> words.append("pan reversed, "));
            tiltReversed.filter(on -> on).ifPresent(on -> words.append("tilt reversed, "));
            swapped.filter(on -> on).ifPresent(on -> words.append("pan and tilt swapped, "));
            return words.isEmpty() ? "" : words.substring(0, words.length() - 2);
        }
    }
}
