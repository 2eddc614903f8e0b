package taxon.core.packing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import taxon.core.packing.Completion.Answer;
import taxon.core.packing.Completion.Verdict;

/**
 * Packs runs into given bins, which cost nothing, and as few others as can be.
 *
 * <p>Guarantee: the packing is legal; {@link Packed#atLeast} is a lower bound, by L2 or by a search that came to its end.
 * Two quick packings come first; only where the better one is above the bound are bins counted up from the bound, each
 * count decided by {@link Completion} and {@link LinearRelaxation}.
 */
public final class FewestBins {
    /** Steps of a search before it is given up: some tenths of a second. */
    public static final long STEPS = 2_000_000;

    /** Steps of the first search, which decides most puzzles. */
    private static final long FIRST_STEPS = 20_000;
    /** About how many numbers a linear programme touches while a search takes a step; an estimate, so that both end soon. */
    private static final long NUMBERS_A_STEP = 200;

    private final Grain grain;
    private final List<ItemKind> lots;
    private final List<Bin> all;
    private final int given;
    private final List<Integer> roomiestOthers;
    private long stepsLeft;

    private FewestBins(Grain grain, List<ItemKind> lots, List<Bin> given, List<Bin> others, long steps) {
        this.grain = grain;
        this.lots = lots;
        this.given = given.size();
        all = new ArrayList<>(given);
        all.addAll(others);
        roomiestOthers = IntStream.range(given.size(), all.size())
                .boxed()
                .sorted(Comparator.comparingInt((Integer i) -> -room(all.get(i))))
                .toList();
        stepsLeft = steps;
    }

    /**
     * The best packing found, with its bound. Where not all runs fit, it holds as many as the quick packings placed, and
     * {@code atLeast} is above the number of the others when that is certain.
     *
     * @param lots longest first
     * @param others in the order in which they are preferred; those used need not be the first when the first are narrower
     * @param steps how long to search at most
     */
    public static Packed pack(Grain grain, List<ItemKind> lots, List<Bin> given, List<Bin> others, long steps) {
        return new FewestBins(grain, lots, given, others, steps).best();
    }

    private int others() {
        return all.size() - given;
    }

    private Packed best() {
        int bound = Math.min(others() + 1, bound());
        List<Integer> asPreferred = IntStream.range(given, all.size()).boxed().toList();
        Packed quick = quick(asPreferred, bound);
        if (!isBest(quick, bound) && !asPreferred.equals(roomiestOthers)) {
            quick = better(quick, quick(roomiestOthers, bound));
        }
        if (isBest(quick, bound) || bound > others()) {
            return quick;
        }
        return complete(quick, bound, quick.filling().isWhole() ? quick.used() : others() + 1);
    }

    private static boolean isBest(Packed packed, int bound) {
        return packed.filling().isWhole() && packed.used() == bound;
    }

    /** Counts bins up from the bound to below the best that is known. */
    private Packed complete(Packed known, int bound, int below) {
        int atLeast = bound;
        for (int count = bound; count < below && stepsLeft > 0; count++) {
            Answer answer = decide(count);
            if (answer.verdict() == Verdict.FITS) {
                return new Packed(answer.filling().orElseThrow(), count, atLeast);
            }
            if (answer.verdict() == Verdict.NEVER_FITS && atLeast == count) {
                atLeast = count + 1;
            }
        }
        return new Packed(known.filling(), known.used(), atLeast);
    }

    private Answer decide(int count) {
        List<Integer> order = new ArrayList<>(roomiestOthers.subList(0, count));
        IntStream.range(0, given).forEach(order::add);
        order.sort(Comparator.comparingInt((Integer i) -> room(all.get(i))).thenComparingInt(i -> i));
        Answer answer = search(puzzle(order));
        stepsLeft -= answer.steps();
        if (answer.verdict() == Verdict.NEVER_FITS && !noOtherChoiceIsRoomier(count)) {
            return Answer.undecided(answer.steps());
        }
        return new Answer(answer.verdict(), answer.filling().map(f -> inOrder(f, order)), answer.steps());
    }

    /** A short search first; then fractions, which prove or show the way; then the long search. */
    private Answer search(PackingProblem puzzle) {
        Answer soon = Completion.decide(puzzle, Math.min(stepsLeft, FIRST_STEPS));
        if (soon.verdict() != Verdict.UNDECIDED) {
            return soon;
        }
        long numbers = (stepsLeft - soon.steps()) * NUMBERS_A_STEP / 2;
        LinearRelaxation fractions = LinearRelaxation.of(puzzle.counts(), puzzle.cells, puzzle.most, numbers);
        long steps = soon.steps() + fractions.effort() / NUMBERS_A_STEP;
        if (fractions.isForbidden()) {
            return Answer.never(steps);
        }
        if (puzzle.isWithoutLoads()) {
            Rounding.Found near = Rounding.of(puzzle, fractions, numbers - fractions.effort());
            steps += near.effort() / NUMBERS_A_STEP;
            if (near.filling().isPresent()) {
                return new Answer(Verdict.FITS, near.filling(), steps);
            }
        }
        Answer late = Completion.decide(puzzle, stepsLeft - steps);
        return new Answer(late.verdict(), late.filling(), late.steps() + steps);
    }

