package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.addressing.answer.Trouble;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.space.FilledSpace;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;

/**
 * What becomes of those who were taken as fixed where they are, since the style found no place for them: when all others are
 * placed, each may prove to lie well, may find a place after all, or is left out and keeps what it has.
 */
public final class HeldFixtures {
    /**
     * One of them.
     *
     * @param pieces its own
     * @param starts by piece index: where its pieces come to lie; empty where it stays or is left out
     * @param trouble why it cannot stay; empty where it stays
     */
    public record Outcome(
            Fixture fixture, List<Piece> pieces, Map<Integer, StartAddress> starts, Optional<Trouble> trouble) {
        public boolean stays() {
            return trouble.isEmpty();
        }

        public boolean isLeftOut() {
            return trouble.isPresent() && starts.isEmpty();
        }
    }

    /** What looking for another place for one fixture takes for each fixture of the rig, about, in numbers. */
    private static final int LOOKS_AT_A_FIXTURE = 10;

    private final Task laid;
    private final FilledSpace space;
    private Plan plan;

    private HeldFixtures(Task laid, Plan after) {
        this.laid = laid;
        plan = after;
        space = new FilledSpace(after, laid.request());
    }

    /** @param held keys of those who are no part of the task */
    static List<Outcome> of(Task task, Layout layout, Set<FixtureKey> held) {
        if (held.isEmpty()) {
            return List.of();
        }
        HeldFixtures fixtures = new HeldFixtures(task, placed(task, layout));
        List<Outcome> outcomes = new ArrayList<>();
        held.stream().sorted(Comparator.naturalOrder()).forEach(k -> outcomes.add(fixtures.of(k)));
        return outcomes;
    }

    /** The plan when all of a layout is placed, and who was held and found a place is there. */
    static Plan placed(Laid laid) {
        Plan plan = placed(laid.task(), laid.layout());
        for (Outcome outcome : laid.held()) {
            plan = moved(plan, outcome.fixture(), outcome.pieces(), outcome.starts());
        }
        return plan;
    }

    private static Plan placed(Task task, Layout layout) {
        Plan plan = task.request().plan();
        Map<FixtureKey, Fixture> moved = new TreeMap<>();
        Set<FixtureKey> unplaced = layout.unplaced(task.request().pieces());
        for (Piece piece : task.request().pieces()) {
            layout.start(piece)
                    .filter(a -> !layout.keeps(piece))
                    .ifPresent(a -> piece.addresses(a).forEach((ref, start) -> {
                        if (!unplaced.contains(ref.fixture())) {
                            moved.merge(
                                    ref.fixture(),
                                    plan.fixture(ref.fixture())
                                            .orElseThrow()
                                            .withAddress(ref.block(), Optional.of(start)),
                                    (one, two) -> one.withAddress(ref.block(), Optional.of(start)));
                        }
                    }));
        }
        return plan.with(moved.values());
    }

    private Outcome of(FixtureKey key) {
        Fixture fixture = plan.fixture(key).orElseThrow();
        PlacementRequest alone =
                new PlacementRequest(Scope.CHOSEN, Set.of(key), laid.request().wish());
        JobSpace around = space.without(plan.blocksOf(fixture));
        Task task = new Task(ResolvedRequest.of(plan, alone), around, laid.effort());
        List<Piece> pieces = task.request().pieces();
        laid.effort().spend((long) LOOKS_AT_A_FIXTURE * plan.fixtures().size());
        Optional<Trouble> trouble = trouble(task, fixture);
        if (trouble.isEmpty()) {
            return new Outcome(fixture, pieces, Map.of(), trouble);
        }
        Map<Integer, StartAddress> found = new NearPlaces(task.space()).place(pieces);
        // Whose blocks are to act as one with those of others does not go alone.
        boolean whole = found.size() == pieces.size() && pieces.stream().noneMatch(Piece::shares);
        if (!whole) {
            return new Outcome(fixture, pieces, Map.of(), trouble);
        }
        plan = moved(plan, fixture, pieces, found);
        space.moved(plan.blocksOf(fixture), plan.blocksOf(plan.fixture(key).orElseThrow()));
        return new Outcome(fixture, pieces, found, trouble);
    }

    private Optional<Trouble> trouble(Task task, Fixture fixture) {
        return CurrentPlaces.of(task).stream()
                .findFirst()
                .flatMap(CurrentPlace::trouble)
                .or(() -> isWholly(fixture) ? Optional.empty() : Optional.of(new Trouble.MakesRoom()));
    }

    private boolean isWholly(Fixture fixture) {
        return plan.blocksOf(fixture).stream().allMatch(b -> b.start().isPresent());
    }

    private static Plan moved(Plan plan, Fixture fixture, List<Piece> pieces, Map<Integer, StartAddress> starts) {
        Map<BlockRef, StartAddress> byBlock = new TreeMap<>();
        pieces.forEach(r -> Optional.ofNullable(starts.get(r.index())).ifPresent(a -> byBlock.putAll(r.addresses(a))));
        Fixture now = fixture;
        for (Map.Entry<BlockRef, StartAddress> one : byBlock.entrySet()) {
            if (one.getKey().fixture().equals(fixture.key())) {
                now = now.withAddress(one.getKey().block(), Optional.of(one.getValue()));
            }
        }
        return plan.with(now);
    }
}
