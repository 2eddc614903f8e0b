package taxon.core.compare;

import java.util.List;
import java.util.Set;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;

/** A single thing that explains the differences of many rows; counted as their side has it against ours. */
public sealed interface Pattern {
    /** The matches whose differences it explains. */
    List<Match> explains();

    /** In what these rows differ by it. */
    default Set<RowDifference.Kind> kinds() {
        return Set.of(RowDifference.Kind.UNIVERSE, RowDifference.Kind.ADDRESS);
    }

    /** Every universe is so many higher: the other side counts otherwise. */
    record UniversesOff(int by, List<Match> explains) implements Pattern {
        public UniversesOff {
            explains = List.copyOf(explains);
        }
    }

    /** All of one universe is on another one. */
    record UniverseMoved(UniverseNumber ours, UniverseNumber theirs, List<Match> explains) implements Pattern {
        public UniverseMoved {
            explains = List.copyOf(explains);
        }
    }

    /** Every slot is so many higher: the other side counts slots from 0. */
    record SlotsOff(int by, List<Match> explains) implements Pattern {
        public SlotsOff {
            explains = List.copyOf(explains);
        }
    }

    /** From a place in a universe on, every unit stands so many slots higher: a block is missing there, or one too many. */
    record Shifted(StartAddress from, int by, List<Match> explains) implements Pattern {
        public Shifted {
            explains = List.copyOf(explains);
        }
    }

    /** Two units have each other's addresses. */
    record Swapped(Match one, Match other) implements Pattern {
        @Override
        public List<Match> explains() {
            return List.of(one, other);
        }
    }

    /** All units of a type are in another mode. */
    record OtherMode(String type, String ours, String theirs, List<Match> explains) implements Pattern {
        public OtherMode {
            explains = List.copyOf(explains);
        }

        @Override
        public Set<RowDifference.Kind> kinds() {
            return Set.of(RowDifference.Kind.MODE, RowDifference.Kind.FOOTPRINT);
        }
    }

    /** Several units are in a mode of one name, which is of another length there: the profile is another than the unit's. */
    record OtherProfile(String type, String mode, int ours, int theirs, List<Match> explains) implements Pattern {
        public OtherProfile {
            explains = List.copyOf(explains);
        }

        @Override
        public Set<RowDifference.Kind> kinds() {
            return Set.of(RowDifference.Kind.FOOTPRINT);
        }
    }

    /** Every fixture ID is so many higher. */
    record IdsOff(int by, List<Match> explains) implements Pattern {
        public IdsOff {
            explains = List.copyOf(explains);
        }

        @Override
        public Set<RowDifference.Kind> kinds() {
            return Set.of(RowDifference.Kind.ID);
        }
    }
}
