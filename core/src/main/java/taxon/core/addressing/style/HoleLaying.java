package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.addressing.request.Piece;
import taxon.core.dmx.Slot;
import taxon.core.fixture.TypeId;
import taxon.core.packing.Grain;
import taxon.core.packing.Hole;

/**
 * Lays the pieces that come to one universe into its holes.
 *
 * <p>Packing fills the tightest hole first, since that leaves most room. When it is known who comes to this universe, no room
 * need be left any more: of the ways to lay them that are tried here the one is taken that tears the fewest types apart.
 */
final class HoleLaying {
    private final List<Hole> holes;
    private final Grain grain;

    /** @param holes of the universe, in ascending order */
    HoleLaying(List<Hole> holes, Grain grain) {
        this.holes = holes;
        this.grain = grain;
    }

    /**
     * The first slots by the index of the piece, of all pieces.
     *
     * @param byHole as many lists as there are holes: what fits into each of them, in some order of its types
     */
    Map<Integer, Integer> lay(List<List<Piece>> byHole) {
        List<Piece> all = byHole.stream().flatMap(List::stream).toList();
        List<Laid> ways = new ArrayList<>();
        if (byHole.stream().filter(here -> !here.isEmpty()).count() > 1) {
            fromTheFront(all).ifPresent(ways::add);
            inOneHole(all).ifPresent(ways::add);
        }
        ways.add(asPacked(byHole));
        return Collections.min(ways, Comparator.comparingInt(Laid::stretches)).slots();
    }

    /**
     * One way to lay all pieces.
     *
     * @param slots the first ones, by the index of the piece
     * @param stretches how often a type is begun in a hole
     */
    private record Laid(Map<Integer, Integer> slots, int stretches) {}

    private static int stretches(List<List<Piece>> byHole) {
        return byHole.stream().mapToInt(here -> inTypes(here).size()).sum();
    }

    private Laid asPacked(List<List<Piece>> byHole) {
        Map<Integer, Integer> slots = new TreeMap<>();
        int from = Slot.FIRST;
        for (int h = 0; h < holes.size(); h++) {
            from = byHole.get(h).isEmpty() ? from : lay(fitting(byHole.get(h), h, from), h, from, slots);
        }
        return new Laid(slots, stretches(byHole));
    }

    /** All pieces in the first of the holes that takes them alone; empty where none does. */
    private Optional<Laid> inOneHole(List<Piece> all) {
        int slots = all.stream().mapToInt(Piece::length).sum();
        for (int h = 0; h < holes.size(); h++) {
            // Looked at first, since there may be a hole behind every unit.
            boolean tooShort = holes.get(h).end() - holes.get(h).first() + 1 < slots;
            List<Piece> order = tooShort ? List.of() : fitting(all, h, Slot.FIRST);
            if (!tooShort && reach(order, h, Slot.FIRST) == order.size()) {
                Map<Integer, Integer> laid = new TreeMap<>();
                lay(order, h, Slot.FIRST, laid);
                return Optional.of(new Laid(laid, stretches(List.of(order))));
            }
        }
        return Optional.empty();
    }

    /** All pieces, each hole filled before the next; empty where they do not fit so. */
    private Optional<Laid> fromTheFront(List<Piece> all) {
        Map<Integer, Integer> slots = new TreeMap<>();
        List<List<Piece>> byHole = new ArrayList<>();
        List<Piece> left = inTypes(all).stream().flatMap(List::stream).toList();
        int from = Slot.FIRST;
        for (int h = 0; h < holes.size(); h++) {
            int here = reach(left, h, from);
            from = here == 0 ? from : lay(left.subList(0, here), h, from, slots);
            byHole.add(left.subList(0, here));
            left = left.subList(here, left.size());
        }
        return left.isEmpty() ? Optional.of(new Laid(slots, stretches(byHole))) : Optional.empty();
    }

    /**
     * Lays pieces into a hole.
     *
     * @param from where the first of them may begin, since what lies in the hole before needs its distance
     * @return where the first piece of the next hole may begin
     */
    private int lay(List<Piece> order, int hole, int from, Map<Integer, Integer> slots) {
        int slot = first(hole, from);
        for (Piece piece : order) {
            slots.put(piece.index(), slot);
            slot += grain.pace(piece.length());
        }
        return slot;
    }

    private int first(int hole, int from) {
        return Math.max(holes.get(hole).first(), grain.aligned(from));
    }

    /** How many of these pieces, beginning with the first, a hole takes in this order. */
    private int reach(List<Piece> order, int hole, int from) {
        int slot = first(hole, from);
        int last = holes.get(hole).lastFrom(slot, grain);
        int count = 0;
        while (count < order.size() && slot + order.get(count).length() - 1 <= last) {
            slot += grain.pace(order.get(count++).length());
        }
        return count;
    }

    /** On a coarse grain the last piece decides whether all fit: a type comes last whose piece may reach to the end. */
    private List<Piece> fitting(List<Piece> pieces, int hole, int from) {
        List<List<Piece>> types = inTypes(pieces);
        for (int ending = types.size() - 1; ending >= 0; ending--) {
            List<Piece> order = new ArrayList<>();
            for (int i = 0; i < types.size(); i++) {
                order.addAll(i == ending ? List.of() : types.get(i));
            }
            order.addAll(types.get(ending));
            if (reach(order, hole, from) == order.size()) {
                return order;
            }
        }
        return types.stream().flatMap(List::stream).toList();
    }

    /** @param block of its fixture, counted from 1 */
    private record Kind(TypeId type, String mode, int block) {
        static Kind of(Piece piece) {
            return new Kind(
                    piece.type().id(),
                    piece.blocks().get(0).mode().name(),
                    piece.blocks().get(0).ref().block());
        }
    }

    /** The pieces of each type together; the type whose first piece comes first in the request stands first. */
    private static List<List<Piece>> inTypes(List<Piece> pieces) {
        Map<Kind, List<Piece>> byType = new LinkedHashMap<>();
        pieces.stream()
                .sorted(Comparator.comparingInt(Piece::index))
                .forEach(r -> byType.computeIfAbsent(Kind.of(r), k -> new ArrayList<>())
                        .add(r));
        return List.copyOf(byType.values());
    }
}
