package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.space.JobSpace;
import taxon.core.addressing.style.CurrentPlace.Spot;
import taxon.core.packing.Effort;
import taxon.core.packing.KeepMost;
import taxon.core.packing.KeepMost.Interval;

/**
 * Chooses who stays so that moving the others costs least, as long as the others find room somewhere.
 *
 * <p>On each universe those that are plain intervals are chosen exactly ({@link KeepMost}), class by class. Fixtures with
 * several spots, or with shared ones, tie universes together: for those a search tries both, staying and moving, cut off
 * where even the best for the rest costs too much. Time: n log n where nobody is tied.
 */
final class WhoStays {
    private final List<CurrentPlace> places;
    private final JobSpace space;
    private final Effort effort;

    private WhoStays(List<CurrentPlace> places, JobSpace space, Effort effort) {
        this.places = places;
        this.space = space;
        this.effort = effort;
    }

    /**
     * @param stay indices of those that stay
     * @param atLeast no other choice costs less than this, in points
     */
    record Choice(Set<Integer> stay, int points, int atLeast) {}

    /** @param space without those who are asked for */
    static Choice of(List<CurrentPlace> places, JobSpace space, Effort effort) {
        return new WhoStays(places, space, effort).choose();
    }

    private Choice choose() {
        Set<Integer> conflicts = Conflicts.among(places);
        Set<Integer> stay = new TreeSet<>();
        places.stream()
                .filter(p -> p.mayStay() && !conflicts.contains(p.index()))
                .forEach(p -> stay.add(p.index()));
        int points = 0;
        int atLeast = 0;
        for (List<CurrentPlace> part : parts(conflicts)) {
            Part chosen = new Part(part);
            int free = chosen.costOfNobodyTied();
            chosen.search(0, new ArrayList<>(), 0);
            stay.addAll(chosen.best);
            points += chosen.bestCost;
            atLeast += chosen.cutShort ? free : chosen.bestCost;
        }
        int forced = places.stream()
                .filter(p -> !p.mayStay())
                .mapToInt(CurrentPlace::weight)
                .sum();
        return new Choice(stay, points + forced, atLeast + forced);
    }

    /** Those that meet somebody, parted so that nobody meets anybody of another part. */
    private List<List<CurrentPlace>> parts(Set<Integer> conflicts) {
        Map<Integer, Integer> parents = new HashMap<>();
        List<CurrentPlace> open =
                places.stream().filter(p -> conflicts.contains(p.index())).toList();
        Map<Integer, Integer> universeOfShare = new HashMap<>();
        for (CurrentPlace place : open) {
            int first = place.spots().get(0).universe();
            for (Spot spot : place.spots()) {
                parents.put(root(parents, spot.universe()), root(parents, first));
                if (spot.piece().shares()) {
                    int other = universeOfShare.computeIfAbsent(spot.piece().index(), i -> first);
                    parents.put(root(parents, other), root(parents, first));
                }
            }
        }
        TreeMap<Integer, List<CurrentPlace>> parts = new TreeMap<>();
        open.forEach(p -> parts.computeIfAbsent(root(parents, p.spots().get(0).universe()), r -> new ArrayList<>())
                .add(p));
        return List.copyOf(parts.values());
    }

    private static int root(Map<Integer, Integer> parents, int universe) {
        int at = universe;
        int above = parents.getOrDefault(at, at);
        while (above != at) {
            at = above;
            above = parents.getOrDefault(at, at);
        }
        return at;
    }

    /** Fixtures that may meet each other. */
    private final class Part {
        private final List<CurrentPlace> tied;
        private final TreeMap<Integer, List<CurrentPlace>> plain = new TreeMap<>();
        private final int size;
        private final int all;
        private Set<Integer> best = Set.of();
        private int bestCost = Integer.MAX_VALUE;
        private boolean cutShort;

