package taxon.core.load;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.UniverseNumber;
import taxon.core.load.Stream.Protocol;
import taxon.core.network.BoxKind;
import taxon.core.network.Delivery;
import taxon.core.network.Route;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts.Snooping;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/**
 * What each cable between a box and its switch carries. Unicast goes the one way to its box; broadcast goes everywhere;
 * multicast goes everywhere behind a switch that does not snoop, or of which that is not known, and only to who asked for it
 * behind one that does.
 *
 * @param cables the busiest first, as a share of its speed
 * @param unsent universes that leave by the network and of which no sender is said, ascending: they are not in the figures
 * @param apart universes whose sender and box are not joined by cables that are known, ascending
 */
public record NetworkLoad(List<CableLoad> cables, Set<UniverseNumber> unsent, Set<UniverseNumber> apart) {
    public NetworkLoad {
        cables = List.copyOf(cables);
    }

    public static NetworkLoad of(Plan plan) {
        return new Counter(plan).count();
    }

    /** False where even all streams on one cable were not half of the slowest: known without following one of them. */
    public static boolean canBeOverHalf(Plan plan) {
        long streams = plan.describedUniverses().stream()
                .mapToLong(u -> (long) u.routes().size() * u.sources().size())
                .sum();
        return plan.boxes().stream().mapToInt(b -> b.facts().megabits()).min().stream()
                .anyMatch(slowest -> streams * Protocol.SACN.bits() > CableLoad.halfOf(slowest));
    }

    /** Counts the streams on each cable; a cable is known by the box at its end. */
    private static final class Counter {
        private final Plan plan;
        private final Map<Integer, List<Integer>> neighbours = new HashMap<>();
        private final Map<Integer, Map<Protocol, Integer>> toBox = new HashMap<>();
        private final Map<Integer, Map<Protocol, Integer>> fromBox = new HashMap<>();
        private final Map<Integer, Integer> spilt = new HashMap<>();
        private final Set<UniverseNumber> unsent = new TreeSet<>();
        private final Set<UniverseNumber> apart = new TreeSet<>();

        Counter(Plan plan) {
            this.plan = plan;
            plan.boxes()
                    .forEach(b -> uplink(b).ifPresent(up -> {
                        neighbours
                                .computeIfAbsent(b.number(), n -> new ArrayList<>())
                                .add(up);
                        neighbours.computeIfAbsent(up, n -> new ArrayList<>()).add(b.number());
                    }));
        }

        private Optional<Integer> uplink(Box box) {
            return box.facts()
                    .reaches()
                    .map(p -> p.box())
                    .filter(up ->
                            plan.box(up).filter(u -> u.kind() == BoxKind.SWITCH).isPresent());
        }

        NetworkLoad count() {
            plan.describedUniverses().forEach(u -> streams(u).forEach(this::send));
            List<CableLoad> cables = new ArrayList<>();
            for (Box box : plan.boxes()) {
                uplink(box).ifPresent(up -> cables.add(cable(box, plan.box(up).orElseThrow())));
            }
            cables.sort(Comparator.comparingDouble(CableLoad::share).reversed());
            return new NetworkLoad(cables, unsent, apart);
        }

        private CableLoad cable(Box box, Box up) {
            Map<Protocol, Integer> to = toBox.getOrDefault(box.number(), Map.of());
            Map<Protocol, Integer> from = fromBox.getOrDefault(box.number(), Map.of());
            Map<Protocol, Integer> busier = bits(to) >= bits(from) ? to : from;
            return new CableLoad(
                    box,
                    box.facts().reaches().orElseThrow(),
                    Math.min(box.facts().megabits(), up.facts().megabits()),
                    bits(to),
                    bits(from),
                    busier.getOrDefault(Protocol.ART_NET, 0),
                    busier.getOrDefault(Protocol.SACN, 0),
                    spilt.getOrDefault(box.number(), 0));
        }

        private static long bits(Map<Protocol, Integer> streams) {
            return streams.entrySet().stream()
                    .mapToLong(e -> e.getKey().bits() * e.getValue())
                    .sum();
        }

        /** One packet goes to all ports of a box, and one to a group or to everybody. */
        private List<Stream> streams(Universe universe) {
            Map<List<Object>, Set<Integer>> targets = new LinkedHashMap<>();
            for (Route route : universe.routes()) {
                int box = route.port().box();
                if (route instanceof Route.ArtNet a) {
                    target(targets, Protocol.ART_NET, a.delivery(), a.address(), box);
                } else if (route instanceof Route.Sacn s) {
                    target(targets, Protocol.SACN, s.delivery(), s.universe(), box);
                }
            }
            if (universe.sources().isEmpty() && !targets.isEmpty()) {
                unsent.add(universe.number());
            }
            List<Stream> streams = new ArrayList<>();
            universe.sources()
                    .forEach(s -> targets.forEach((way, boxes) -> streams.add(new Stream(
                            universe.number(), (Protocol) way.get(0), (Delivery) way.get(1), s.box(), boxes))));
            return streams;
        }

        private static void target(
                Map<List<Object>, Set<Integer>> targets, Protocol protocol, Delivery delivery, Object number, int box) {
            Object single = delivery == Delivery.TO_BOX ? box : 0;
            targets.computeIfAbsent(List.of(protocol, delivery, number, single), k -> new TreeSet<>())
                    .add(box);
        }

        /** Follows a stream from its sender over every cable that it takes. */
        private void send(Stream stream) {
            Set<Integer> reached = new HashSet<>(Set.of(stream.from()));
            Deque<Integer> open = new ArrayDeque<>(reached);
            while (!open.isEmpty()) {
                int at = open.remove();
                boolean passes = at == stream.from()
                        || plan.box(at).filter(b -> b.kind() == BoxKind.SWITCH).isPresent();
                for (int next : passes ? neighbours.getOrDefault(at, List.of()) : List.<Integer>of()) {
                    boolean meant = leadsTo(next, at, stream.to());
                    if (!reached.contains(next) && (meant || spills(at, stream))) {
                        carry(at, next, stream.protocol(), meant);
                        reached.add(next);
                        open.add(next);
                    }
                }
            }
            if (!reached.containsAll(stream.to())) {
                apart.add(stream.universe());
            }
        }

        private boolean spills(int at, Stream stream) {
            return stream.delivery() == Delivery.TO_ALL
                    || stream.delivery() == Delivery.TO_GROUP
                            && plan.box(at)
                                    .filter(b -> b.facts().snooping() != Snooping.ON)
                                    .isPresent();
        }

        private void carry(int from, int to, Protocol protocol, boolean meant) {
            boolean down =
                    plan.box(to).flatMap(this::uplink).filter(up -> up == from).isPresent();
            int cable = down ? to : from;
            (down ? toBox : fromBox)
                    .computeIfAbsent(cable, c -> new HashMap<>())
                    .merge(protocol, 1, Integer::sum);
            if (!meant) {
                spilt.merge(cable, 1, Integer::sum);
            }
        }

        /** True when one of those is there or behind it, seen from where the stream comes. */
        private boolean leadsTo(int box, int from, Set<Integer> wanted) {
            Deque<Integer> open = new ArrayDeque<>(List.of(box));
            Set<Integer> seen = new HashSet<>(Set.of(from, box));
            while (!open.isEmpty()) {
                int at = open.remove();
                if (wanted.contains(at)) {
                    return true;
                }
                neighbours.getOrDefault(at, List.of()).stream()
                        .filter(seen::add)
                        .forEach(open::add);
            }
            return false;
        }
    }
}
