package taxon.core.network;

/**
 * A port of a box and how it is set.
 *
 * @param rdm true when it passes RDM
 * @param merge how two sources on it are joined
 * @param whenLost what it does when its data stops
 * @param steady true when it sends all the time, false when only what has changed
 */
public record BoxPort(Direction direction, Socket socket, boolean rdm, Merge merge, WhenLost whenLost, boolean steady) {
    /** An output with five pins as boxes come from their maker (common practice). */
    public static final BoxPort USUAL =
            new BoxPort(Direction.OUT, Socket.XLR5, true, Merge.HIGHEST, WhenLost.HOLD, true);

    public enum Direction {
        OUT("output"),
        IN("input"),
        OFF("off");

        private final String words;

        Direction(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What is plugged in (ANSI E1.11: XLR of five pins; the others are common practice). */
    public enum Socket {
        XLR5("XLR 5-pin"),
        XLR3("XLR 3-pin"),
        RJ45("RJ45"),
        TERMINALS("terminals"),
        BUILT_IN("built in"),
        RADIO("radio");

        private final String words;

        Socket(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public enum Merge {
        HIGHEST("HTP, the highest"),
        LATEST("LTP, the latest");

        private final String words;

        Merge(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public enum WhenLost {
        HOLD("holds"),
        ZERO("goes to zero"),
        FULL("goes to full"),
        SCENE("plays its scene");

        private final String words;

        WhenLost(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** The same turned about or off. */
    public BoxPort turned(Direction changed) {
        return new BoxPort(changed, socket, rdm, merge, whenLost, steady);
    }
}