        Part(List<CurrentPlace> part) {
            Comparator<CurrentPlace> dearFirst = Comparator.comparingInt((CurrentPlace p) -> -p.weight());
            size = part.size();
            tied = part.stream()
                    .filter(p -> !p.isPlain())
                    .sorted(dearFirst.thenComparingInt(CurrentPlace::index))
                    .toList();
            part.stream()
                    .filter(CurrentPlace::isPlain)
                    .forEach(p -> plain.computeIfAbsent(p.spots().get(0).universe(), u -> new ArrayList<>())
                            .add(p));
            all = plain.values().stream()
                    .flatMap(List::stream)
                    .mapToInt(CurrentPlace::weight)
                    .sum();
        }

        /** What moving costs at least among the plain ones, the tied ones aside. */
        int costOfNobodyTied() {
            return all - weight(plainStaying(List.of()));
        }

        private static int weight(List<CurrentPlace> list) {
            return list.stream().mapToInt(CurrentPlace::weight).sum();
        }

        private List<CurrentPlace> plainStaying(List<CurrentPlace> stay) {
            List<CurrentPlace> staying = new ArrayList<>();
            Map<Integer, List<CurrentPlace>> tiedHere = new HashMap<>();
            stay.forEach(t -> t.spots().stream()
                    .map(Spot::universe)
                    .distinct()
                    .forEach(u ->
                            tiedHere.computeIfAbsent(u, n -> new ArrayList<>()).add(t)));
            plain.forEach((universe, here) -> {
                List<CurrentPlace> others = tiedHere.getOrDefault(universe, List.of());
                effort.spend((long) here.size() * (others.size() + Integer.SIZE));
                staying.addAll(bestOf(
                        universe,
                        here.stream()
                                .filter(p -> others.stream().noneMatch(t -> t.meets(p)))
                                .toList()));
            });
            return staying;
        }

        private List<CurrentPlace> bestOf(int universe, List<CurrentPlace> here) {
            TreeMap<SharingClass, List<CurrentPlace>> classes = new TreeMap<>();
            here.forEach(p -> classes.computeIfAbsent(p.spots().get(0).piece().sharingClass(), c -> new ArrayList<>())
                    .add(p));
            List<CurrentPlace> most = List.of();
            for (Map.Entry<SharingClass, List<CurrentPlace>> one : classes.entrySet()) {
                if (space.universe(universe).accepts(one.getKey())) {
                    List<CurrentPlace> kept = kept(one.getValue());
                    most = most.isEmpty() || weight(kept) > weight(most) ? kept : most;
                }
            }
            return most;
        }

        private static List<CurrentPlace> kept(List<CurrentPlace> ofOneClass) {
            List<Interval> intervals = ofOneClass.stream()
                    .map(p -> new Interval(
                            p.spots().get(0).first(), p.spots().get(0).lastClaimed(), p.weight()))
                    .toList();
            return KeepMost.of(intervals, 0).stream().map(ofOneClass::get).toList();
        }

        /** Goes on with the tied ones from {@code at}, those before it being decided. */
        void search(int at, List<CurrentPlace> stay, int moved) {
            cutShort |= !effort.spend(size);
            if (cutShort && bestCost < Integer.MAX_VALUE) {
                return;
            }
            List<CurrentPlace> staying = plainStaying(stay);
            int cost = moved + all - weight(staying);
            if (cost >= bestCost) {
                return;
            }
            if (at == tied.size()) {
                bestCost = cost;
                best = new TreeSet<>();
                stay.forEach(p -> best.add(p.index()));
                staying.forEach(p -> best.add(p.index()));
                return;
            }
            CurrentPlace next = tied.get(at);
            if (stay.stream().noneMatch(p -> p.meets(next))) {
                stay.add(next);
                search(at + 1, stay, moved);
                stay.remove(stay.size() - 1);
            }
            search(at + 1, stay, moved + next.weight());
        }
    }
}
