package taxon.simrig.practice;

import java.time.Duration;
import java.util.List;

/**
 * How well a case was solved.
 *
 * @param hidden how many faults there were
 * @param solved how many of them were put right, or named where they cannot be put right over the wire
 * @param wronglyNamed units and boxes that were named and have none
 * @param spoiled units that were right before and are not now
 * @param touched how often something was set or programmed
 * @param needed how often would have been enough
 * @param faults what it was, a line each
 */
public record Score(
        int hidden,
        int solved,
        List<String> wronglyNamed,
        List<String> spoiled,
        int touched,
        int needed,
        Duration took,
        List<String> faults) {
    private static final int ALL = 100;
    private static final int PER_TOUCH = 5;
    private static final int PER_MISTAKE = 10;

    public Score {
        wronglyNamed = List.copyOf(wronglyNamed);
        spoiled = List.copyOf(spoiled);
        faults = List.copyOf(faults);
    }

    /** 100 for all faults, less 5 for each touch too many, 10 for each that was wrongly named or spoiled, 1 for each whole minute; 0 at least. */
    public int points() {
        long points = (long) ALL * solved / hidden
                - (long) PER_TOUCH * Math.max(0, touched - needed)
                - (long) PER_MISTAKE * (wronglyNamed.size() + spoiled.size())
                - took.toMinutes();
        return (int) Math.max(0, points);
    }
}
