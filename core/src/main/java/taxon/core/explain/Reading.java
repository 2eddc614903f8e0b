package taxon.core.explain;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Mode;
import taxon.core.rig.FixtureKey;

/**
 * What a unit said of itself by remote management.
 *
 * @param said empty for one that was asked and did not answer
 */
public record Reading(FixtureKey unit, Optional<Said> said) implements Evidence {
    /**
     * How it says that it is set.
     *
     * @param starts the slot of each of its blocks, 1 to 512, in order; those that it did not tell of are left out at the end
     * @param mode empty where it was not told
     * @param axes empty where it does not tell of them
     */
    public record Said(List<Integer> starts, Optional<Mode> mode, Optional<Axes> axes) {
        public Said {
            starts = List.copyOf(starts);
        }
    }

    /**
     * How its axes are otherwise than is planned.
     *
     * @param turned those that go the other way round
     * @param swapped true when pan and tilt are exchanged and should not be, or are not and should
     */
    public record Axes(Set<Attribute> turned, boolean swapped) {
        public Axes {
            turned = Set.copyOf(turned);
        }
    }

    /** One that did not answer. */
    public static Reading silent(FixtureKey unit) {
        return new Reading(unit, Optional.empty());
    }
}
