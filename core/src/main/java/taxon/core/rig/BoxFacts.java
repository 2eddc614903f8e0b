package taxon.core.rig;

import java.util.Optional;
import taxon.core.network.BoxNumber;
import taxon.core.network.Route.PortRef;
import taxon.core.text.Texts;

/**
 * What is known of a box beside its ports.
 *
 * @param mostUniverses how many it takes at once; empty where its ports are the only limit
 * @param shows how it shows the number of a universe; empty where nobody has said
 * @param reaches the port that it is cabled or linked to: of its switch, or of the transmitter whose receiver it is
 * @param fixture the fixture that it is, or is fitted to
 * @param megabits the speed of its network ports, 10 to 100,000
 * @param snooping whether a switch sends groups only where they were asked for
 * @param passesRdm true when RDM comes through it
 * @param note at most 400 characters
 */
public record BoxFacts(
        Optional<Integer> mostUniverses,
        Optional<BoxNumber.Kind> shows,
        Optional<PortRef> reaches,
        Optional<FixtureKey> fixture,
        int megabits,
        Snooping snooping,
        boolean passesRdm,
        String note) {
    public static final int USUAL_MEGABITS = 100;

    /** A box of which nothing is known: no limit, 100 Mbit/s, and RDM comes through. */
    public static final BoxFacts NONE = new BoxFacts(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            USUAL_MEGABITS,
            Snooping.UNKNOWN,
            true,
            "");

    /** Whether a switch listens to who asks for a group. */
    public enum Snooping {
        UNKNOWN("unknown"),
        ON("on"),
        OFF("off");

        private final String words;

        Snooping(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public BoxFacts {
        mostUniverses.filter(m -> m < 1 || m > 63_999).ifPresent(m -> {
            throw new IllegalArgumentException("a box that takes " + m + " universes; it takes 1 to 63999");
        });
        if (megabits < 10 || megabits > 100_000) {
            throw new IllegalArgumentException(megabits + " Mbit/s; a network port has 10 to 100000");
        }
        Texts.allowNote("note of a box", note, 400);
    }

    /** The same that is no fixture. */
    BoxFacts withoutFixture() {
        return new BoxFacts(mostUniverses, shows, reaches, Optional.empty(), megabits, snooping, passesRdm, note);
    }

    /** The same cabled or linked to a port. */
    public BoxFacts reaching(PortRef port) {
        return new BoxFacts(mostUniverses, shows, Optional.of(port), fixture, megabits, snooping, passesRdm, note);
    }

    /** The same that is a fixture, or is fitted to it. */
    public BoxFacts being(FixtureKey unit) {
        return new BoxFacts(mostUniverses, shows, reaches, Optional.of(unit), megabits, snooping, passesRdm, note);
    }

    /** The same that takes at most so many universes. */
    public BoxFacts taking(int universes) {
        return new BoxFacts(Optional.of(universes), shows, reaches, fixture, megabits, snooping, passesRdm, note);
    }
}
