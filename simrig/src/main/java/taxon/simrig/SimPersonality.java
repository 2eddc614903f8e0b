package taxon.simrig;

import java.util.List;

/**
 * A personality of a simulated unit.
 *
 * @param footprints slots of the unit itself, then of each sub-device
 */
public record SimPersonality(String name, List<Integer> footprints) {
    public SimPersonality {
        footprints = List.copyOf(footprints);
        if (footprints.isEmpty()) {
            throw new IllegalArgumentException("personality " + name + " has no footprint");
        }
    }

    int subDevices() {
        return footprints.size() - 1;
    }
}
