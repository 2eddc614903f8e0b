package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.style.CurrentPlace.Spot;

/** Finds out who meets somebody at all. Whoever meets nobody stays in every best choice. Time: n log n. */
final class Conflicts {
    private final Map<Integer, List<Here>> byUniverse = new HashMap<>();
    private final Map<Integer, Set<List<Integer>>> placesOfShare = new HashMap<>();
    private final Set<Integer> found = new TreeSet<>();

    private record Here(CurrentPlace place, Spot spot) {}

    private Conflicts() {}

    /** The indices of those that meet another, and of nobody else; only such are looked at that may stay. */
    static Set<Integer> among(List<CurrentPlace> places) {
        Conflicts conflicts = new Conflicts();
        places.stream().filter(CurrentPlace::mayStay).forEach(conflicts::add);
        conflicts.byUniverse.values().forEach(conflicts::sweep);
        places.stream()
                .filter(CurrentPlace::mayStay)
                .filter(conflicts::isApart)
                .forEach(p -> conflicts.found.add(p.index()));
        return conflicts.found;
    }

    private void add(CurrentPlace place) {
        for (Spot spot : place.spots()) {
            byUniverse.computeIfAbsent(spot.universe(), u -> new ArrayList<>()).add(new Here(place, spot));
            if (spot.piece().shares()) {
                placesOfShare
                        .computeIfAbsent(spot.piece().index(), i -> new HashSet<>())
                        .add(List.of(spot.universe(), spot.first()));
            }
        }
    }

    private void sweep(List<Here> here) {
        SharingClass first = here.get(0).spot().piece().sharingClass();
        if (here.stream().anyMatch(h -> !h.spot().piece().sharingClass().equals(first))) {
            here.forEach(h -> found.add(h.place().index()));
            return;
        }
        here.sort(Comparator.comparingInt((Here h) -> h.spot().first())
                .thenComparingInt(h -> h.spot().lastClaimed()));
        Here furthest = here.get(0);
        for (int i = 1; i < here.size(); i++) {
            Here next = here.get(i);
            if (next.spot().meets(furthest.spot()) || next.spot().isSameShare(furthest.spot())) {
                markAllUpTo(here, i);
            }
            furthest = next.spot().lastClaimed() > furthest.spot().lastClaimed() ? next : furthest;
        }
    }

    /** Marks one and all before it that reach to it; nobody where none does. */
    private void markAllUpTo(List<Here> here, int at) {
        for (int i = at - 1; i >= 0; i--) {
            int one = here.get(i).place().index();
            int other = here.get(at).place().index();
            // Blocks of one fixture that stand nearer than the gap are nobody else's business.
            if (one != other && here.get(i).spot().meets(here.get(at).spot())) {
                found.add(one);
                found.add(other);
            }
        }
    }

    private boolean isApart(CurrentPlace place) {
        return place.spots().stream()
                .anyMatch(s -> s.piece().shares()
                        && placesOfShare
                                        .getOrDefault(s.piece().index(), Set.of())
                                        .size()
                                > 1);
    }
}
