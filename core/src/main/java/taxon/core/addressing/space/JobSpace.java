package taxon.core.addressing.space;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import taxon.core.addressing.request.BlockRun;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.request.SharingClasses;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Facts.Reach;
import taxon.core.packing.Grain;
import taxon.core.packing.Hole;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;

/** All universes while they are being filled, under the rules of one wish. */
public final class JobSpace {
    private final Wish wish;
    private final Grain grain;
    private final int last;
    private final Map<Integer, UniverseSpace> floors = new HashMap<>();

    private JobSpace(Wish wish) {
        this.wish = wish;
        grain = grain(wish.spacing());
        last = wish.headroom().lastSlot();
    }

    /** What a plan takes, leaving out the fixtures that are lifted off. */
    public static JobSpace of(Plan plan, Wish wish, SharingClasses companies, Set<FixtureKey> lifted) {
        return of(plan, wish, companies, b -> lifted.contains(b.fixture().key()));
    }

    /** What a plan takes, leaving out the blocks that are lifted off. */
    public static JobSpace of(Plan plan, Wish wish, SharingClasses companies, Predicate<PlannedBlock> lifted) {
        JobSpace ground = new JobSpace(wish);
        plan.reservedRuns()
                .forEach(r -> ground.floor(r.universe().number())
                        .reserve(r.slots().first(), r.slots().last()));
        for (PlannedBlock block : plan.blocks()) {
            if (block.start().isPresent() && !lifted.test(block)) {
                StartAddress start = block.start().get();
                ground.take(
                        start,
                        block.footprint(),
                        companies.of(block.fixture(), block.ref().block()),
                        load(block));
            }
        }
        return ground;
    }

    static Grain grain(Spacing spacing) {
        return new Grain(spacing.every(), spacing.starts() == Starts.ROUND, spacing.gap());
    }

    /** A fixture counts on the line of its first block; what hears by radio only counts on none. */
    public static int load(PlannedBlock block) {
        return block.ref().block() == 1 && block.type().reach() == Reach.LINE ? 1 : 0;
    }

    public Wish wish() {
        return wish;
    }

    public Grain grain() {
        return grain;
    }

    public int lastSlot() {
        return last;
    }

    public UniverseSpace floor(int universe) {
        return floors.computeIfAbsent(universe, u -> new UniverseSpace());
    }

    public void take(StartAddress start, int length, SharingClass company, int load) {
        int first = start.slot().number();
        floor(start.universe().number()).take(first, first + length - 1, company, load);
    }

    public void take(StartAddress start, BlockRun run) {
        take(start, run.length(), run.company(), run.load());
    }

    /** The universes that hold a fixture, ascending. */
    public List<Integer> inUse() {
        return floors.entrySet().stream()
                .filter(e -> !e.getValue().isEmpty())
                .map(Map.Entry::getKey)
                .sorted()
                .toList();
    }

    public boolean isInUse(int universe) {
        UniverseSpace floor = floors.get(universe);
        return floor != null && !floor.isEmpty();
    }

    /** The holes of a universe in which something new may be placed. */
    public List<Hole> holes(int universe) {
        int from =
                universe == wish.from().universe().number() ? wish.from().slot().number() : Slot.FIRST;
        return floor(universe).holes(from, last, grain);
    }

    /** True for a universe on which the wish lets something be placed. */
    public boolean isAllowed(int universe) {
        return universe >= wish.from().universe().number() && wish.universes().holds(UniverseNumber.of(universe));
    }

    /** The first place on one universe from a slot on, where the wish allows it; as {@link UniverseSpace#firstFit}. */
    public Optional<StartAddress> firstFitOn(int universe, int slot, BlockRun run) {
        if (!isAllowed(universe) || !floor(universe).accepts(run.company())) {
            return Optional.empty();
        }
        int from = universe == wish.from().universe().number()
                ? Math.max(slot, wish.from().slot().number())
                : slot;
        int found = floor(universe).firstFit(from, last, run.length(), grain);
        return found == 0 ? Optional.empty() : Optional.of(StartAddress.of(universe, found));
    }

    /** The next universe at or above a number on which the wish allows anything. */
    public Optional<Integer> allowedFrom(int number) {
        return wish.universes()
                .atOrAbove(Math.max(number, wish.from().universe().number()))
                .map(UniverseNumber::number);
    }

    /** The highest universe that anything was placed on or looked for; 0 when there is none. */
    public int highest() {
        return floors.keySet().stream().mapToInt(Integer::intValue).max().orElse(0);
    }
}
