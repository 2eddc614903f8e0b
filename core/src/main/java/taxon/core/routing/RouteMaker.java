package taxon.core.routing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxKind;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Ports;
import taxon.core.rig.Universe;
import taxon.core.routing.RouteProposal.Choice;
import taxon.core.routing.RouteProposal.Move;
import taxon.core.routing.RouteProposal.NoPort;
import taxon.core.routing.RouteProposal.Reason;
import taxon.core.routing.RouteProposal.Why;

/** Makes a proposal of routes: chooses the boxes, then a flow of least cost to them. */
final class RouteMaker {
    /** What a way costs that cannot be reckoned: more than any that can, so that known places are filled first. */
    private static final long UNKNOWN = 100_000_000L;

    private static final int MILLIMETRES = 1000;

    private final Plan plan;
    private final RouteWish wish;
    private final Hearers hearers;
    private final Means means;
    private final List<Universe> going = new ArrayList<>();
    private final List<NoPort> left = new ArrayList<>();
    private final Map<Integer, List<PortRef>> free = new TreeMap<>();
    private final Set<Integer> used = new TreeSet<>();

    /** With ports left, and not needed. */
    private final Set<Integer> spared = new TreeSet<>();

    private double metres;
    private int unreckoned;

    /**
     * Makes ways for what is heard by one means.
     *
     * @param means by cable or by air
     * @param kept universes that keep their way even where all are routed anew
     */
    RouteMaker(Plan plan, RouteWish wish, Hearers hearers, Means means, Set<UniverseNumber> kept) {
        this.plan = plan;
        this.wish = wish;
        this.hearers = hearers;
        this.means = means;
        sort(kept);
        findRoom();
    }

    /** Tells who goes from who stays and who cannot. */
    private void sort(Set<UniverseNumber> kept) {
        for (Universe universe : plan.universes()) {
            boolean sought = !hearers.of(means, universe.number()).isEmpty()
                    && !kept.contains(universe.number())
                    && (!isCarried(universe) || wish.anew() && own(universe).size() == 1);
            if (sought && counted(universe, new PortRef(1, 1)).isEmpty()) {
                left.add(new NoPort(universe, Why.NO_NUMBER));
            } else if (sought) {
                going.add(universe);
            }
        }
    }

    private boolean isCarried(Universe universe) {
        return means == Means.AIR
                ? hearers.isOnAir(universe.number())
                : !own(universe).isEmpty();
    }

    /** Its routes to boxes that are outlets of these means. */
    private List<Route> own(Universe universe) {
        return universe.routes().stream()
                .filter(r -> isOutlet(box(r.port().box())))
                .toList();
    }

    private boolean isOutlet(Box box) {
        return means == Means.AIR
                ? box.kind() == BoxKind.TRANSMITTER && box.card().isPresent()
                : box.kind().takesRoutes() && box.kind().feedsLines();
    }

    /** The ports of each box that nothing comes to, as many as the box still takes. */
    private void findRoom() {
        Set<UniverseNumber> moving = new HashSet<>();
        going.forEach(u -> moving.add(u.number()));
        Set<PortRef> taken = new HashSet<>();
        Map<Integer, Set<UniverseNumber>> carried = new HashMap<>();
        plan.describedUniverses().stream()
                .forEach(u -> u.routes().stream()
                        .filter(r -> !isMoving(u, r, moving))
                        .forEach(r -> {
                            taken.add(r.port());
                            carried.computeIfAbsent(r.port().box(), b -> new HashSet<>())
                                    .add(u.number());
                        }));
        for (Box box : plan.boxes()) {
            if (isOutlet(box)) {
                int carries = carried.getOrDefault(box.number(), Set.of()).size();
                long room = box.facts()
                        .mostUniverses()
                        .map(m -> Math.max(0, m - carries))
                        .orElse(Box.MOST_PORTS);
                free.put(
                        box.number(),
                        Ports.outputs(box)
                                .filter(p -> !taken.contains(p) && !isFedByLine(p))
                                .limit(room)
                                .toList());
                if (carries > 0) {
                    used.add(box.number());
                }
            }
        }
    }

    private boolean isMoving(Universe universe, Route route, Set<UniverseNumber> moving) {
        return moving.contains(universe.number()) && isOutlet(box(route.port().box()));
    }

    /** A transmitter that a line feeds sends what that brings. */
    private boolean isFedByLine(PortRef port) {
        return means == Means.AIR
                && hearers.sends(port)
                && plan.describedUniverses().stream()
                        .flatMap(u -> u.routes().stream())
                        .noneMatch(r -> r.port().equals(port));
    }

    RouteProposal make() {
        List<Integer> fewest = fewestBoxes();
        if (wish.aim() == RouteWish.Aim.FEWEST_BOXES) {
            free.keySet().stream()
                    .filter(b -> room(b) > 0 && !fewest.contains(b))
                    .forEach(spared::add);
        }
        List<Move> moves = moves();
        Set<Integer> feeding = new TreeSet<>(used);
        moves.forEach(m -> feeding.add(m.box().number()));
        Set<Integer> needed = new TreeSet<>(used);
        needed.addAll(fewest);
        return RouteProposal.made(moves, left, feeding.size(), needed.size(), metres, unreckoned);
    }

