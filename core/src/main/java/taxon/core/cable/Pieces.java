package taxon.core.cable;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import taxon.core.length.Length;

/**
 * Cables off the shelf that together reach: as few as can be, since each joint is one more that can fail, and of those the
 * ones that leave least over.
 *
 * @param lengths longest first, at least one
 */
public record Pieces(List<Length> lengths) {
    /** What a piece is counted in: a centimetre, pieces rounded down and the way up, so that none is ever too short. */
    private static final long STEP = 10_000;

    public Pieces {
        lengths = List.copyOf(lengths);
        if (lengths.isEmpty()) {
            throw new IllegalArgumentException("no pieces");
        }
    }

    /**
     * For a way and its slack.
     *
     * @param needed 0 to 1,000 m
     * @param stock lengths of the shelf, each a centimetre or more
     */
    public static Pieces reaching(Length needed, List<Length> stock) {
        Length longest = stock.stream().max(Length::compareTo).orElseThrow();
        long most = longest.micrometres() / STEP;
        long steps = Math.max(1, (needed.micrometres() + STEP - 1) / STEP);
        if (steps <= most) {
            return new Pieces(List.of(stock.stream()
                    .filter(l -> l.micrometres() / STEP >= steps)
                    .min(Length::compareTo)
                    .orElseThrow()));
        }
        int count = Math.toIntExact((steps + most - 1) / most);
        int spare = Math.toIntExact(count * most - steps);
        return new Pieces(shortened(longest, stock, count, spare));
    }

    /** Of so many of the longest, some exchanged for shorter ones, such that as much as can be of what is spare goes. */
    private static List<Length> shortened(Length longest, List<Length> stock, int count, int spare) {
        int[] fewest = new int[spare + 1];
        int[] last = new int[spare + 1];
        Arrays.fill(fewest, Integer.MAX_VALUE);
        fewest[0] = 0;
        int best = 0;
        for (int gone = 1; gone <= spare; gone++) {
            for (int i = 0; i < stock.size(); i++) {
                int less = less(longest, stock.get(i));
                if (less > 0 && less <= gone && fewest[gone - less] < Math.min(count, fewest[gone])) {
                    fewest[gone] = fewest[gone - less] + 1;
                    last[gone] = i;
                }
            }
            best = fewest[gone] <= count ? gone : best;
        }
        Length[] pieces = new Length[count];
        Arrays.fill(pieces, longest);
        for (int gone = best, i = 0; gone > 0; i++) {
            Length piece = stock.get(last[gone]);
            pieces[i] = piece;
            gone -= less(longest, piece);
        }
        Arrays.sort(pieces, (a, b) -> b.compareTo(a));
        return List.of(pieces);
    }

    private static int less(Length longest, Length other) {
        return Math.toIntExact(longest.micrometres() / STEP - other.micrometres() / STEP);
    }

    /** All of them end to end. */
    public Length total() {
        return lengths.stream().reduce(Length.ZERO, Length::plus);
    }

    /** "25 m + 10 m". */
    @Override
    public String toString() {
        return lengths.stream().map(Length::toString).collect(Collectors.joining(" + "));
    }
}
