package taxon.core.network;

/** How a universe gets to a line: a protocol, the number it has there, and the port that feeds the line. */
public sealed interface Route {
    PortRef port();

    /** Carried as Art-Net under a Port-Address. */
    record ArtNet(PortAddress address, PortRef port) implements Route {}

    /** Carried as streaming ACN under a universe of that protocol. */
    record Sacn(SacnUniverse universe, PortRef port) implements Route {}

    /**
     * A port of a node.
     *
     * @param node the node's number in the plan
     * @param number counted from 1
     */
    record PortRef(int node, int number) {
        public PortRef {
            if (node < 1 || number < 1) {
                throw new IllegalArgumentException("node " + node + " port " + number + ": both count from 1");
            }
        }
    }
}
