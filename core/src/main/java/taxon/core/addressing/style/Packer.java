package taxon.core.addressing.style;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.ToIntFunction;
import java.util.stream.Collectors;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.StartAddress;
import taxon.core.packing.Bin;
import taxon.core.packing.Effort;
import taxon.core.packing.FewestBins;
import taxon.core.packing.Filling;
import taxon.core.packing.ItemKind;
import taxon.core.packing.Packed;

/**
 * Turns pieces and universes into kinds and bins, has them packed, and turns the filling back: pieces of one length are handed
 * out in the order of their types and of the request. Where in a universe each of them lies is said by {@link HoleLaying}.
 */
final class Packer {
    private final JobSpace space;
    private final ToIntFunction<Integer> loadLeft;

    /** @param loadLeft how much the line of a universe still takes */
    Packer(JobSpace space, ToIntFunction<Integer> loadLeft) {
        this.space = space;
        this.loadLeft = loadLeft;
    }

    /**
     * What became of it.
     *
     * @param starts by piece index, of the pieces that found a place
     * @param used how many of the other universes are used
     * @param atLeast no packing of all these pieces uses fewer of them
     */
    record Result(Map<Integer, StartAddress> starts, int used, int atLeast, boolean whole) {}

    /** Lengths and loads that are alike; longest first. */
    private record Alike(int length, int load) implements Comparable<Alike> {
        private static final Comparator<Alike> ORDER = Comparator.comparingInt(Alike::length)
                .thenComparingInt(Alike::load)
                .reversed();

        @Override
        public int compareTo(Alike other) {
            return ORDER.compare(this, other);
        }
    }

    /**
     * Packs pieces into universes that cost nothing, and as few others as can be.
     *
     * @param others in the order in which they are preferred
     */
    Result pack(List<Piece> pieces, List<Integer> given, List<Integer> others, Effort effort) {
        Map<Alike, List<Piece>> alike = alike(pieces);
        Packed packed = FewestBins.pack(space.grain(), kinds(alike), bins(given), bins(others), effort);
        List<Deque<Piece>> queues = queues(alike, packed.filling().left());
        List<Integer> universes = new ArrayList<>(given);
        universes.addAll(others);
        return new Result(
                handOut(packed.filling(), universes, queues),
                packed.used(),
                packed.atLeast(),
                packed.filling().isWhole());
    }

    /** Pieces of each kind that find a place. Where some do not, those have none already: they need no room while they wait. */
    private static List<Deque<Piece>> queues(Map<Alike, List<Piece>> alike, List<Integer> left) {
        List<Deque<Piece>> queues = new ArrayList<>();
        for (List<Piece> list : alike.values()) {
            queues.add(list.stream()
                    .sorted(Comparator.comparing(Piece::isNew).thenComparing(byType()))
                    .limit(list.size() - left.get(queues.size()))
                    .sorted(byType())
                    .collect(Collectors.toCollection(ArrayDeque::new)));
        }
        return queues;
    }

    /** How many of the others these pieces need at least, whatever else lies there. */
    int bound(List<Piece> pieces, List<Integer> given, List<Integer> others) {
        return FewestBins.bound(space.grain(), kinds(alike(pieces)), bins(given), bins(others));
    }

    private Map<Alike, List<Piece>> alike(List<Piece> pieces) {
        TreeMap<Alike, List<Piece>> alike = new TreeMap<>();
        pieces.forEach(r -> alike.computeIfAbsent(new Alike(r.length(), limited(r.load())), a -> new ArrayList<>())
                .add(r));
        return alike;
    }

    private static List<ItemKind> kinds(Map<Alike, List<Piece>> alike) {
        List<ItemKind> kinds = new ArrayList<>();
        alike.forEach((a, list) -> kinds.add(new ItemKind(a.length(), a.load(), list.size())));
        return kinds;
    }

    /** Loads count only where lines are limited: otherwise kinds that differ by nothing else are one. */
    private int limited(int load) {
        return space.wish().unitsPerLine().isPresent() ? load : 0;
    }

    private static Comparator<Piece> byType() {
        return Comparator.comparing((Piece r) -> r.type().id())
                .thenComparing(r -> r.blocks().get(0).mode().name())
                .thenComparingInt(r -> r.blocks().get(0).ref().block())
                .thenComparingInt(Piece::index);
    }

    private List<Bin> bins(List<Integer> universes) {
        return universes.stream()
                .map(u -> new Bin(space.holes(u), loadLeft.applyAsInt(u)))
                .toList();
    }

    /** Universe by universe in ascending order, so that what comes first in the request lies first in the rig. */
    private Map<Integer, StartAddress> handOut(Filling filling, List<Integer> universes, List<Deque<Piece>> queues) {
        Map<Integer, StartAddress> starts = new TreeMap<>();
        List<Integer> ascending = new ArrayList<>();
        for (int i = 0; i < universes.size(); i++) {
            ascending.add(i);
        }
        ascending.sort(Comparator.comparing(universes::get));
        for (int bin : ascending) {
            List<List<Piece>> byHole = filling.byBin().get(bin).stream()
                    .map(counts -> taken(counts, queues))
                    .toList();
            HoleLaying laying = new HoleLaying(space.holes(universes.get(bin)), space.grain());
            laying.lay(byHole).forEach((index, slot) -> starts.put(index, StartAddress.of(universes.get(bin), slot)));
        }
        return starts;
    }

    private static List<Piece> taken(List<Integer> counts, List<Deque<Piece>> queues) {
        List<Piece> taken = new ArrayList<>();
        for (int kind = 0; kind < counts.size(); kind++) {
            for (int i = 0; i < counts.get(kind); i++) {
                taken.add(queues.get(kind).remove());
            }
        }
        return taken;
    }
}
