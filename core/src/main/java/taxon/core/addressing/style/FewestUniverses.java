package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.StartAddress;
import taxon.core.network.BoxPort;
import taxon.core.network.Route.PortRef;
import taxon.core.packing.Bin;
import taxon.core.packing.site.Site;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/**
 * Places pieces on as few universes as can be. Universes that hold other fixtures cost nothing more and are filled first. With
 * ports, those that have one come before all others.
 *
 * <p>Class by class first, each packed as well as can be; that is enough where empty universes are alike and not scarce. Where
 * it leaves pieces over, or more universes begun than its bound, all classes are placed together ({@link Sites}).
 */
final class FewestUniverses {
    /** So many classes at most are tried as the first. */
    private static final int MOST_ORDERS = 8;

    private final Task task;
    private final JobSpace space;
    private final boolean byPort;
    private final Map<Integer, StartAddress> starts = new TreeMap<>();
    private final List<Integer> fresh;
    private int atLeast;
    private int leftAtLeast;

    private FewestUniverses(Task task, boolean byPort) {
        this.task = task;
        this.byPort = byPort;
        space = task.space();
        fresh = fresh();
    }

    static Layout lay(Task task) {
        return new FewestUniverses(task, false).layout();
    }

    /** Fills the ports that exist before another is asked for. */
    static Layout layByPort(Task task) {
        return new FewestUniverses(task, true).layout();
    }

    private Layout layout() {
        classes().values().forEach(this::pack);
        if (!isBest() && task.request().wish().lineLimit().isEmpty()) {
            together();
        } else if (!isBest()) {
            inOtherOrders();
        }
        Set<Integer> used = new TreeSet<>(task.base().inUse());
        starts.putAll(task.request().forced());
        starts.values().forEach(a -> used.add(a.universe().number()));
        int bound = Math.min(used.size(), task.base().inUse().size() + atLeast);
        return Layout.of(task.request().pieces(), starts, optimum(used.size(), bound), leftAtLeast);
    }

    private boolean isBest() {
        return starts.size() == task.open().size() && begun(starts) <= atLeast;
    }

    /** Lines that take so many units are packed class by class: another class comes first each time. */
    private void inOtherOrders() {
        Map<SharingClass, List<Piece>> classes = classes();
        List<SharingClass> first = List.copyOf(classes.keySet());
        for (int i = 1; i < Math.min(first.size(), MOST_ORDERS) && !isBest(); i++) {
            List<SharingClass> order = new ArrayList<>(first);
            order.add(0, order.remove(i));
            FewestUniverses other = new FewestUniverses(task, byPort);
            order.forEach(c -> other.pack(classes.getOrDefault(c, List.of())));
            atLeast = Math.max(atLeast, other.atLeast);
            takeIfBetter(other.starts);
        }
    }

    private void takeIfBetter(Map<Integer, StartAddress> found) {
        boolean better =
                found.size() > starts.size() || (found.size() == starts.size() && begun(found) < begun(starts));
        if (better) {
            starts.clear();
            starts.putAll(found);
        }
    }

    private Optimum optimum(int used, int bound) {
        return byPort
                ? new Optimum.Ports(ports(task.request().plan()), used, bound)
                : new Optimum.Universes(used, bound);
    }

    private Map<SharingClass, List<Piece>> classes() {
        Map<SharingClass, List<Piece>> classes = new LinkedHashMap<>();
        task.open()
                .forEach(r -> classes.computeIfAbsent(r.sharingClass(), c -> new ArrayList<>())
                        .add(r));
        return classes;
    }

    /** How many universes are begun that nobody used before. */
    private int begun(Map<Integer, StartAddress> found) {
        return (int) found.values().stream()
                .map(a -> a.universe().number())
                .distinct()
                .filter(u -> !task.base().isInUse(u))
                .count();
    }

