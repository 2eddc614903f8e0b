package taxon.core.packing.site;

import java.util.List;

/**
 * What lies on one site.
 *
 * @param site index of the site
 * @param stays those who stay
 * @param placed what comes in
 * @param cost what it costs to begin the site, less what those who stay are worth, in parts of {@link Site#UNIT}
 */
public record SiteFill(int site, List<Sitter> stays, List<Placed> placed, long cost) {
    /** A run of a good at a slot. */
    public record Placed(int good, int slot) {}

    public SiteFill {
        stays = List.copyOf(stays);
        placed = List.copyOf(placed);
    }

    boolean isEmpty() {
        return stays.isEmpty() && placed.isEmpty();
    }

    /** What is still needed beside a filling that has these counts; what it has too many of is nobody's. */
    static int[] beside(int[] counts, int[] need) {
        int[] left = new int[need.length];
        for (int g = 0; g < left.length; g++) {
            left[g] = Math.max(0, need[g] - counts[g]);
        }
        return left;
    }

    /** How many of each good lie here. */
    int[] counts(int goods) {
        int[] counts = new int[goods];
        stays.forEach(s -> counts[s.good()]++);
        placed.forEach(p -> counts[p.good()]++);
        return counts;
    }
}
