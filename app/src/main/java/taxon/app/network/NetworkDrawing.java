package taxon.app.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import taxon.core.addressing.space.Fits;
import taxon.core.network.BoxKind;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.RouteWords;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.text.Counted;

/**
 * The network as drawn: each box a plate with its ports in a row, and in each port the universe that leaves there.
 * Lengths in pixels.
 */
record NetworkDrawing(int width, int height, List<Plate> plates, List<Loose> loose) {
    private static final int WIDTH = 948;
    private static final int PORTS_IN_A_ROW = 4;
    private static final int PORT_WIDTH = 178;
    private static final int PORT_HEIGHT = 58;
    private static final int LEFT = 210;
    private static final int GAP = 18;

    record Plate(int y, int height, int number, String name, String ip, String ports, List<Outlet> outlets) {}

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
        Map<PortRef, List<Carried>> carried = new HashMap<>();
        List<Universe> unrouted = new ArrayList<>();
        for (Universe universe : plan.universes()) {
            universe.routes()
                    .forEach(r -> carried.computeIfAbsent(r.port(), p -> new ArrayList<>())
                            .add(new Carried(universe, r)));
            if (!universe.isRouted()) {
                unrouted.add(universe);
            }
        }
        Fits fits = Fits.of(plan);
        List<Plate> plates = new ArrayList<>();
        int y = 8;
        for (Box box : plan.boxes()) {
            Plate plate = plate(plan, box, y, carried, fits);
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

    /** A universe and the way by which it comes to a port. */
    private record Carried(Universe universe, Route route) {}

    private static Plate plate(Plan plan, Box box, int y, Map<PortRef, List<Carried>> carried, Fits fits) {
        List<Outlet> outlets = new ArrayList<>();
        // What joins network cables carries no single universe.
        int ports = box.kind() == BoxKind.SWITCH ? 0 : box.ports().size();
        for (int port = 1; port <= ports; port++) {
            PortRef ref = new PortRef(box.number(), port);
            int x = LEFT + (port - 1) % PORTS_IN_A_ROW * (PORT_WIDTH + 6);
            int rowY = y + (port - 1) / PORTS_IN_A_ROW * (PORT_HEIGHT + 6);
            outlets.add(outlet(plan, ref, x, rowY, carried.getOrDefault(ref, List.of()), fits));
        }
        int rows = Math.max(1, (ports + PORTS_IN_A_ROW - 1) / PORTS_IN_A_ROW);
        int height = rows * (PORT_HEIGHT + 6) - 6;
        return new Plate(
                y,
                height,
                box.number(),
                box.name(),
                box.card().map(Object::toString).orElse(box.kind().words()),
                box.ports().isEmpty() ? "" : Counted.of(box.ports().size(), "port"),
                outlets);
    }

    private static Outlet outlet(Plan plan, PortRef ref, int x, int y, List<Carried> here, Fits fits) {
        int port = ref.number();
        if (here.isEmpty()) {
            return new Outlet(x, y, PORT_WIDTH, PORT_HEIGHT, port, "", idle(plan, ref), "", "");
        }
        String numbers = String.join(
                "+", here.stream().map(c -> c.universe().number().toString()).toList());
        Carried first = here.get(0);
        int slots =
                here.stream().mapToInt(c -> fits.used(c.universe().number())).sum();
        return new Outlet(
                x,
                y,
                PORT_WIDTH,
                PORT_HEIGHT,
                port,
                numbers,
                first.universe().label(),
                RouteWords.brief(first.route()),
                Counted.of(slots, "slot"));
    }

    private static String idle(Plan plan, PortRef ref) {
        return switch (plan.box(ref.box())
                .orElseThrow()
                .port(ref.number())
                .orElseThrow()
                .direction()) {
            case OUT -> "spare";
            case IN -> "input";
            case OFF -> "off";
        };
    }
}
