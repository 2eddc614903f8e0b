package taxon.app.network;

import java.util.List;
import java.util.Optional;

/**
 * The network as drawn, from left to right: who sends, the switches, the boxes with their ports, and behind each port its line
 * with the units in the order of the cable. Lengths in pixels.
 *
 * @param left where it begins, since a column that nothing stands in takes no room
 * @param fold how boxes are folded together: "", "position" or "rack"
 */
record NetworkDrawing(
        int left,
        int width,
        int height,
        List<Plate> plates,
        List<Row> rows,
        List<Cable> cables,
        List<Loose> loose,
        String fold) {

    /**
     * A box, or several that are folded together.
     *
     * @param number of the box; 0 for several
     * @param key of those that are folded together; empty for one
     * @param mark the gravest finding about it: "stop", "warn", "note" or empty
     * @param why what the findings say
     * @param lit true when the chosen fixture is reached over it
     */
    record Plate(
            int x,
            int y,
            int width,
            int height,
            int number,
            String key,
            String name,
            String words,
            String more,
            String mark,
            String why,
            boolean lit) {}

    /**
     * A port with what leaves there and the line that begins there.
     *
     * @param outlet "1/2"
     * @param universe "4", or empty for a spare port
     * @param number of the universe; 0 where none leaves, or several do
     * @param routed true when the universe is routed to this very port, so that it can be taken elsewhere
     * @param air who hears it by radio; only behind a transmitter
     * @param slots how many are used, in words; for an idle port whether it is spare, an input or off
     */
    record Row(
            int x,
            int y,
            int width,
            String outlet,
            int box,
            int port,
            String universe,
            int number,
            boolean routed,
            String carried,
            String slots,
            Optional<Run> line,
            Optional<Air> air,
            boolean lit) {}

    /**
     * A line.
     *
     * @param x where its name stands
     * @param to where its last stop ends
     * @param y of its first row of stops
     */
    record Run(
            int number, String name, int x, int to, int y, String words, String mark, String why, List<Stop> stops) {}

    /**
     * Who hears a transmitter.
     *
     * @param to where the last of them ends
     * @param linked true when none of them is to be linked
     */
    record Air(int x, int to, int y, String words, boolean linked, List<Stop> stops) {}

    /**
     * A unit or a box on a line.
     *
     * @param key of the unit; 0 for a box
     * @param name of the unit or box
     * @param label what of it is readable in it; may be empty
     * @param tint of its type
     */
    record Stop(
            int x,
            int y,
            int width,
            int key,
            int box,
            int place,
            String name,
            String label,
            String words,
            int tint,
            boolean lit) {}

    /** From one point to another. */
    record Ends(int x1, int y1, int x2, int y2) {
        /** A path that leaves and arrives level; between two of one column it bows to the left. */
        String path() {
            int bend = x1 == x2 ? x1 - 20 : (x1 + x2) / 2;
            return "M" + x1 + " " + y1 + "C" + bend + " " + y1 + " " + bend + " " + y2 + " " + x2 + " " + y2;
        }
    }

    /** What joins two boxes. */
    record Cable(Ends ends, boolean lit) {
        /** As a path. */
        public String path() {
            return ends.path();
        }
    }

    /** A universe that is routed nowhere. */
    record Loose(int x, int y, int number, String words) {}
}
