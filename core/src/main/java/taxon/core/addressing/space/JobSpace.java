package taxon.core.addressing.space;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.request.SharingClasses;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.packing.Grain;
import taxon.core.packing.Hole;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;

/**
 * All universes of a job while they are being filled, under the rules of one wish: the one picture of free space. Whatever
 * asks where room is, asks here.
 *
 * <p>A copy shares with its original what neither has changed since.
 */
public final class JobSpace {
    private final Wish wish;
    private final Grain grain;
    private final int last;
    private final Map<Integer, UniverseSpace> own = new HashMap<>();
    private Map<Integer, UniverseSpace> shared;
    private final UniverseSpace untouched;

    private JobSpace(Wish wish, Map<Integer, UniverseSpace> shared) {
        this.wish = wish;
        this.shared = shared;
        grain = grain(wish.spacing());
        last = wish.headroom().lastSlot();
        untouched = new UniverseSpace(grain, last);
    }

    /** What a plan takes under a wish, leaving out the blocks that are lifted off. */
    public static JobSpace of(Plan plan, Wish wish, SharingClasses classes, Predicate<PlannedBlock> lifted) {
        JobSpace space = new JobSpace(wish, Map.of());
        plan.reservedRuns()
                .forEach(r -> space.changed(r.universe().number())
                        .reserve(r.slots().first(), r.slots().last()));
        space.put(plan.blocks().stream().filter(b -> b.start().isPresent() && !lifted.test(b)), classes);
        return space;
    }

    /**
     * This space as it would be without some blocks: the universes that they lie on are read anew, the others are as here.
     *
     * @param here the addressed blocks of a universe
     * @param plan that this space was made of
     */
    JobSpace without(
            Collection<PlannedBlock> lifted,
            Function<UniverseNumber, List<PlannedBlock>> here,
            Plan plan,
            SharingClasses classes) {
        Set<BlockRef> refs = lifted.stream().map(PlannedBlock::ref).collect(Collectors.toSet());
        Set<UniverseNumber> touched = lifted.stream()
                .flatMap(b -> b.start().stream())
                .map(StartAddress::universe)
                .collect(Collectors.toSet());
        JobSpace space = copy();
        space.readAnew(
                touched,
                u -> here.apply(u).stream().filter(b -> !refs.contains(b.ref())).toList(),
                plan,
                classes);
        return space;
    }

    /** Reads the universes of some blocks anew. */
    void readAnew(
            Collection<PlannedBlock> blocks,
            Function<UniverseNumber, List<PlannedBlock>> here,
            Plan plan,
            SharingClasses classes) {
        readAnew(
                blocks.stream()
                        .flatMap(b -> b.start().stream())
                        .map(StartAddress::universe)
                        .collect(Collectors.toSet()),
                here,
                plan,
                classes);
    }

    private void readAnew(
            Set<UniverseNumber> touched,
            Function<UniverseNumber, List<PlannedBlock>> here,
            Plan plan,
            SharingClasses classes) {
        touched.forEach(u -> own.put(u.number(), new UniverseSpace(grain, last)));
        plan.reservedRuns().stream()
                .filter(r -> touched.contains(r.universe()))
                .forEach(r -> changed(r.universe().number())
                        .reserve(r.slots().first(), r.slots().last()));
        put(touched.stream().flatMap(u -> here.apply(u).stream()), classes);
    }

    /** This space, to be filled on without a trace here. */
    public JobSpace copy() {
        Map<Integer, UniverseSpace> all = new HashMap<>(shared);
        all.putAll(own);
        shared = all;
        own.clear();
        return new JobSpace(wish, all);
    }

    private void put(Stream<PlannedBlock> blocks, SharingClasses classes) {
        StandingRun.of(blocks.toList(), classes)
                .forEach(r -> changed(r.universe()).take(r));
    }

    /** Where pieces may begin and how far apart, as a wish says. */
    public static Grain grain(Spacing spacing) {
        return new Grain(spacing.every(), spacing.starts() == Starts.ROUND, spacing.gap());
    }

    /** The wish whose rules hold here. */
    public Wish wish() {
        return wish;
    }

    /** Where pieces may begin and how far apart. */
    public Grain grain() {
        return grain;
    }

    /** The last slot that may be used, as the headroom says. */
    public int lastSlot() {
        return last;
    }

    /** A universe as it is; not to be changed but through here. */
    public UniverseSpace universe(int number) {
        UniverseSpace mine = own.get(number);
        return mine == null ? shared.getOrDefault(number, untouched) : mine;
    }

