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
import taxon.core.packing.KeepMost;
import taxon.core.packing.KeepMost.Interval;

/**
 * Chooses who stays so that moving the others costs least, as long as the others find room somewhere.
 *
 * <p>On each universe those that are plain intervals are chosen exactly ({@link KeepMost}), company by company. Fixtures with
 * several spots, or with shared ones, tie universes together: for those a search tries both, staying and moving, cut off
 * where even the best for the rest costs too much. Time: n log n where nobody is tied.
 */
final class WhoStays {
    private static final int MOST_TRIES = 5_000;

    private final List<CurrentPlace> sittings;
    private final JobSpace ground;
    private final int gap;
    private int triesLeft = MOST_TRIES;
    private boolean cutShort;

    private WhoStays(List<CurrentPlace> sittings, JobSpace ground) {
        this.sittings = sittings;
        this.ground = ground;
        gap = ground.grain().gap();
    }

    /**
     * @param stay indices of those that stay
     * @param atLeast no other choice costs less than this, in points
     */
    record Choice(Set<Integer> stay, int points, int atLeast) {}

    static Choice of(List<CurrentPlace> sittings, JobSpace ground) {
        return new WhoStays(sittings, ground).choose();
    }

    private Choice choose() {
        Set<Integer> entangled = Conflicts.among(sittings, gap);
        Set<Integer> stay = new TreeSet<>();
        sittings.stream()
                .filter(s -> s.trouble().isEmpty() && !entangled.contains(s.index()))
                .forEach(s -> stay.add(s.index()));
        int points = 0;
        int atLeast = 0;
        for (List<CurrentPlace> part : parts(entangled)) {
            Part chosen = new Part(part);
            int free = chosen.cost(List.of());
            chosen.search(0, new ArrayList<>(), 0);
            stay.addAll(chosen.best);
            points += chosen.bestCost;
            atLeast += cutShort ? free : chosen.bestCost;
        }
        int forced = sittings.stream()
                .filter(s -> s.trouble().isPresent())
                .mapToInt(CurrentPlace::weight)
                .sum();
        return new Choice(stay, points + forced, atLeast + forced);
    }

    /** Those that meet somebody, parted so that nobody meets anybody of another part. */
    private List<List<CurrentPlace>> parts(Set<Integer> entangled) {
        Map<Integer, Integer> parents = new HashMap<>();
        List<CurrentPlace> open =
                sittings.stream().filter(s -> entangled.contains(s.index())).toList();
        Map<Integer, Integer> universeOfShare = new HashMap<>();
        for (CurrentPlace sitting : open) {
            int root = root(parents, sitting.spots().get(0).universe());
            for (Spot spot : sitting.spots()) {
                parents.put(root(parents, spot.universe()), root);
                root = root(parents, root);
                if (spot.run().shares()) {
                    int other = universeOfShare.computeIfAbsent(spot.run().index(), i -> spot.universe());
                    parents.put(root(parents, other), root);
                    root = root(parents, root);
                }
            }
        }
        TreeMap<Integer, List<CurrentPlace>> parts = new TreeMap<>();
        open.forEach(s -> parts.computeIfAbsent(root(parents, s.spots().get(0).universe()), r -> new ArrayList<>())
                .add(s));
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
        private final int all;
        private Set<Integer> best = Set.of();
        private int bestCost = Integer.MAX_VALUE;

        Part(List<CurrentPlace> part) {
            Comparator<CurrentPlace> dearFirst = Comparator.comparingInt((CurrentPlace s) -> -s.weight());
            tied = part.stream()
                    .filter(s -> !s.isPlain())
                    .sorted(dearFirst.thenComparingInt(CurrentPlace::index))
                    .toList();
            part.stream()
                    .filter(CurrentPlace::isPlain)
                    .forEach(s -> plain.computeIfAbsent(s.spots().get(0).universe(), u -> new ArrayList<>())
                            .add(s));
            all = plain.values().stream()
                    .flatMap(List::stream)
                    .mapToInt(CurrentPlace::weight)
                    .sum();
        }

        /** What moving costs among the plain ones when these tied ones stay. */
        int cost(List<CurrentPlace> stay) {
            return all
                    - plainStaying(stay).stream().mapToInt(CurrentPlace::weight).sum();
        }

        private List<CurrentPlace> plainStaying(List<CurrentPlace> stay) {
            List<CurrentPlace> staying = new ArrayList<>();
            plain.forEach((universe, here) -> {
                List<CurrentPlace> open = here.stream()
                        .filter(s -> stay.stream().noneMatch(t -> t.meets(s, gap)))
                        .toList();
                staying.addAll(bestOf(universe, open));
            });
            return staying;
        }

        private List<CurrentPlace> bestOf(int universe, List<CurrentPlace> here) {
            TreeMap<SharingClass, List<CurrentPlace>> companies = new TreeMap<>();
            here.forEach(s -> companies
                    .computeIfAbsent(s.spots().get(0).run().company(), c -> new ArrayList<>())
                    .add(s));
            List<CurrentPlace> best = List.of();
            int weight = -1;
            for (List<CurrentPlace> company : companies.values()) {
                if (ground.floor(universe)
                        .accepts(company.get(0).spots().get(0).run().company())) {
                    List<CurrentPlace> kept = kept(company);
                    int sum = kept.stream().mapToInt(CurrentPlace::weight).sum();
                    best = sum > weight ? kept : best;
                    weight = Math.max(sum, weight);
                }
            }
            return best;
        }

        private List<CurrentPlace> kept(List<CurrentPlace> company) {
            List<Interval> intervals = company.stream()
                    .map(s -> new Interval(
                            s.spots().get(0).first(), s.spots().get(0).last(), s.weight()))
                    .toList();
            return KeepMost.of(intervals, gap).stream().map(company::get).toList();
        }

        /** Goes on with the tied ones from {@code at}, those before it being decided. */
        void search(int at, List<CurrentPlace> stay, int moved) {
            if (--triesLeft < 0) {
                cutShort = true;
            }
            if (cutShort && bestCost < Integer.MAX_VALUE) {
                return;
            }
            List<CurrentPlace> staying = plainStaying(stay);
            int cost = moved
                    + all
                    - staying.stream().mapToInt(CurrentPlace::weight).sum();
            if (cost >= bestCost) {
                return;
            }
            if (at == tied.size()) {
                bestCost = cost;
                best = new TreeSet<>();
                stay.forEach(s -> best.add(s.index()));
                staying.forEach(s -> best.add(s.index()));
                return;
            }
            CurrentPlace next = tied.get(at);
            if (stay.stream().noneMatch(s -> s.meets(next, gap))) {
                stay.add(next);
                search(at + 1, stay, moved);
                stay.remove(stay.size() - 1);
            }
            search(at + 1, stay, moved + next.weight());
        }
    }
}
