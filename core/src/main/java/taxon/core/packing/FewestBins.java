package taxon.core.packing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
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
    /** What the first search may take, which decides most problems. */
    private static final long FIRST_NUMBERS = 4_000_000;
    /** A bound that is further than this below what was found is asked about from above first. */
    private static final int FAR = 3;

    private final Grain grain;
    private final List<ItemKind> kinds;
    private final List<Bin> all;
    private final int given;
    private final List<Integer> roomiestOthers;
    private final Effort effort;

    private FewestBins(Grain grain, List<ItemKind> kinds, List<Bin> given, List<Bin> others, Effort effort) {
        this.grain = grain;
        this.kinds = kinds;
        this.given = given.size();
        all = new ArrayList<>(given);
        all.addAll(others);
        roomiestOthers = IntStream.range(given.size(), all.size())
                .boxed()
                .sorted(Comparator.comparingInt((Integer i) -> -room(all.get(i))))
                .toList();
        this.effort = effort;
    }

    /**
     * The best packing found, with its bound. Where not all runs fit, it holds as many as the quick packings placed, and
     * {@code atLeast} is above the number of the others when that is certain.
     *
     * @param kinds longest first
     * @param others in the order in which they are preferred; those used need not be the first when the first are narrower
     * @param effort ends the search when it is spent
     */
    public static Packed pack(Grain grain, List<ItemKind> kinds, List<Bin> given, List<Bin> others, Effort effort) {
        return new FewestBins(grain, kinds, given, others, effort).best();
    }

    /** How many of the others are needed at least, by L2 and by loads; nothing is searched. */
    public static int bound(Grain grain, List<ItemKind> kinds, List<Bin> given, List<Bin> others) {
        FewestBins bins = new FewestBins(grain, kinds, given, others, Effort.of(0));
        return Math.min(bins.others() + 1, bins.bound());
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

    /** Where the best that is known is far above the bound, one fewer than it is asked for first: a proof there saves all others. */
    private Packed complete(Packed known, int bound, int below) {
        if (below - bound <= FAR) {
            return countedUp(known, bound, below);
        }
        Answer near = effort.within(effort.left() / 4, e -> decide(below - 1, e));
        return switch (near.verdict()) {
            case NEVER_FITS -> new Packed(known.filling(), known.used(), below);
            case FITS -> countedUp(new Packed(near.filling().orElseThrow(), below - 1, bound), bound, below - 1);
            case UNDECIDED -> countedUp(known, bound, below);
        };
    }

    /** Counts bins up from the bound to below the best that is known. */
    private Packed countedUp(Packed known, int bound, int below) {
        int atLeast = bound;
        for (int count = bound; count < below && !effort.isSpent(); count++) {
            Answer answer = decide(count, effort);
            if (answer.verdict() == Verdict.FITS) {
                return new Packed(answer.filling().orElseThrow(), count, atLeast);
            }
            if (answer.verdict() == Verdict.NEVER_FITS && atLeast == count) {
                atLeast = count + 1;
            }
        }
        return new Packed(known.filling(), known.used(), atLeast);
    }

    private Answer decide(int count, Effort within) {
        List<Integer> order = new ArrayList<>(roomiestOthers.subList(0, count));
        IntStream.range(0, given).forEach(order::add);
        order.sort(Comparator.comparingInt((Integer i) -> room(all.get(i))).thenComparingInt(i -> i));
        Answer answer = search(problem(order), within);
        if (answer.verdict() == Verdict.NEVER_FITS && !noOtherChoiceIsRoomier(count)) {
            return Answer.UNDECIDED;
        }
        return new Answer(answer.verdict(), answer.filling().map(f -> inOrder(f, order)));
    }

    /** A short search first; then the linear programme, which proves or shows the way; then the long search. */
    private static Answer search(PackingProblem problem, Effort effort) {
        Answer soon = effort.within(FIRST_NUMBERS, e -> Completion.decide(problem, e));
        if (soon.verdict() != Verdict.UNDECIDED) {
            return soon;
        }
        LinearRelaxation relaxation = effort.within(
                effort.left() / 4, e -> LinearRelaxation.of(problem.counts(), problem.steps, problem.most, e));
        if (relaxation.isForbidden()) {
            return Answer.NEVER;
        }
        if (problem.isWithoutLoads()) {
            Optional<Filling> near = effort.within(effort.left() / 2, e -> rounded(problem, relaxation, e));
            if (near.isPresent()) {
                return Answer.fits(near.get());
            }
        }
        return Completion.decide(problem, effort);
    }

    private static Optional<Filling> rounded(PackingProblem problem, LinearRelaxation relaxation, Effort effort) {
        if (problem.isApart()) {
            return Rounding.of(problem, relaxation, effort);
        }
        PackingProblem apart = problem.apart();
        return Rounding.of(apart, LinearRelaxation.of(apart.counts(), apart.steps, apart.most, effort), effort);
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

    private PackingProblem problem(List<Integer> order) {
        return new PackingProblem(grain, kinds, order.stream().map(all::get).toList());
    }

    /** A filling of some bins as a filling of all. */
    private Filling inOrder(Filling filling, List<Integer> order) {
        List<List<List<Integer>>> byBin = new ArrayList<>();
        List<Integer> none = kinds.stream().map(l -> 0).toList();
        all.forEach(b -> byBin.add(b.holes().stream().map(h -> none).toList()));
        for (int i = 0; i < order.size(); i++) {
            byBin.set(order.get(i), filling.byBin().get(i));
        }
        return new Filling(byBin, filling.left());
    }

    private Packed quick(List<Integer> othersInOrder, int bound) {
        List<Integer> order = new ArrayList<>(IntStream.range(0, given).boxed().toList());
        order.addAll(othersInOrder);
        PackingProblem problem = problem(order);
        Packed byLength = packed(QuickFill.bestFit(problem, given), order, bound);
        return isBest(byLength, bound) ? byLength : better(byLength, packed(QuickFill.fullest(problem), order, bound));
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
        PackingProblem problem = problem(IntStream.range(0, all.size()).boxed().toList());
        int[] widthOfBin = new int[all.size()];
        IntStream.range(0, problem.holes()).forEach(h -> widthOfBin[problem.binOf[h]] += problem.most[h]);
        int[] givenHoles = IntStream.range(0, problem.holes())
                .filter(h -> problem.binOf[h] < given)
                .map(h -> problem.most[h])
                .toArray();
        int widest = Math.max(
                Arrays.stream(givenHoles).max().orElse(0),
                Arrays.stream(widthOfBin, given, all.size()).max().orElse(0));
        if (widest == 0) {
            return kinds.stream().anyMatch(l -> l.count() > 0) ? others() + 1 : 0;
        }
        int[] sizes = IntStream.concat(
                        IntStream.range(0, kinds.size())
                                .flatMap(i -> IntStream.generate(() -> Math.min(widest, problem.steps[i]))
                                        .limit(kinds.get(i).count())),
                        Arrays.stream(givenHoles).map(c -> widest - c))
                .toArray();
        int bins = Math.max(0, LowerBounds.l2(sizes, widest) - givenHoles.length);
        return Math.max(bins, loadBound());
    }

    private int loadBound() {
        long load = kinds.stream().mapToLong(l -> (long) l.load() * l.count()).sum()
                - all.subList(0, given).stream().mapToLong(Bin::load).sum();
        int most = all.subList(given, all.size()).stream()
                .mapToInt(Bin::load)
                .max()
                .orElse(Bin.ANY_LOAD);
        if (load <= 0) {
            return 0;
        }
        // Where the others take no load at all, what the given ones do not take fits nowhere.
        return most == 0 ? others() + 1 : (int) Math.min(others() + 1L, (load + most - 1) / most);
    }
}