    /** All that feed lines anyway, then the roomiest until all have a port: no fewer boxes have as much room. */
    private List<Integer> fewestBoxes() {
        List<Integer> order = new ArrayList<>(free.keySet());
        order.sort(Comparator.comparing((Integer b) -> !used.contains(b))
                .thenComparing(b -> -room(b))
                .thenComparing(b -> b));
        List<Integer> chosen = new ArrayList<>();
        int room = 0;
        for (int box : order) {
            if (room(box) > 0 && (room < going.size() || used.contains(box))) {
                chosen.add(box);
                room += room(box);
            }
        }
        return chosen;
    }

    private int room(int box) {
        return free.getOrDefault(box, List.of()).size();
    }

    private List<Move> moves() {
        List<Box> outlets = free.keySet().stream().map(this::box).toList();
        Nearness near = new Nearness(
                plan, going.stream().map(u -> hearers.of(means, u.number())).toList(), outlets);
        int[] room = outlets.stream()
                .mapToInt(b -> spared.contains(b.number()) ? 0 : room(b.number()))
                .toArray();
        int[] places = PortFlow.assign(costs(near), room);
        Map<Universe, PortRef> ports = ports(outlets, places);
        List<Move> moves = new ArrayList<>();
        for (int u = 0; u < places.length; u++) {
            Universe universe = going.get(u);
            Optional<PortRef> port = Optional.ofNullable(ports.get(universe));
            if (port.isEmpty()) {
                left.add(new NoPort(universe, Why.NO_PORT_LEFT));
                continue;
            }
            reckon(near.metres(u, places[u]));
            Move move = move(universe, port.get(), near, u, places[u]);
            if (!move.before().equals(Optional.of(move.route()))) {
                moves.add(move);
            }
        }
        return moves;
    }

    private long[][] costs(Nearness near) {
        long[][] costs = new long[going.size()][near.boxes().size()];
        for (int u = 0; u < costs.length; u++) {
            for (int b = 0; b < costs[u].length; b++) {
                boolean stays = going.get(u).reaches(near.boxes().get(b).number());
                costs[u][b] = near.metres(u, b)
                        .map(m -> Math.min(UNKNOWN - 1, Math.round(m * MILLIMETRES)))
                        .orElse(UNKNOWN + (stays ? 0 : 1));
            }
        }
        return costs;
    }

    private Move move(Universe universe, PortRef port, Nearness near, int u, int place) {
        boolean cable = means == Means.CABLE;
        return new Move(
                universe,
                own(universe).stream().findFirst(),
                number(universe, port).orElseThrow(),
                box(port.box()),
                means,
                near.metres(u, place).filter(m -> cable),
                cable ? choice(near, u, place) : Choice.ONLY);
    }

    /** A nearer box with a port left that may be used would have been cheaper: it is full, or it is spared. */
    private Choice choice(Nearness near, int u, int place) {
        if (near.metres(u, place).isEmpty()) {
            return Choice.UNRECKONED;
        }
        return near.nearer(u, place)
                .map(b -> new Choice(
                        spared.contains(b.number()) ? Reason.NEARER_IS_SPARED : Reason.NEARER_IS_FULL, Optional.of(b)))
                .orElse(Choice.NEAREST);
    }

    private void reckon(Optional<Double> far) {
        if (means == Means.CABLE) {
            metres += far.orElse(0.0);
            unreckoned += far.isEmpty() ? 1 : 0;
        }
    }

    /** Who was on a free port of its box keeps it; the others take what is left, in order. */
    private Map<Universe, PortRef> ports(List<Box> boxes, int[] places) {
        Map<Universe, PortRef> ports = new HashMap<>();
        for (int b = 0; b < boxes.size(); b++) {
            List<PortRef> spare = new ArrayList<>(free.getOrDefault(boxes.get(b).number(), List.of()));
            List<Universe> seeking = new ArrayList<>();
            for (int u = 0; u < places.length; u++) {
                if (places[u] == b) {
                    Universe universe = going.get(u);
                    Optional<PortRef> own =
                            own(universe).stream().map(Route::port).findFirst();
                    if (own.filter(spare::remove).isPresent()) {
                        ports.put(universe, own.get());
                    } else {
                        seeking.add(universe);
                    }
                }
            }
            for (Universe universe : seeking) {
                ports.put(universe, spare.remove(0));
            }
        }
        return ports;
    }

    private Box box(int number) {
        return plan.box(number).orElseThrow();
    }

    /** The route that leads there by the wish's protocol, by none where the box has none. */
    private Optional<Route> number(Universe universe, PortRef port) {
        boolean direct = plan.box(port.box()).filter(b -> b.kind().isDirect()).isPresent();
        return direct ? Optional.of(new Route.Direct(port)) : counted(universe, port);
    }

    private Optional<Route> counted(Universe universe, PortRef port) {
        return wish.route(plan, universe, port);
    }
}
