package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.request.Piece;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.FixtureKey;

/**
 * Where a style puts the pieces of a request.
 *
 * @param starts by the index of the piece
 * @param kept indices of pieces all of whose blocks stay where they are, which need not follow each other
 * @param reasons by the index of the piece, where the style knows why it moves; the others are explained by where they come to
 *     lie
 * @param leftAtLeast no layout for this request leaves fewer fixtures without a place
 */
public record Layout(
        List<Optional<StartAddress>> starts,
        Set<Integer> kept,
        Map<Integer, Reason> reasons,
        Optimum optimum,
        int leftAtLeast) {
    public Layout {
        starts = List.copyOf(starts);
        // Not Set.copyOf: numbers that follow each other collide in it, and looking for one that is not there takes
        // long.
        kept = Collections.unmodifiableSet(new HashSet<>(kept));
        reasons = Map.copyOf(reasons);
    }

    static Layout of(List<Piece> pieces, Map<Integer, StartAddress> byIndex, Optimum optimum, int leftAtLeast) {
        return new Layout(starts(pieces, byIndex), Set.of(), Map.of(), optimum, leftAtLeast);
    }

    /** Starts given by hand, of which nothing is claimed. */
    public static Layout byHand(List<Piece> pieces, Map<Integer, StartAddress> byIndex, Map<Integer, Reason> reasons) {
        return new Layout(starts(pieces, byIndex), Set.of(), reasons, new Optimum.Unclaimed(), 0);
    }

    static List<Optional<StartAddress>> starts(List<Piece> pieces, Map<Integer, StartAddress> byIndex) {
        List<Optional<StartAddress>> starts = new ArrayList<>(pieces.size());
        pieces.forEach(r -> starts.add(Optional.ofNullable(byIndex.get(r.index()))));
        return starts;
    }

    /** Those of the pieces that have a start, by their addresses, then by their places in the request. */
    public static List<Piece> bySlot(List<Piece> pieces, Layout layout) {
        long[] keys = new long[pieces.size()];
        int count = 0;
        for (int i = 0; i < pieces.size(); i++) {
            Optional<StartAddress> start = layout.start(pieces.get(i));
            if (start.isPresent()) {
                keys[count++] = (long) start.get().absolute() << Integer.SIZE | i;
            }
        }
        Arrays.sort(keys, 0, count);
        List<Piece> sorted = new ArrayList<>(count);
        for (int i = 0; i < count; i++) {
            sorted.add(pieces.get((int) keys[i]));
        }
        return sorted;
    }

    /** Where a piece comes to lie; empty where it stays or finds no place. */
    public Optional<StartAddress> start(Piece piece) {
        return starts.get(piece.index());
    }

    /** True when a piece stays where all its blocks are. */
    public boolean keeps(Piece piece) {
        return kept.contains(piece.index());
    }

    /** True when the piece has a place, be it a new one or the one that it has. */
    public boolean places(Piece piece) {
        return keeps(piece) || start(piece).isPresent();
    }

    /** Fixtures of which a piece has no place: they are not placed at all. */
    public Set<FixtureKey> unplaced(List<Piece> pieces) {
        Set<FixtureKey> unplaced = new HashSet<>();
        pieces.stream().filter(r -> !places(r)).forEach(r -> r.fixtures().forEach(f -> unplaced.add(f.key())));
        return unplaced;
    }
}
