package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.StartAddress;
import taxon.core.packing.Effort;
import taxon.core.packing.site.Site;

/**
 * Where the universes that are allowed are too full for all: who must be moved besides, so that the rest fits, at the least
 * price.
 *
 * <p>A linear programme over universes gives a bound and most often the answer ({@link Sites}). Where it does not reach its
 * bound and few enough may stay, choices are tried in the order of their price, beginning with the bound; each is packed, with
 * proof where it does not fit. So the first that fits is the best, and when the effort is spent the price reached is still a
 * bound. Of each choice that does not fit the few are kept who alone cannot all stay; no choice with all of them is packed
 * again.
 */
final class MakeRoom {
    private static final int MOST_SEARCHED = 200;
    private static final int MOST_PUT_BACK = 200;

    private final Task task;
    private final List<CurrentPlace> places;
    private final List<CurrentPlace> open;
    private final int forcedPoints;
    private final Effort effort;
    private final RoomPacking packing;
    private boolean certain = true;
    /** Places that cannot all stay, by their order in {@link #open}: whoever keeps one of these sets need not be tried. */
    private final List<BitSet> neverTogether = new ArrayList<>();

    /**
     * @param stay indices of the places that stay
     * @param starts by piece index, of those that move and find a place
     * @param leftAtLeast no choice leaves fewer fixtures without a place
     */
    record Room(Set<Integer> stay, Map<Integer, StartAddress> starts, int points, int atLeast, int leftAtLeast) {
        Room boundedBy(int bound) {
            return new Room(stay, starts, points, bound, leftAtLeast);
        }

        Room atLeast(int better) {
            return new Room(stay, starts, points, Math.min(points, Math.max(atLeast, better)), leftAtLeast);
        }
    }

    MakeRoom(Task task, List<CurrentPlace> places) {
        this.task = task;
        this.places = places;
        effort = task.effort();
        open = places.stream()
                .filter(CurrentPlace::mayStay)
                .sorted(Comparator.comparingInt(
                                (CurrentPlace p) -> p.spots().get(0).universe())
                        .thenComparingInt(p -> p.spots().get(0).first())
                        .thenComparingInt(CurrentPlace::index))
                .toList();
        packing = new RoomPacking(task, places, open);
        forcedPoints = places.stream()
                .filter(p -> !p.mayStay())
                .mapToInt(CurrentPlace::weight)
                .sum();
    }

    /**
     * The best choice found. Where not all fit, it leaves as few pieces over as could be found.
     *
     * @param hoped the choice that would be best if room did not matter
     */
    Room best(WhoStays.Choice hoped) {
        Room shown = bySites(hoped);
        boolean whole = isWhole(shown);
        Optional<Room> lifted = whole && shown.points() == shown.atLeast() ? Optional.empty() : byLifting(hoped);
        Room known = lifted.filter(r -> !whole || r.points() < shown.points())
                .map(r -> r.atLeast(shown.atLeast()))
                .orElse(shown);
        return isWhole(known) && open.size() <= MOST_SEARCHED ? searched(known) : known;
    }

    private boolean isWhole(Room room) {
        Set<Integer> placed = new HashSet<>(room.starts().keySet());
        places.stream()
                .filter(p -> room.stay().contains(p.index()))
                .forEach(p -> p.spots().forEach(s -> placed.add(s.piece().index())));
        return task.open().stream().allMatch(r -> placed.contains(r.index()));
    }

    /** Who stays does so as whole pieces: only then the bound of the sites is one for this request. */
    private Room bySites(WhoStays.Choice hoped) {
        boolean all = Sites.describe(open);
        Sites sites = new Sites(task.base(), task.open());
        sites.seat(open);
        sites.add(packing.allowed(), 0);
        Sites.Placed placed = effort.within(effort.left() / 2, e -> sites.fill(open, e));
        int most = open.stream().mapToInt(CurrentPlace::weight).sum();
        long saved = Math.floorDiv(-placed.filling().atLeast(), Site.UNIT);
        int bound = all ? (int) Math.max(0, forcedPoints + most - saved) : 0;
        int points = points(placed.stay());
        return new Room(
                placed.stay(),
                placed.starts(),
                points,
                Math.min(points, Math.max(bound, hoped.atLeast())),
                placed.filling().leftAtLeast());
    }

