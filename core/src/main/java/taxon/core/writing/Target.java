package taxon.core.writing;

import java.util.Optional;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.FixtureKey;

/** Who is written to. */
public sealed interface Target {
    /** "204, unit 7FF0:00000001". */
    String words();

    /**
     * A unit that answered by remote management.
     *
     * @param universe the planned universe of the port that it answered through
     * @param fixture that it was taken for; empty where it was taken for none
     * @param label of that fixture; empty where there is none
     */
    record Unit(String uid, UniverseNumber universe, Optional<FixtureKey> fixture, String label) implements Target {
        @Override
        public String words() {
            return label.isEmpty() ? "unit " + uid : label + ", unit " + uid;
        }
    }

    /** A planned box, by its number and name. */
    record OfBox(int number, String name) implements Target {
        @Override
        public String words() {
            return name;
        }
    }
}