    private UniverseSpace changed(int number) {
        return own.computeIfAbsent(
                number, n -> shared.getOrDefault(n, untouched).copy());
    }

    /** Puts a piece down, whether or not it fits. */
    public void take(StartAddress start, int length, SharingClass sharingClass, int load) {
        changed(start.universe().number()).take(start.slot().number(), length, sharingClass, load);
    }

    /** Puts a piece down with the room that is kept for it. */
    public void take(StartAddress start, Piece piece) {
        take(start, piece.length(), piece.sharingClass(), piece.load());
    }

    /** The universes that hold a fixture, ascending. */
    public List<Integer> inUse() {
        TreeSet<Integer> numbers = new TreeSet<>(shared.keySet());
        numbers.addAll(own.keySet());
        numbers.removeIf(n -> universe(n).isEmpty());
        return List.copyOf(numbers);
    }

    /** True when a fixture stands on a universe. */
    public boolean isInUse(int universe) {
        return !universe(universe).isEmpty();
    }

    /** The first slot of a universe on which the wish lets something be placed. */
    public int firstSlot(int universe) {
        return universe == wish.from().universe().number() ? wish.from().slot().number() : Slot.FIRST;
    }

    /** The holes of a universe in which something new may be placed; none on one that is not allowed. */
    public List<Hole> holes(int universe) {
        return isAllowed(universe) ? universe(universe).holes(firstSlot(universe)) : List.of();
    }

    /** True for a universe on which the wish lets something be placed. */
    public boolean isAllowed(int universe) {
        return universe >= wish.from().universe().number() && wish.universes().holds(UniverseNumber.of(universe));
    }

    /** True when the line of a universe takes so many fixtures more; where the wish limits no line it always does. */
    public boolean lineTakes(int universe, int load) {
        return load == 0
                || wish.lineLimit()
                        .map(k -> universe(universe).load() + load <= k)
                        .orElse(true);
    }

    /**
     * True when a piece of a class may lie there: every rule of the wish and everything that is there is heeded.
     *
     * @param load how many fixtures it puts on the line
     */
    public boolean isPlace(StartAddress start, int length, SharingClass sharingClass, int load) {
        int number = start.universe().number();
        int slot = start.slot().number();
        UniverseSpace there = universe(number);
        return isAllowed(number)
                && slot >= firstSlot(number)
                && slot + length - 1 <= last
                && grain.isStart(slot)
                && there.accepts(sharingClass)
                && lineTakes(number, load)
                && there.isFree(slot, length);
    }

    /**
     * The first place on one universe at or behind a slot; empty where there is none, or the universe is not allowed.
     *
     * @param load how many fixtures it puts on the line; 0 leaves lines aside
     */
    public Optional<StartAddress> firstFitOn(int universe, int slot, int length, SharingClass sharingClass, int load) {
        if (!isAllowed(universe) || !universe(universe).accepts(sharingClass) || !lineTakes(universe, load)) {
            return Optional.empty();
        }
        int found = universe(universe).firstFit(Math.max(slot, firstSlot(universe)), length);
        return found == 0 ? Optional.empty() : Optional.of(StartAddress.of(universe, found));
    }

    /**
     * The first place at or behind an address, on any universe that is allowed.
     *
     * @param load how many fixtures it puts on the line; 0 leaves lines aside
     */
    public Optional<StartAddress> firstFit(StartAddress from, int length, SharingClass sharingClass, int load) {
        if (length > last) {
            return Optional.empty();
        }
        int first = from.universe().number();
        Optional<Integer> at = allowedFrom(first);
        while (at.isPresent()) {
            int slot = at.get() == first ? from.slot().number() : Slot.FIRST;
            Optional<StartAddress> found = firstFitOn(at.get(), slot, length, sharingClass, load);
            if (found.isPresent()) {
                return found;
            }
            at = allowedFrom(at.get() + 1);
        }
        return Optional.empty();
    }

    /** The lowest universe on which the wish allows anything. */
    public Optional<Integer> firstAllowed() {
        return allowedFrom(wish.from().universe().number());
    }

    /** The next universe at or above a number on which the wish allows anything. */
    public Optional<Integer> allowedFrom(int universe) {
        return wish.universes()
                .atOrAbove(Math.max(universe, wish.from().universe().number()))
                .map(UniverseNumber::number);
    }

    /** The highest universe of which anything is known; 0 when there is none. */
    public int highest() {
        return Math.max(highest(own.keySet()), highest(shared.keySet()));
    }

    private static int highest(Collection<Integer> numbers) {
        return numbers.stream().mapToInt(Integer::intValue).max().orElse(0);
    }
}
