package taxon.app.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import taxon.core.addressing.space.Fits;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Node;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.text.Counted;

/**
 * The network as drawn: each node a plate with its ports in a row, and in each port the universe that leaves there.
 * Lengths in pixels.
 */
record NetworkDrawing(int width, int height, List<Plate> plates, List<Loose> loose) {
    private static final int WIDTH = 948;
    private static final int PORTS_IN_A_ROW = 4;
    private static final int PORT_WIDTH = 178;
    private static final int PORT_HEIGHT = 58;
    private static final int LEFT = 210;
    private static final int GAP = 18;

    record Plate(int y, int height, String name, String ip, String ports, List<Outlet> outlets) {}

    /** @param universe "2", or empty for a spare port */
    record Outlet(
            int x,
            int y,
            int width,
            int height,
            int number,
            String universe,
            String label,
            String carried,
            String slots) {}

    /** A universe that is routed nowhere. */
    record Loose(int x, int y, String words) {}

    static NetworkDrawing of(Plan plan) {
        Map<PortRef, List<Universe>> carried = new HashMap<>();
        List<Universe> unrouted = new ArrayList<>();
        for (Universe universe : plan.universes()) {
            universe.route()
                    .ifPresentOrElse(
                            r -> carried.computeIfAbsent(r.port(), p -> new ArrayList<>())
                                    .add(universe),
                            () -> unrouted.add(universe));
        }
        Fits fits = Fits.of(plan);
        List<Plate> plates = new ArrayList<>();
        int y = 8;
        for (Node node : plan.nodes()) {
            Plate plate = plate(node, y, carried, fits);
            plates.add(plate);
            y += plate.height() + GAP;
        }
        List<Loose> loose = new ArrayList<>();
        for (Universe universe : unrouted) {
            loose.add(new Loose(LEFT, y + 14, "Universe " + universe.number() + " is routed nowhere"));
            y += 26;
        }
        return new NetworkDrawing(WIDTH, y, List.copyOf(plates), List.copyOf(loose));
    }

    private static Plate plate(Node node, int y, Map<PortRef, List<Universe>> carried, Fits fits) {
        List<Outlet> outlets = new ArrayList<>();
        for (int port = 1; port <= node.ports(); port++) {
            List<Universe> universes = carried.getOrDefault(new PortRef(node.number(), port), List.of());
            int x = LEFT + (port - 1) % PORTS_IN_A_ROW * (PORT_WIDTH + 6);
            int rowY = y + (port - 1) / PORTS_IN_A_ROW * (PORT_HEIGHT + 6);
            outlets.add(outlet(x, rowY, port, universes, fits));
        }
        int rows = (node.ports() + PORTS_IN_A_ROW - 1) / PORTS_IN_A_ROW;
        int height = rows * (PORT_HEIGHT + 6) - 6;
        return new Plate(
                y,
                height,
                node.name(),
                node.ip().toString(),
                node.ports() == 1 ? "1 port" : node.ports() + " ports",
                outlets);
    }

    private static Outlet outlet(int x, int y, int port, List<Universe> universes, Fits fits) {
        if (universes.isEmpty()) {
            return new Outlet(x, y, PORT_WIDTH, PORT_HEIGHT, port, "", "spare", "", "");
        }
        Universe first = universes.get(0);
        String numbers = String.join(
                "+", universes.stream().map(u -> u.number().toString()).toList());
        Route route = first.route().orElseThrow();
        String words =
                route instanceof Route.ArtNet a ? "Art-Net " + a.address() : "sACN " + ((Route.Sacn) route).universe();
        int slots = universes.stream().mapToInt(u -> fits.used(u.number())).sum();
        return new Outlet(
                x, y, PORT_WIDTH, PORT_HEIGHT, port, numbers, first.label(), words, Counted.of(slots, "slot"));
    }
}
