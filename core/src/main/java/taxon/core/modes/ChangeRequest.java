package taxon.core.modes;

import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.FixtureKey;

/**
 * A wish to change the type or mode of fixtures.
 *
 * @param switches each fixture in one of them at most
 * @param from where the first of them begins when they are placed anew, in order; else their lowest start
 * @param addressing true to give those an address, too, that have none yet
 */
public record ChangeRequest(List<Switch> switches, Style style, Optional<StartAddress> from, boolean addressing) {

    /** What to do where the new footprints do not fit. */
    public enum Style {
        /** Keep every start that still fits, move the fewest of the changed fixtures, never another. */
        LEAST_DISTURBANCE,
        /** Place the changed fixtures anew, one after the other, from the lowest start that they had. */
        IN_ORDER,
        /** Keep every start, whatever it then runs into. */
        KEEP_STARTS
    }

    /**
     * @param type the definition to use from now on: that of the job, or one from the library
     * @param mode the name of a mode of that type
     */
    public record Switch(Set<FixtureKey> fixtures, FixtureType type, String mode) {
        public Switch {
            fixtures = Collections.unmodifiableSortedSet(new TreeSet<>(fixtures));
            if (type.mode(mode).isEmpty()) {
                throw new IllegalArgumentException(type.fullName() + " has no mode “" + mode + "”");
            }
        }
    }

    /** One that leaves those without an address as they are. */
    public ChangeRequest(List<Switch> switches, Style style) {
        this(switches, style, Optional.empty(), false);
    }

    public ChangeRequest {
        switches = List.copyOf(switches);
        Set<FixtureKey> seen = new HashSet<>();
        for (Switch one : switches) {
            for (FixtureKey key : one.fixtures()) {
                if (!seen.add(key)) {
                    throw new IllegalArgumentException("fixture " + key + " is to change into two things");
                }
            }
        }
    }

    public ChangeRequest in(Style other) {
        return new ChangeRequest(switches, other, from, addressing);
    }
}
