package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.space.JobSpace;
import taxon.core.addressing.space.UniverseSpace;
import taxon.core.addressing.style.CurrentPlace.Spot;
import taxon.core.dmx.StartAddress;
import taxon.core.packing.Effort;
import taxon.core.packing.site.Good;
import taxon.core.packing.site.Order;
import taxon.core.packing.site.Site;
import taxon.core.packing.site.SiteFill;
import taxon.core.packing.site.SiteFilling;
import taxon.core.packing.site.Sitter;
import taxon.core.rig.FixtureKey;

/**
 * Universes and pieces as sites and goods, so that all classes are placed together; and the filling turned back into places.
 * Universes that nobody uses and that are alike are one site.
 */
final class Sites {
    /** A piece of a good's length and class stands for any other. */
    private record Alike(int length, SharingClass sharingClass) implements Comparable<Alike> {
        private static final Comparator<Alike> ORDER =
                Comparator.comparingInt((Alike a) -> -a.length()).thenComparing(Alike::sharingClass);

        @Override
        public int compareTo(Alike other) {
            return ORDER.compare(this, other);
        }
    }

    private final JobSpace space;
    private final List<Piece> pieces;
    private final List<SharingClass> classes;
    private final List<Alike> alikes;
    private final List<Site> sites = new ArrayList<>();
    private final List<List<Integer>> universes = new ArrayList<>();
    private final Map<Integer, List<Sitter>> sitters = new HashMap<>();
    /** By the id of their sitters. */
    private final List<Spot> seated = new ArrayList<>();
    /** Where pieces lie that are none of those to be placed, since others say where they go. */
    private final Set<Place> settled = new HashSet<>();

    /**
     * @param space without the pieces
     * @param pieces all that need a place, or keep one
     */
    Sites(JobSpace space, List<Piece> pieces) {
        this.space = space;
        this.pieces = pieces;
        classes = pieces.stream().map(Piece::sharingClass).distinct().sorted().toList();
        alikes = pieces.stream().map(Sites::alike).distinct().sorted().toList();
    }

    private static Alike alike(Piece piece) {
        return new Alike(piece.length(), piece.sharingClass());
    }

    /**
     * Lets pieces that sit somewhere stay where they are, for what that is worth. A fixture of several spots is worth its part
     * at each; so the bound stays one. Those that share one address are seated once; a spot that is not a whole piece never, so
     * that its fixture does not stay.
     */
    void seat(List<CurrentPlace> places) {
        Set<Place> shared = new HashSet<>();
        Set<Integer> toPlace = pieces.stream().map(Piece::index).collect(Collectors.toSet());
        for (CurrentPlace place : places) {
            long part = (place.weight() * Site.UNIT + place.spots().size() - 1)
                    / place.spots().size();
            for (Spot spot : place.spots()) {
                boolean first = !spot.piece().shares() || shared.add(Place.of(spot));
                if (!toPlace.contains(spot.piece().index())) {
                    settled.add(Place.of(spot));
                } else if (first && spot.length() == spot.piece().length()) {
                    sitters.computeIfAbsent(spot.universe(), u -> new ArrayList<>())
                            .add(new Sitter(seated.size(), good(spot), spot.first(), part));
                    seated.add(spot);
                }
            }
        }
    }

    private int good(Spot spot) {
        return alikes.indexOf(new Alike(spot.length(), spot.piece().sharingClass()));
    }

    /** Where a piece sits. */
    private record Place(int piece, int universe, int slot) {
        static Place of(Spot spot) {
            return new Place(spot.piece().index(), spot.universe(), spot.first());
        }
    }

    /** True when every spot is that of a whole piece of which no part lies elsewhere: only then the sites say all. */
    static boolean describe(List<CurrentPlace> places) {
        return places.stream()
                .flatMap(p -> p.spots().stream())
                .allMatch(s -> !s.piece().shares() && s.length() == s.piece().length());
    }

