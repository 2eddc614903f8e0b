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
    private final int gap;
    private final Map<Integer, List<Here>> byUniverse = new HashMap<>();
    private final Map<Integer, Set<List<Integer>>> placesOfShare = new HashMap<>();
    private final Set<Integer> found = new TreeSet<>();

    private record Here(CurrentPlace sitting, Spot spot) {}

    private Conflicts(int gap) {
        this.gap = gap;
    }

    /** The indices of those that meet another; only such are looked at that may stay. May name too many, never too few. */
    static Set<Integer> among(List<CurrentPlace> sittings, int gap) {
        Conflicts entangled = new Conflicts(gap);
        sittings.stream().filter(s -> s.trouble().isEmpty()).forEach(entangled::add);
        entangled.byUniverse.values().forEach(entangled::sweep);
        entangled.sharesApart(sittings);
        return entangled.found;
    }

    private void add(CurrentPlace sitting) {
        for (Spot spot : sitting.spots()) {
            byUniverse.computeIfAbsent(spot.universe(), u -> new ArrayList<>()).add(new Here(sitting, spot));
            if (spot.run().shares()) {
                placesOfShare
                        .computeIfAbsent(spot.run().index(), i -> new HashSet<>())
                        .add(List.of(spot.universe(), spot.first()));
            }
        }
    }

    private void sweep(List<Here> here) {
        SharingClass company = here.get(0).spot().run().company();
        boolean mixed = here.stream().anyMatch(h -> !h.spot().run().company().equals(company));
        here.sort(Comparator.comparingInt((Here h) -> h.spot().first())
                .thenComparingInt(h -> h.spot().last()));
        Here furthest = here.get(0);
        for (int i = 0; i < here.size(); i++) {
            Here next = here.get(i);
            if (mixed) {
                found.add(next.sitting().index());
            }
            if (i > 0 && next.spot().first() <= furthest.spot().last() + gap && !isSameShare(furthest, next)) {
                markAllUpTo(here, i);
            }
            furthest = next.spot().last() > furthest.spot().last() ? next : furthest;
        }
    }

    /** Marks one and all before it that reach to it. */
    private void markAllUpTo(List<Here> here, int at) {
        int first = here.get(at).spot().first();
        found.add(here.get(at).sitting().index());
        for (int i = at - 1; i >= 0; i--) {
            if (here.get(i).spot().last() + gap >= first && !isSameShare(here.get(i), here.get(at))) {
                found.add(here.get(i).sitting().index());
            }
        }
    }

    private static boolean isSameShare(Here one, Here two) {
        return one.spot().run().index() == two.spot().run().index()
                && one.spot().run().shares()
                && one.spot().first() == two.spot().first();
    }

    private void sharesApart(List<CurrentPlace> sittings) {
        for (CurrentPlace sitting : sittings) {
            boolean apart = sitting.trouble().isEmpty()
                    && sitting.spots().stream()
                            .anyMatch(s -> s.run().shares()
                                    && placesOfShare
                                                    .getOrDefault(s.run().index(), Set.of())
                                                    .size()
                                            > 1);
            if (apart) {
                found.add(sitting.index());
            }
        }
    }
}