    /** The bound is that of the class alone, with every empty universe to choose from; no two classes share one. */
    private void pack(List<Piece> pieces) {
        SharingClass own = pieces.get(0).sharingClass();
        List<Integer> given = task.base().inUse().stream()
                .filter(u -> space.isAllowed(u) && space.universe(u).accepts(own))
                .filter(u -> !space.holes(u).isEmpty())
                .toList();
        List<Integer> left = fresh.stream().filter(u -> !space.isInUse(u)).toList();
        Packer packer = new Packer(space, this::loadLeft);
        Packer.Result result = task.effort().within(task.effort().left() / 4, e -> packer.pack(pieces, given, left, e));
        boolean first = left.size() == fresh.size();
        boolean plenty = left.stream().filter(this::isWhole).count() >= enough(pieces);
        // What an earlier class took may have been roomier: then only a bound with all of them to choose from holds.
        atLeast += first || plenty
                ? result.atLeast()
                : new Packer(task.base(), this::loadLeft).bound(pieces, given, fresh);
        Map<Integer, Piece> byIndex = new TreeMap<>();
        pieces.forEach(r -> byIndex.put(r.index(), r));
        result.starts().forEach((index, start) -> {
            starts.put(index, start);
            space.take(start, Optional.ofNullable(byIndex.get(index)).orElseThrow());
        });
    }

    /** All classes at once; taken where it places more, or needs fewer. */
    private void together() {
        Sites sites = new Sites(task.base(), task.open());
        sites.add(task.base().inUse().stream().filter(task.base()::isAllowed).toList(), 0);
        sites.add(fresh, Site.UNIT);
        Sites.Placed placed = task.effort().within(task.effort().left() / 2, e -> sites.fill(List.of(), e));
        long bound = Math.floorDiv(placed.filling().atLeast() + Site.UNIT - 1, Site.UNIT);
        atLeast = Math.max(atLeast, (int) Math.min(fresh.size(), bound));
        leftAtLeast = placed.filling().leftAtLeast();
        takeIfBetter(placed.starts());
    }

    private int loadLeft(int universe) {
        return byPort
                ? task.request()
                        .wish()
                        .unitsPerLine()
                        .map(k -> Math.max(0, k - space.universe(universe).load()))
                        .orElse(Bin.ANY_LOAD)
                : Bin.ANY_LOAD;
    }

    /** Empty universes in the order in which they are wanted: enough for any packing that begins none without need. */
    private List<Integer> fresh() {
        int enough = classes().values().stream().mapToInt(this::enough).sum();
        List<Integer> found = new ArrayList<>(byPort ? routedFirst() : List.of());
        Set<Integer> known = new TreeSet<>(found);
        long whole = found.stream().filter(this::isWhole).count();
        Optional<Integer> at = space.firstAllowed();
        while (at.isPresent() && whole < enough) {
            int universe = at.get();
            if (!space.isInUse(universe) && !space.holes(universe).isEmpty() && known.add(universe)) {
                found.add(universe);
                whole += isWhole(universe) ? 1 : 0;
            }
            at = space.allowedFrom(universe + 1);
        }
        return found;
    }

    private boolean isWhole(int universe) {
        return space.holes(universe).stream().anyMatch(h -> h.first() == 1 && h.last() == space.lastSlot());
    }

    /** No two universes of a packing that begins none without need are both half empty. */
    private int enough(List<Piece> pieces) {
        long slots =
                pieces.stream().mapToLong(r -> space.grain().pace(r.length())).sum();
        long bySlots = 2 * ((slots + space.lastSlot() - 1) / space.lastSlot()) + 1;
        long byLoad = byPort
                ? task.request()
                        .wish()
                        .unitsPerLine()
                        .map(k -> 2L * ((pieces.stream().mapToLong(Piece::load).sum() + k - 1) / k))
                        .orElse(0L)
                : 0;
        return (int) Math.min(pieces.size(), bySlots + byLoad);
    }

    /** Universes that a port carries and nothing uses yet, by node and port. */
    private List<Integer> routedFirst() {
        TreeMap<List<Integer>, Integer> byPlace = new TreeMap<>(Comparator.comparing((List<Integer> p) -> p.get(0))
                .thenComparing(p -> p.get(1))
                .thenComparing(p -> p.get(2)));
        for (Universe universe : task.request().plan().universes()) {
            int number = universe.number().number();
            boolean wanted = universe.isRouted()
                    && !space.isInUse(number)
                    && !space.holes(number).isEmpty();
            if (wanted) {
                PortRef port = universe.routes().get(0).port();
                byPlace.put(List.of(port.box(), port.number(), number), number);
            }
        }
        return List.copyOf(byPlace.values());
    }

    /** How many ports there are to which a universe can be routed. */
    static int ports(Plan plan) {
        return (int) plan.boxes().stream()
                .filter(b -> b.kind().takesRoutes())
                .flatMap(b -> b.ports().stream())
                .filter(p -> p.direction() == BoxPort.Direction.OUT)
                .count();
    }
}