    /**
     * What universes have in common that are one site.
     *
     * @param longest the longest run that may begin at each slot
     * @param only the one class that it is open to
     * @param sitting its number where somebody may stay on it, so that it is a site of its own
     */
    private record Room(List<Integer> longest, OptionalInt only, OptionalInt sitting) {}

    /** Adds universes, each costing so much when it is begun; those that are alike become one site. */
    void add(List<Integer> numbers, long begin) {
        Map<Room, List<Integer>> together = new LinkedHashMap<>();
        for (int number : numbers) {
            int[] longest = space.universe(number).longestFrom(space.firstSlot(number));
            OptionalInt only = only(space.universe(number));
            if (Arrays.stream(longest).anyMatch(l -> l > 0) && only.orElse(0) >= 0) {
                OptionalInt own = sitters.containsKey(number) ? OptionalInt.of(number) : OptionalInt.empty();
                List<Integer> runs = Arrays.stream(longest).boxed().toList();
                together.computeIfAbsent(new Room(runs, only, own), k -> new ArrayList<>())
                        .add(number);
            }
        }
        together.values().forEach(list -> add(list, space.universe(list.get(0)), begin));
    }

    private void add(List<Integer> numbers, UniverseSpace first, long begin) {
        sites.add(new Site(
                first.longestFrom(space.firstSlot(numbers.get(0))),
                numbers.size(),
                begin,
                only(first),
                sitters.getOrDefault(numbers.get(0), List.of())));
        universes.add(numbers);
    }

    /** The class that may lie there; −1 where none of those asked for may, since others are there. */
    private OptionalInt only(UniverseSpace universe) {
        if (universe.isEmpty()) {
            return OptionalInt.empty();
        }
        return OptionalInt.of(
                universe.classes().size() > 1
                        ? -1
                        : classes.indexOf(universe.classes().iterator().next()));
    }

    /**
     * What came of it.
     *
     * @param stay indices of those all of whose spots stay
     * @param starts by piece index, of the pieces that come to lie elsewhere
     * @param filling with the bound
     */
    record Placed(Set<Integer> stay, Map<Integer, StartAddress> starts, SiteFilling.Result filling) {}

    /** @param places as they were seated; empty when nobody was */
    Placed fill(List<CurrentPlace> places, Effort effort) {
        List<Good> goods = new ArrayList<>();
        for (Alike alike : alikes) {
            int count =
                    (int) pieces.stream().filter(r -> alike(r).equals(alike)).count();
            goods.add(new Good(alike.length(), classes.indexOf(alike.sharingClass()), count));
        }
        SiteFilling.Result result = SiteFilling.fill(space.grain(), goods, orders(), sites, effort);
        return turnedBack(result, places);
    }

    private Placed turnedBack(SiteFilling.Result result, List<CurrentPlace> places) {
        Set<Place> sitting = new HashSet<>(settled);
        result.fills().forEach(f -> f.stays().forEach(s -> sitting.add(Place.of(seated.get(s.id())))));
        TreeSet<Integer> stay = new TreeSet<>();
        places.stream()
                .filter(p -> p.spots().stream().allMatch(s -> sitting.contains(Place.of(s))))
                .forEach(p -> stay.add(p.index()));
        TreeSet<Integer> kept = new TreeSet<>();
        places.stream()
                .filter(p -> stay.contains(p.index()))
                .forEach(p -> p.spots().forEach(s -> kept.add(s.piece().index())));
        return new Placed(stay, handOut(openings(result, kept), kept), result);
    }

    /** Where pieces of each good may come to lie, in the order of the universes. */
    private List<NavigableSet<StartAddress>> openings(SiteFilling.Result result, Set<Integer> kept) {
        List<NavigableSet<StartAddress>> openings = new ArrayList<>();
        alikes.forEach(a -> openings.add(new TreeSet<>()));
        int[] next = new int[sites.size()];
        for (SiteFill fill : result.fills()) {
            int universe = universes.get(fill.site()).get(next[fill.site()]++);
            fill.placed().forEach(p -> openings.get(p.good()).add(StartAddress.of(universe, p.slot())));
            fill.stays().stream()
                    .filter(s -> !kept.contains(seated.get(s.id()).piece().index()))
                    .forEach(s -> openings.get(s.good()).add(StartAddress.of(universe, s.slot())));
        }
        return openings;
    }

