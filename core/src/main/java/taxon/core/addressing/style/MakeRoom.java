package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import taxon.core.addressing.request.BlockRun;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.packing.Bin;

/**
 * Where the universes that are allowed are too full for all: who must be moved besides, so that the rest fits, at the least
 * price.
 *
 * <p>Choices are tried in the order of their price, beginning with the least that anybody could hope for; each is packed, with
 * proof where it does not fit. So the first that fits is the best, and after so many tries the price reached is still a bound.
 * Of each choice that does not fit the few are kept who alone cannot all stay; no choice with all of them is packed again.
 * It begins with a choice that fits, found by lifting one after the other and putting back whoever need not go.
 */
final class MakeRoom {
    private static final int MOST_PACKINGS = 4_000;
    private static final int MOST_SEARCHED = 200;
    private static final int MOST_PUT_BACK = 200;
    private static final long MOST_STEPS = 400_000;
    private static final long STEPS_OF_A_PACKING = 100_000;

    private final ResolvedRequest asked;
    private final List<CurrentPlace> open;
    private final int forcedPoints;
    private int packingsLeft = MOST_PACKINGS;
    private long stepsLeft = MOST_STEPS;
    private boolean certain = true;
    /** CurrentPlaces that cannot all stay, by their places in {@link #open}: whoever keeps one of these sets need not be tried. */
    private final List<BitSet> neverTogether = new ArrayList<>();

    /** @param stay indices of the sittings that stay */
    record Room(Set<Integer> stay, Map<Integer, StartAddress> starts, int points, int atLeast) {}

    /** What became of a packing. */
    private record Try(Optional<Map<Integer, StartAddress>> starts, boolean certain) {}

    MakeRoom(ResolvedRequest asked, List<CurrentPlace> sittings) {
        this.asked = asked;
        open = sittings.stream()
                .filter(s -> s.trouble().isEmpty())
                .sorted(Comparator.comparingInt(
                                (CurrentPlace s) -> s.spots().get(0).universe())
                        .thenComparingInt(s -> s.spots().get(0).first())
                        .thenComparingInt(CurrentPlace::index))
                .toList();
        forcedPoints = sittings.stream()
                .filter(s -> s.trouble().isPresent())
                .mapToInt(CurrentPlace::weight)
                .sum();
    }

    /**
     * The best choice found; empty when even moving everybody leaves no room.
     *
     * @param hoped the choice that would be best if room did not matter
     */
    Optional<Room> best(WhoStays.Choice hoped) {
        Optional<Room> known = byLifting(hoped);
        if (known.isEmpty()) {
            return known;
        }
        Room best = known.get();
        if (open.size() > MOST_SEARCHED) {
            return Optional.of(new Room(best.stay(), best.starts(), best.points(), hoped.atLeast()));
        }
        for (int points = hoped.atLeast(); points < best.points(); points++) {
            Optional<Room> found = at(points);
            if (found.isPresent()) {
                return Optional.of(new Room(found.get().stay(), found.get().starts(), points, points));
            }
            if (!certain || packingsLeft <= 0 || stepsLeft <= 0) {
                return Optional.of(new Room(best.stay(), best.starts(), best.points(), points));
            }
        }
        return Optional.of(new Room(best.stay(), best.starts(), best.points(), best.points()));
    }

    private Optional<Room> byLifting(WhoStays.Choice hoped) {
        TreeSet<Integer> stay = new TreeSet<>(hoped.stay());
        List<CurrentPlace> cheapFirst = open.stream()
                .filter(s -> stay.contains(s.index()))
                .sorted(Comparator.comparingInt(CurrentPlace::weight))
                .toList();
        int lifts = fewestLifts(cheapFirst, stay);
        List<CurrentPlace> lifted = cheapFirst.subList(0, lifts);
        lifted.forEach(s -> stay.remove(s.index()));
        Try tried = pack(stay);
        if (tried.starts().isEmpty()) {
            return Optional.empty();
        }
        for (int i = lifts - 1; i >= Math.max(0, lifts - MOST_PUT_BACK); i--) {
            stay.add(lifted.get(i).index());
            Try again = pack(stay);
            if (again.starts().isPresent()) {
                tried = again;
            } else {
                stay.remove(lifted.get(i).index());
            }
        }
        certain = true;
        return Optional.of(new Room(stay, tried.starts().orElseThrow(), points(stay), 0));
    }

