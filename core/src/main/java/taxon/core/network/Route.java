package taxon.core.network;

/** One way of a universe: a protocol, the number it has there, to whom it is sent, and the port where it arrives. */
public sealed interface Route {
    PortRef port();

    /**
     * Carried as Art-Net under a Port-Address.
     *
     * @param delivery to the box, or to all
     */
    record ArtNet(PortAddress address, Delivery delivery, PortRef port) implements Route {
        public ArtNet {
            refuse(delivery, Delivery.TO_GROUP, "Art-Net");
        }

        /** To the box alone, as version 4 of the protocol has it. */
        public ArtNet(PortAddress address, PortRef port) {
            this(address, Delivery.TO_BOX, port);
        }
    }

    /**
     * Carried as streaming ACN under a universe of that protocol.
     *
     * @param delivery to its group, or to the box
     * @param priority 0 to 200 (ANSI E1.31, 6.2.3, from memory)
     */
    record Sacn(SacnUniverse universe, Delivery delivery, int priority, PortRef port) implements Route {
        /** What a source sends that says nothing else. */
        public static final int USUAL_PRIORITY = 100;

        public static final int HIGHEST_PRIORITY = 200;

        public Sacn {
            refuse(delivery, Delivery.TO_ALL, "streaming ACN");
            if (priority < 0 || priority > HIGHEST_PRIORITY) {
                throw new IllegalArgumentException("the priority " + priority + " is outside 0 to " + HIGHEST_PRIORITY);
            }
        }

        /** To its group, with the usual priority. */
        public Sacn(SacnUniverse universe, PortRef port) {
            this(universe, Delivery.TO_GROUP, USUAL_PRIORITY, port);
        }
    }

    /** Straight out of a computer or desk, by no network and so under no number. */
    record Direct(PortRef port) implements Route {}

    private static void refuse(Delivery given, Delivery never, String protocol) {
        if (given == never) {
            throw new IllegalArgumentException(protocol + " is not sent by " + never.words());
        }
    }

    /**
     * A port of a box.
     *
     * @param box the box's number in the plan
     * @param number counted from 1
     */
    record PortRef(int box, int number) implements Comparable<PortRef> {
        public PortRef {
            if (box < 1 || number < 1) {
                throw new IllegalArgumentException("box " + box + " port " + number + ": both count from 1");
            }
        }

        @Override
        public int compareTo(PortRef other) {
            return box != other.box ? Integer.compare(box, other.box) : Integer.compare(number, other.number);
        }
    }
}
