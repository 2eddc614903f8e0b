package taxon.core.packing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What may be filled together: the holes of one universe.
 *
 * @param load how much load its line still takes, 0 or more
 */
public record Bin(List<Hole> holes, int load) {
    public static final int ANY_LOAD = Integer.MAX_VALUE;

    public Bin {
        holes = List.copyOf(holes);
        if (load < 0) {
            throw new IllegalArgumentException("a load of " + load + " is below 0");
        }
    }

    /**
     * True when whatever fits the other surely fits here too: its holes can be laid into these, cut so short that what lies in
     * one does not push what lies in the next. False proves nothing.
     */
    boolean isAsRoomyAs(Bin other, Grain grain) {
        if (equals(other)) {
            return true;
        }
        if (load < other.load) {
            return false;
        }
        List<Integer> rooms = roomsApart(grain);
        for (int length : longestFirst(other)) {
            int at = tightest(rooms, length);
            if (at < 0) {
                return false;
            }
            rooms.set(at, rooms.get(at) - grain.pace(length));
        }
        return true;
    }

    private List<Integer> roomsApart(Grain grain) {
        List<Integer> rooms = new ArrayList<>();
        for (int h = 0; h < holes.size(); h++) {
            Hole hole = holes.get(h);
            int last = h + 1 < holes.size()
                    ? Math.min(
                            hole.last(),
                            grain.lastBefore(hole.first(), holes.get(h + 1).first()))
                    : hole.last();
            rooms.add(last - hole.first() + 1);
        }
        return rooms;
    }

    private static List<Integer> longestFirst(Bin bin) {
        return bin.holes.stream()
                .map(Hole::length)
                .sorted(Comparator.reverseOrder())
                .toList();
    }

    private static int tightest(List<Integer> rooms, int length) {
        int found = -1;
        for (int i = 0; i < rooms.size(); i++) {
            boolean fits = rooms.get(i) >= length;
            found = fits && (found < 0 || rooms.get(i) < rooms.get(found)) ? i : found;
        }
        return found;
    }
}
