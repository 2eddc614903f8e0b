package taxon.core.addressing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import taxon.core.addressing.Proposal.Move;
import taxon.core.addressing.Proposal.NotPlaced;
import taxon.core.addressing.Proposal.Obstacle;
import taxon.core.addressing.Proposal.Price;
import taxon.core.addressing.Proposal.Reason;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Facts.Reach;
import taxon.core.proof.Standing;
import taxon.core.rig.AddressEdits;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/**
 * Places fixtures one after the other in the order of their IDs, each at the first free place after the one before.
 *
 * <p>Guarantees: addresses ascend; no placed run overlaps another, passes slot 512 or touches a reserved run; a fixture is
 * placed whole or not at all, its blocks following on within one universe (one line feeds a unit), unless they are longer
 * than a universe, when each block is placed by itself. Time: linear in the fixtures and the universes walked through.
 */
public final class InOrderPlanner {
    private final Plan plan;
    private final PlacementRequest request;
    private final Occupancy occupancy;
    private final List<Move> moves = new ArrayList<>();
    private final List<PlannedBlock> stays = new ArrayList<>();
    private final List<NotPlaced> notPlaced = new ArrayList<>();
    private Optional<StartAddress> cursor;
    private Optional<String> previous = Optional.empty();

    private InOrderPlanner(Plan plan, PlacementRequest request, Set<FixtureKey> asked) {
        this.plan = plan;
        this.request = request;
        occupancy = Occupancy.of(plan, asked);
        cursor = Optional.of(request.from());
    }

    public static Proposal propose(Plan plan, PlacementRequest request) {
        List<Fixture> asked =
                plan.fixtures().stream().filter(f -> isAsked(plan, request, f)).toList();
        InOrderPlanner planner = new InOrderPlanner(
                plan, request, new HashSet<>(asked.stream().map(Fixture::key).toList()));
        asked.forEach(planner::place);
        return planner.proposal();
    }

    private static boolean isAsked(Plan plan, PlacementRequest request, Fixture fixture) {
        return switch (request.scope()) {
            case ALL -> true;
            case CHOSEN -> request.chosen().contains(fixture.key());
            case UNPLACED ->
                plan.mode(fixture).isEmpty()
                        || plan.blocksOf(fixture).stream()
                                .anyMatch(b -> b.start().isEmpty());
        };
    }

    private void place(Fixture fixture) {
        List<PlannedBlock> blocks = plan.blocksOf(fixture);
        int slots = blocks.stream().mapToInt(PlannedBlock::footprint).sum();
        if (blocks.isEmpty()) {
            notPlaced.add(new NotPlaced(fixture, Obstacle.MODE_MISSING, 0));
        } else if (plan.type(fixture).reach() == Reach.APP_ONLY) {
            notPlaced.add(new NotPlaced(fixture, Obstacle.NEVER_HEARS, slots));
        } else if (!placeRuns(
                slots <= Slot.LAST
                        ? List.of(blocks)
                        : blocks.stream().map(List::of).toList())) {
            notPlaced.add(new NotPlaced(fixture, Obstacle.NO_ROOM, slots));
        }
    }

    /** Places all runs of a fixture, or none. */
    private boolean placeRuns(List<List<PlannedBlock>> runs) {
        Optional<StartAddress> cursorBefore = cursor;
        List<Move> found = new ArrayList<>();
        for (List<PlannedBlock> run : runs) {
            if (!placeRun(run, found)) {
                cursor = cursorBefore;
                return false;
            }
        }
        found.forEach(this::take);
        previous = Optional.of(runs.get(0).get(0).fixture().label());
        return true;
    }

    private boolean placeRun(List<PlannedBlock> run, List<Move> found) {
        int length = run.stream().mapToInt(PlannedBlock::footprint).sum();
        Optional<StartAddress> place = cursor.flatMap(c -> occupancy.firstFit(c, length, request.gap()));
        if (place.isEmpty()) {
            return false;
        }
        Reason reason = reason(place.get(), length);
        int slot = place.get().slot().number();
        for (PlannedBlock block : run) {
            StartAddress start = new StartAddress(place.get().universe(), Slot.of(slot));
            found.add(new Move(block, block.start(), start, Standing.of(block, plan), reason));
            reason = new Reason.Follows(block.label(), 0);
            slot += block.footprint();
        }
        // The gap is kept by the search for the next place.
        cursor = place.get().after(length);
        return true;
    }

    private void take(Move move) {
        StartAddress at = move.after();
        occupancy.take(at.universe(), SlotRange.clipped(at.slot(), move.block().footprint()));
        if (move.before().equals(Optional.of(at))) {
            stays.add(move.block());
        } else {
            moves.add(move);
        }
    }

    private Reason reason(StartAddress place, int length) {
        StartAddress sought = cursor.orElseThrow();
        if (!place.universe().equals(sought.universe())) {
            return new Reason.NextUniverse(sought.universe(), length);
        }
        int expected =
                sought.slot().number() + (previous.isPresent() && sought.slot().number() > 1 ? request.gap() : 0);
        if (place.slot().number() > expected) {
            return new Reason.Around(
                    new SlotRange(sought.slot().number(), place.slot().number() - 1));
        }
        return previous.isPresent() ? new Reason.Follows(previous.get(), request.gap()) : new Reason.Start();
    }

    private Proposal proposal() {
        Map<BlockRef, Optional<StartAddress>> addresses = new TreeMap<>();
        moves.forEach(m -> addresses.put(m.ref(), Optional.of(m.after())));
        long fixtures = moves.stream().map(m -> m.ref().fixture()).distinct().count();
        String title = (fixtures == 1 ? "1 fixture" : fixtures + " fixtures") + " from " + request.from();
        return new Proposal(title, AddressEdits.put(title, addresses), moves, stays, notPlaced, price());
    }

    private Price price() {
        Map<FixtureKey, List<Move>> byFixture =
                moves.stream().collect(Collectors.groupingBy(m -> m.ref().fixture()));
        int touched = (int) byFixture.values().stream()
                .filter(l -> l.stream().anyMatch(Move::touchesUnit))
                .count();
        int first = (int) byFixture.values().stream()
                .filter(l -> l.stream().noneMatch(Move::touchesUnit)
                        && l.stream().allMatch(m -> m.before().isEmpty()))
                .count();
        return new Price(touched, byFixture.size() - touched - first, first);
    }
}