    /** How many of the cheapest must be lifted at least so that the rest is packed; all of them where that is not enough. */
    private int fewestLifts(List<CurrentPlace> cheapFirst, Set<Integer> stay) {
        int low = 0;
        int high = cheapFirst.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            Set<Integer> left = new TreeSet<>(stay);
            cheapFirst.subList(0, middle).forEach(s -> left.remove(s.index()));
            if (pack(left).starts().isPresent()) {
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
                        .filter(s -> !stay.contains(s.index()))
                        .mapToInt(CurrentPlace::weight)
                        .sum();
    }

    /** A choice of exactly this price that fits. */
    private Optional<Room> at(int points) {
        return search(0, points - forcedPoints, new BitSet(), points);
    }

    /** @param stay those before {@code at} that stay, by their places in {@link #open} */
    private Optional<Room> search(int at, int left, BitSet stay, int points) {
        if (left < 0 || --stepsLeft < 0 || packingsLeft <= 0) {
            return Optional.empty();
        }
        if (at == open.size()) {
            return left == 0 ? fitting(stay, points) : Optional.empty();
        }
        CurrentPlace next = open.get(at);
        int gap = asked.wish().spacing().gap();
        boolean mayStay = stay.stream().noneMatch(s -> open.get(s).meets(next, gap));
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
        Try tried = pack(indices(stay));
        certain &= tried.certain();
        if (tried.starts().isEmpty() && tried.certain()) {
            neverTogether.add(fewestOf(stay));
        }
        return tried.starts().map(m -> new Room(indices(stay), m, points, points));
    }

    /** Of sittings that cannot all stay, some that cannot either, and of whom none can be left out. */
    private BitSet fewestOf(BitSet hopeless) {
        BitSet left = (BitSet) hopeless.clone();
        for (int at = left.nextSetBit(0); at >= 0 && packingsLeft > 0; at = left.nextSetBit(at + 1)) {
            left.clear(at);
            Try without = pack(indices(left));
            if (without.starts().isPresent() || !without.certain()) {
                left.set(at);
            }
        }
        return left;
    }

    private Set<Integer> indices(BitSet stay) {
        Set<Integer> indices = new TreeSet<>();
        stay.stream().forEach(s -> indices.add(open.get(s).index()));
        return indices;
    }

    private Try pack(Set<Integer> stay) {
        packingsLeft--;
        JobSpace ground = asked.ground();
        Set<Integer> keptRuns = LeastChange.seat(open, stay, ground);
        List<BlockRun> lifted = asked.runs().stream()
                .filter(r -> !keptRuns.contains(r.index()) && !asked.forced().containsKey(r.index()))
                .toList();
        if (lifted.isEmpty()) {
            return new Try(Optional.of(Map.of()), true);
        }
        boolean oneCompany =
                asked.runs().stream().map(BlockRun::company).distinct().count() == 1
                        && ground.inUse().stream()
                                .allMatch(u ->
                                        ground.floor(u).accepts(lifted.get(0).company()));
        return oneCompany ? packAll(ground, lifted) : packByCompany(lifted, ground);
    }

    private Try packAll(JobSpace ground, List<BlockRun> lifted) {
        List<Integer> universes =
                allowed(ground).stream().filter(u -> !ground.holes(u).isEmpty()).toList();
        Packer.Result result =
                new Packer(ground, u -> Bin.ANY_LOAD).pack(lifted, universes, List.of(), STEPS_OF_A_PACKING);
        return result.whole()
                ? new Try(Optional.of(result.starts()), true)
                : new Try(Optional.empty(), result.atLeast() > 0);
    }

    /** One company after the other, which proves nothing when it fails. */
    private Try packByCompany(List<BlockRun> lifted, JobSpace ground) {
        Map<Integer, StartAddress> starts = new TreeMap<>(new NearPlaces(ground).place(lifted));
        return starts.size() == lifted.size() ? new Try(Optional.of(starts), true) : new Try(Optional.empty(), false);
    }

    /** The universes that are allowed, at most as many as there are runs and some. */
    private List<Integer> allowed(JobSpace ground) {
        List<Integer> universes = new ArrayList<>();
        Optional<Integer> at = ground.allowedFrom(Slot.FIRST);
        int most = asked.runs().size() + ground.highest();
        while (at.isPresent() && universes.size() <= most) {
            universes.add(at.get());
            at = ground.allowedFrom(at.get() + 1);
        }
        return universes;
    }
}