    /** A fixture, or a piece that several share. */
    private record Whole(FixtureKey fixture, Optional<Piece> shared) {}

    /** The pieces of each fixture together; those that share an address by themselves. */
    private Collection<List<Piece>> byFixture() {
        Map<Whole, List<Piece>> together = new LinkedHashMap<>();
        for (Piece piece : pieces) {
            Whole key = new Whole(piece.fixture().key(), piece.shares() ? Optional.of(piece) : Optional.empty());
            together.computeIfAbsent(key, k -> new ArrayList<>()).add(piece);
        }
        return together.values();
    }

    private List<Order> orders() {
        Map<List<Integer>, Integer> counts = new LinkedHashMap<>();
        for (List<Piece> own : byFixture()) {
            Integer[] kinds = new Integer[alikes.size()];
            Arrays.fill(kinds, 0);
            own.forEach(r -> kinds[alikes.indexOf(alike(r))]++);
            counts.merge(List.of(kinds), 1, Integer::sum);
        }
        List<Order> orders = new ArrayList<>();
        counts.forEach((kinds, count) ->
                orders.add(new Order(kinds.stream().mapToInt(Integer::intValue).toArray(), count)));
        return orders;
    }

    /** Who lies at one of the openings already stays there; the others come in the order of the request, each whole. */
    private Map<Integer, StartAddress> handOut(List<NavigableSet<StartAddress>> openings, Set<Integer> kept) {
        Map<Integer, StartAddress> starts = new TreeMap<>();
        for (Piece piece : pieces) {
            piece.now()
                    .filter(a -> !kept.contains(piece.index()))
                    .filter(openings.get(alikes.indexOf(alike(piece)))::remove)
                    .ifPresent(a -> starts.put(piece.index(), a));
        }
        List<List<Piece>> open = byFixture().stream()
                .map(own -> own.stream()
                        .filter(r -> !kept.contains(r.index()) && !starts.containsKey(r.index()))
                        .toList())
                .filter(own -> !own.isEmpty())
                .toList();
        BitSet whole = whole(open, openings);
        IntStream.range(0, open.size()).filter(whole::get).forEach(i -> give(open.get(i), openings, starts));
        IntStream.range(0, open.size()).filter(i -> !whole.get(i)).forEach(i -> give(open.get(i), openings, starts));
        return starts;
    }

    /** Which of these fixtures find openings for all that they need. Those that are new come last: they wait for it without room. */
    private BitSet whole(List<List<Piece>> open, List<NavigableSet<StartAddress>> openings) {
        int[] room = openings.stream().mapToInt(Set::size).toArray();
        BitSet whole = new BitSet();
        IntStream.range(0, open.size())
                .boxed()
                .sorted(Comparator.comparing(i -> open.get(i).get(0).isNew()))
                .filter(i -> takes(open.get(i), room))
                .forEach(whole::set);
        return whole;
    }

    /** Takes what these pieces need from the room there is, or nothing where that is too little for all. */
    private boolean takes(List<Piece> pieces, int[] room) {
        int[] left = room.clone();
        pieces.forEach(r -> left[alikes.indexOf(alike(r))]--);
        boolean enough = Arrays.stream(left).allMatch(n -> n >= 0);
        if (enough) {
            System.arraycopy(left, 0, room, 0, left.length);
        }
        return enough;
    }

    /** Gives each of these pieces the first opening that there is; nothing to one for which there is none. */
    private void give(List<Piece> open, List<NavigableSet<StartAddress>> openings, Map<Integer, StartAddress> starts) {
        for (Piece piece : open) {
            Optional.ofNullable(openings.get(alikes.indexOf(alike(piece))).pollFirst())
                    .ifPresent(a -> starts.put(piece.index(), a));
        }
    }
}
