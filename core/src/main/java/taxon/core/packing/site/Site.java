package taxon.core.packing.site;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import taxon.core.dmx.Slot;

/**
 * One universe, or several that are alike.
 *
 * @param longest for each slot, index 1 to 512, the longest run that may begin there beside what is fixed; 0 where none may
 * @param count how many there are; 1 where somebody sits
 * @param begin what it costs to put anything here, in parts of {@link #UNIT}
 * @param only the class that may lie here; empty where any may
 */
public record Site(int[] longest, int count, long begin, OptionalInt only, List<Sitter> sitters) {
    /** One point of cost: costs are counted in parts, so that bounds are sums of whole numbers. */
    public static final long UNIT = 1L << 20;

    public Site {
        sitters = List.copyOf(sitters);
        if (longest.length != Slot.LAST + 1 || count < 1 || (count > 1 && !sitters.isEmpty())) {
            throw new IllegalArgumentException(count + " sites of " + (longest.length - 1) + " slots with "
                    + sitters.size() + " sitters are none");
        }
    }

    boolean isOpenTo(int sharingClass) {
        return only.isEmpty() || only.getAsInt() == sharingClass;
    }

    /** What all sitters are worth together. */
    long weight() {
        return sitters.stream().mapToLong(Sitter::weight).sum();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Site site
                && Arrays.equals(longest, site.longest)
                && count == site.count
                && begin == site.begin
                && only.equals(site.only)
                && sitters.equals(site.sitters);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(longest) * 31 + sitters.hashCode();
    }
}