    /** Where a choice can neither be packed nor be known never to be, the search goes on, and the bound stays below that choice. */
    private Room searched(Room known) {
        int bound = known.atLeast();
        for (int points = known.atLeast(); points < known.points() && !effort.isSpent(); points++) {
            Optional<Room> found = at(points);
            if (found.isPresent()) {
                return found.get().boundedBy(bound);
            }
            bound = certain && !effort.isSpent() ? points + 1 : bound;
        }
        return known.atLeast(bound);
    }

    private Optional<Room> byLifting(WhoStays.Choice hoped) {
        TreeSet<Integer> stay = new TreeSet<>(hoped.stay());
        List<CurrentPlace> cheapFirst = open.stream()
                .filter(p -> stay.contains(p.index()))
                .sorted(Comparator.comparingInt(CurrentPlace::weight))
                .toList();
        if (effort.isSpent()) {
            return Optional.empty();
        }
        int lifts = fewestLifts(cheapFirst, stay);
        List<CurrentPlace> lifted = cheapFirst.subList(0, lifts);
        lifted.forEach(p -> stay.remove(p.index()));
        RoomPacking.Packed tried = packing.pack(stay);
        if (tried.starts().isEmpty()) {
            return Optional.empty();
        }
        for (int i = lifts - 1; i >= Math.max(0, lifts - MOST_PUT_BACK) && !effort.isSpent(); i--) {
            stay.add(lifted.get(i).index());
            RoomPacking.Packed again = packing.pack(stay);
            if (again.starts().isPresent()) {
                tried = again;
            } else {
                stay.remove(lifted.get(i).index());
            }
        }
        return Optional.of(new Room(stay, tried.starts().orElseThrow(), points(stay), 0, 0));
    }

    /** How many of the cheapest must be lifted at least so that the rest is packed; all of them where that is not enough. */
    private int fewestLifts(List<CurrentPlace> cheapFirst, Set<Integer> stay) {
        int low = 0;
        int high = cheapFirst.size();
        while (low < high && !effort.isSpent()) {
            int middle = (low + high) >>> 1;
            Set<Integer> left = new TreeSet<>(stay);
            cheapFirst.subList(0, middle).forEach(p -> left.remove(p.index()));
            if (packing.pack(left).starts().isPresent()) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }

    private int points(Set<Integer> stay) {
        return forcedPoints
                + open.stream()
                        .filter(p -> !stay.contains(p.index()))
                        .mapToInt(CurrentPlace::weight)
                        .sum();
    }

    /** A choice of exactly this price that fits. */
    private Optional<Room> at(int points) {
        return search(0, points - forcedPoints, new BitSet(), points);
    }

    /** @param stay those before {@code at} that stay, by their order in {@link #open} */
    private Optional<Room> search(int at, int left, BitSet stay, int points) {
        if (left < 0 || !effort.spend(open.size())) {
            return Optional.empty();
        }
        if (at == open.size()) {
            return left == 0 ? fitting(stay, points) : Optional.empty();
        }
        CurrentPlace next = open.get(at);
        boolean mayStay = stay.stream().noneMatch(p -> open.get(p).meets(next));
        if (left > 0 || !mayStay) {
            Optional<Room> moving = search(at + 1, left - next.weight(), stay, points);
            if (moving.isPresent() || !mayStay) {
                return moving;
            }
        }
        stay.set(at);
        Optional<Room> staying = isHopeless(stay) ? Optional.empty() : search(at + 1, left, stay, points);
        stay.clear(at);
        return staying;
    }

    private boolean isHopeless(BitSet stay) {
        return neverTogether.stream().anyMatch(set -> set.stream().allMatch(stay::get));
    }

    private Optional<Room> fitting(BitSet stay, int points) {
        RoomPacking.Packed tried = packing.pack(indices(stay));
        certain &= tried.certain();
        if (tried.starts().isEmpty() && tried.certain()) {
            neverTogether.add(fewestOf(stay));
        }
        return tried.starts().map(m -> new Room(indices(stay), m, points, points, 0));
    }

    /** Of places that cannot all stay, some that cannot either, and of whom none can be left out. */
    private BitSet fewestOf(BitSet hopeless) {
        BitSet left = (BitSet) hopeless.clone();
        for (int at = left.nextSetBit(0); at >= 0 && !effort.isSpent(); at = left.nextSetBit(at + 1)) {
            left.clear(at);
            RoomPacking.Packed without = packing.pack(indices(left));
            if (without.starts().isPresent() || !without.certain()) {
                left.set(at);
            }
        }
        return left;
    }

    private Set<Integer> indices(BitSet stay) {
        Set<Integer> indices = new TreeSet<>();
        stay.stream().forEach(p -> indices.add(open.get(p).index()));
        return indices;
    }
}
