package taxon.core.routing;

/**
 * How universes are to be carried.
 *
 * @param aim what counts
 * @param protocol for boxes on the network; an interface gets no protocol
 * @param anew true when universes that have one way already are routed anew too
 */
public record RouteWish(Aim aim, Protocol protocol, boolean anew) {
    public enum Aim {
        FEWEST_BOXES("fewest boxes"),
        LEAST_CABLE("least cable to the nearest unit");

        private final String words;

        Aim(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public enum Protocol {
        ART_NET,
        SACN
    }
}