    /** True when whatever fits some of the others also fits the roomiest of that number. */
    private boolean noOtherChoiceIsRoomier(int count) {
        if (count == others()) {
            return true;
        }
        Bin least = count == 0 ? new Bin(List.of(), 0) : all.get(roomiestOthers.get(count - 1));
        boolean chosenAbove = roomiestOthers.subList(0, count).stream()
                .allMatch(i -> all.get(i).isAsRoomyAs(least, grain));
        return count == 0
                || (chosenAbove
                        && roomiestOthers.subList(count, others()).stream()
                                .allMatch(i -> least.isAsRoomyAs(all.get(i), grain)));
    }

    private PackingProblem puzzle(List<Integer> order) {
        return new PackingProblem(grain, lots, order.stream().map(all::get).toList());
    }

    /** A filling of some bins as a filling of all. */
    private Filling inOrder(Filling filling, List<Integer> order) {
        List<List<List<Integer>>> byBin = new ArrayList<>();
        List<Integer> none = lots.stream().map(l -> 0).toList();
        all.forEach(b -> byBin.add(b.holes().stream().map(h -> none).toList()));
        for (int i = 0; i < order.size(); i++) {
            byBin.set(order.get(i), filling.byBin().get(i));
        }
        return new Filling(byBin, filling.left());
    }

    private Packed quick(List<Integer> othersInOrder, int bound) {
        List<Integer> order = new ArrayList<>(IntStream.range(0, given).boxed().toList());
        order.addAll(othersInOrder);
        PackingProblem puzzle = puzzle(order);
        Packed byLength = packed(QuickFill.bestFit(puzzle, given), order, bound);
        return isBest(byLength, bound) ? byLength : better(byLength, packed(QuickFill.fullest(puzzle), order, bound));
    }

    private Packed packed(Filling filling, List<Integer> order, int bound) {
        Filling ordered = inOrder(filling, order);
        return new Packed(ordered, ordered.usedFrom(given), bound);
    }

    private static Packed better(Packed one, Packed two) {
        int byLeft = Integer.compare(left(one), left(two));
        int byUsed = byLeft == 0 ? Integer.compare(one.used(), two.used()) : byLeft;
        return byUsed <= 0 ? one : two;
    }

    private static int left(Packed packed) {
        return packed.filling().left().stream().mapToInt(Integer::intValue).sum();
    }

    private static int room(Bin bin) {
        return bin.holes().stream().mapToInt(Hole::length).sum();
    }

    /**
     * How many of the others are needed at least. Each of the others counts as one bin of the widest kind, its holes as one;
     * each hole of a given bin as such a bin that is part filled; L2 counts those bins.
     */
    private int bound() {
        PackingProblem puzzle = puzzle(IntStream.range(0, all.size()).boxed().toList());
        int[] widthOfBin = new int[all.size()];
        IntStream.range(0, puzzle.holes()).forEach(h -> widthOfBin[puzzle.binOf[h]] += puzzle.most[h]);
        int[] givenHoles = IntStream.range(0, puzzle.holes())
                .filter(h -> puzzle.binOf[h] < given)
                .map(h -> puzzle.most[h])
                .toArray();
        int widest = Math.max(
                Arrays.stream(givenHoles).max().orElse(0),
                Arrays.stream(widthOfBin, given, all.size()).max().orElse(0));
        if (widest == 0) {
            return lots.stream().anyMatch(l -> l.count() > 0) ? others() + 1 : 0;
        }
        int[] sizes = IntStream.concat(
                        IntStream.range(0, lots.size())
                                .flatMap(i -> IntStream.generate(() -> Math.min(widest, puzzle.cells[i]))
                                        .limit(lots.get(i).count())),
                        Arrays.stream(givenHoles).map(c -> widest - c))
                .toArray();
        int bins = Math.max(0, LowerBounds.l2(sizes, widest) - givenHoles.length);
        return Math.max(bins, loadBound());
    }

    private int loadBound() {
        long load = lots.stream().mapToLong(l -> (long) l.load() * l.count()).sum()
                - all.subList(0, given).stream().mapToLong(Bin::load).sum();
        int most = all.subList(given, all.size()).stream()
                .mapToInt(Bin::load)
                .max()
                .orElse(Bin.ANY_LOAD);
        return load <= 0 || most == 0 ? 0 : (int) Math.min(others() + 1L, (load + most - 1) / most);
    }
}
