package taxon.core.network;

import java.util.List;
import taxon.core.length.Length;

/**
 * What a line may be, and how its cable is reckoned.
 *
 * @param mostUnits on one line, 1 to 32: a receiver is one unit load and a line bears 32 (ANSI E1.11, from memory)
 * @param longest how long one line may be, from its port to its last unit
 * @param slack what is left over at each unit
 * @param order how units follow each other on a line
 * @param first what counts first
 * @param stock lengths that the shop has, ascending, at least one, none below 10 cm
 * @param trusses numbers of positions that cable runs along, each joined to the next; none where it goes over the floor
 * @param splitterOutputs how many lines a splitter of the shop feeds, 2 to 64
 */
public record CableRules(
        int mostUnits,
        Length longest,
        Length slack,
        Order order,
        First first,
        List<Length> stock,
        List<Integer> trusses,
        int splitterOutputs) {
    /** A line bears 32 unit loads (ANSI E1.11, from memory). */
    public static final int UNIT_LOADS = 32;

    private static final int MOST_STOCK = 40;
    private static final int MOST_TRUSSES = 40;
    private static final int MOST_OUTPUTS = 64;
    private static final Length SHORTEST = Length.metres("0.1");
    private static final Length MOST_SLACK = Length.metres("50");

    /** Twenty units, 300 m, a metre at each unit, and the lengths that are on most shelves (common practice); splitters of eight. */
    public static final CableRules USUAL = new CableRules(
            20,
            Length.metres("300"),
            Length.metres("1"),
            Order.SHORTEST,
            First.FEWEST_LINES,
            List.of(
                    Length.metres("1"),
                    Length.metres("2"),
                    Length.metres("3"),
                    Length.metres("5"),
                    Length.metres("10"),
                    Length.metres("15"),
                    Length.metres("20"),
                    Length.metres("25"),
                    Length.metres("50")),
            List.of(),
            8);

    public enum Order {
        /** By position and unit number. */
        OF_UNITS("in order of units"),
        /** As it takes the least cable. */
        SHORTEST("shortest");

        private final String words;

        Order(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public enum First {
        FEWEST_LINES("fewest lines, then least cable"),
        LEAST_CABLE("least cable");

        private final String words;

        First(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public CableRules {
        if (mostUnits < 1 || mostUnits > UNIT_LOADS) {
            throw new IllegalArgumentException(mostUnits + " units on a line; it takes 1 to " + UNIT_LOADS);
        }
        if (longest.micrometres() <= 0) {
            throw new IllegalArgumentException("a line of " + longest + "; it is longer than 0 m");
        }
        if (slack.micrometres() < 0 || slack.compareTo(MOST_SLACK) > 0) {
            throw new IllegalArgumentException(slack + " left over at each unit; it is 0 to " + MOST_SLACK);
        }
        if (stock.isEmpty() || stock.size() > MOST_STOCK) {
            throw new IllegalArgumentException(stock.size() + " lengths on the shelf; there are 1 to " + MOST_STOCK);
        }
        stock = stock.stream().distinct().sorted().toList();
        if (stock.get(0).compareTo(SHORTEST) < 0) {
            throw new IllegalArgumentException(
                    "a cable of " + stock.get(0) + " on the shelf; the shortest is " + SHORTEST);
        }
        trusses = List.copyOf(trusses);
        if (trusses.size() > MOST_TRUSSES || trusses.stream().distinct().count() != trusses.size()) {
            throw new IllegalArgumentException(
                    "a route of trusses names at most " + MOST_TRUSSES + " positions, each once");
        }
        if (splitterOutputs < 2 || splitterOutputs > MOST_OUTPUTS) {
            throw new IllegalArgumentException(
                    "a splitter with " + splitterOutputs + " outputs; it has 2 to " + MOST_OUTPUTS);
        }
    }
}
