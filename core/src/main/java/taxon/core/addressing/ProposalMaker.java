package taxon.core.addressing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.AddressProposal.Move;
import taxon.core.addressing.answer.AddressProposal.Totals;
import taxon.core.addressing.answer.LeftOut;
import taxon.core.addressing.answer.Obstacle;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.space.JobSpace;
import taxon.core.addressing.style.HeldFixtures;
import taxon.core.addressing.style.Laid;
import taxon.core.addressing.style.Layout;
import taxon.core.dmx.StartAddress;
import taxon.core.proof.Price;
import taxon.core.proof.Standing;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.edit.AddressEdits;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.ShareEdits;

/** Turns a layout into a proposal: moves with their reasons, what stays, what finds no place, the price. */
final class ProposalMaker {
    private final ResolvedRequest request;
    private final Layout layout;
    private final Laid laid;
    private final Set<FixtureKey> unplaced;
    private final List<Piece> placed = new ArrayList<>();
    private final List<Move> moves = new ArrayList<>();
    private final List<PlannedBlock> stays = new ArrayList<>();
    private final List<LeftOut> leftOut = new ArrayList<>();
    private final Map<BlockRef, Optional<StartAddress>> addresses = new LinkedHashMap<>();
    private final Map<FixtureKey, Moved> moved = new LinkedHashMap<>();

    /** What is known of a fixture that moves. */
    private record Moved(boolean hadAddress, boolean wasSet) {}

    ProposalMaker(Laid laid) {
        this.laid = laid;
        request = laid.task().request();
        layout = laid.layout();
        unplaced = layout.unplaced(request.pieces());
    }

    AddressProposal make() {
        request.pieces().stream().filter(this::isPlaced).forEach(placed::add);
        Reasons reasons = new Reasons(laid.task(), layout, placed);
        placed.forEach(r -> add(r, reasons));
        request.locked().forEach(f -> stays.addAll(request.plan().blocksOf(f)));
        List<HeldFixtures.Outcome> held = laid.held();
        held.forEach(this::add);
        tellLeftOut(held);
        Plan after = after();
        JobSpace space = JobSpace.of(after, request.wish(), request.classes(), b -> false);
        return new AddressProposal(
                title(),
                edit(),
                moves,
                stays,
                leftOut,
                isCertain(),
                new Breaks(laid.task(), layout, placed, space).all(),
                modesToSet(),
                price(),
                totals(space),
                // Where something found no place, nothing is claimed of the rest.
                laid.left() == 0 ? layout.optimum() : new Optimum.Unclaimed());
    }

    private boolean isPlaced(Piece piece) {
        return layout.places(piece)
                && (piece.shares() || !unplaced.contains(piece.fixture().key()));
    }

    private void add(Piece piece, Reasons reasons) {
        if (layout.keeps(piece)) {
            stays.addAll(whole(piece));
        } else {
            addBlocks(piece, layout.start(piece).orElseThrow(), reasons.of(piece));
        }
    }

    private void addBlocks(Piece piece, StartAddress start, Reason first) {
        Map<BlockRef, StartAddress> byBlock = piece.addresses(start);
        Reason reason = first;
        for (PlannedBlock block : whole(piece)) {
            StartAddress at = Optional.ofNullable(byBlock.get(block.ref())).orElseThrow();
            if (block.start().equals(Optional.of(at))) {
                stays.add(block);
            } else {
                moves.add(new Move(block, block.start(), at, Standing.of(block, request.plan()), reason));
                change(block, at);
            }
            reason = piece.shares()
                    ? new Reason.Shares(piece.blocks().get(0).label())
                    : new Reason.Follows(block.label(), 0);
        }
    }

    /** The blocks of those who are placed whole: where several act as one, one that is left out keeps what it has. */
    private List<PlannedBlock> whole(Piece piece) {
        return piece.blocks().stream()
                .filter(b -> !unplaced.contains(b.ref().fixture()))
                .toList();
    }

    private void add(HeldFixtures.Outcome held) {
        if (held.stays()) {
            stays.addAll(request.plan().blocksOf(held.fixture()));
        }
        held.trouble()
                .filter(t -> !held.isLeftOut())
                .ifPresent(t -> held.pieces()
                        .forEach(r -> addBlocks(
                                r,
                                Optional.ofNullable(held.starts().get(r.index()))
                                        .orElseThrow(),
                                held.fixture().addresses().isEmpty() ? new Reason.LeftFree() : new Reason.Leaves(t))));
    }

    private void change(PlannedBlock block, StartAddress to) {
        addresses.put(block.ref(), Optional.of(to));
        Fixture fixture = block.fixture();
        moved.computeIfAbsent(fixture.key(), k -> new Moved(!fixture.addresses().isEmpty(), wasSet(fixture)));
    }

    private boolean wasSet(Fixture fixture) {
        return request.plan().blocksOf(fixture).stream()
                .anyMatch(b -> Standing.of(b, request.plan()).isSet());
    }

    private Plan after() {
        return AddressEdits.put(title(), addresses).applyTo(request.plan()) instanceof Edit.Changed changed
                ? changed.plan()
                : request.plan();
    }

    private void tellLeftOut(List<HeldFixtures.Outcome> held) {
        request.refused().forEach(r -> leftOut.add(new LeftOut(r.fixture(), obstacle(r.cause()), r.slots())));
        if (unplaced.isEmpty() && held.stream().noneMatch(HeldFixtures.Outcome::isLeftOut)) {
            return;
        }
        Obstacles obstacles = new Obstacles(after(), request);
        Map<FixtureKey, List<Piece>> open = new LinkedHashMap<>();
        request.pieces()
                .forEach(r -> r.fixtures()
                        .filter(f -> unplaced.contains(f.key()))
                        .forEach(f -> open.computeIfAbsent(f.key(), k -> new ArrayList<>())
                                .add(r)));
        open.forEach((key, pieces) ->
                leftOut.add(obstacles.of(request.plan().fixture(key).orElseThrow(), pieces)));
        held.stream()
                .filter(HeldFixtures.Outcome::isLeftOut)
                .forEach(o -> leftOut.add(obstacles.of(o.fixture(), o.pieces())));
    }

    private static Obstacle obstacle(ResolvedRequest.Cause cause) {
        return switch (cause) {
            case MODE_MISSING -> new Obstacle.ModeMissing();
            case NEVER_HEARS -> new Obstacle.NeverHears();
            case LOCKED -> new Obstacle.Locked();
        };
    }

    /** Who cannot be asked for is left out in every plan; of the others the bound of the layout tells. */
    private boolean isCertain() {
        int others = leftOut.size() - request.refused().size();
        // Fixtures that share a piece may be counted twice by the bound.
        return others == 0 || (request.pieces().stream().noneMatch(Piece::shares) && laid.leftAtLeast() >= others);
    }

    private String title() {
        int fixtures = moved.size();
        String count = fixtures == 1 ? "1 fixture" : fixtures + " fixtures";
        return switch (request.wish().style()) {
            case IN_ORDER -> count + " from " + request.wish().from();
            case FEWEST_UNIVERSES -> count + " on the fewest universes";
            case LEAST_CHANGE -> count + " with the least change";
            case COMPACT_BY_PORT -> count + " port by port";
        };
    }

    private Edit edit() {
        List<Edit> edits = new ArrayList<>();
        edits.add(AddressEdits.put(title(), addresses));
        Set<BlockRef> given = new HashSet<>();
        placed.forEach(r -> whole(r).forEach(b -> given.add(b.ref())));
        request.newShares().stream()
                .map(blocks -> blocks.stream().filter(given::contains).toList())
                .filter(blocks -> blocks.size() > 1)
                .forEach(blocks -> edits.add(ShareEdits.share(Set.copyOf(blocks), "act as one")));
        return edits.size() == 1 ? edits.get(0) : Edit.inTurn(title(), edits);
    }

    private Price price() {
        int first = (int) moved.values().stream().filter(m -> !m.hadAddress()).count();
        int touched = (int) moved.values().stream()
                .filter(m -> m.hadAddress() && m.wasSet())
                .count();
        return new Price(touched, moved.size() - first - touched, first);
    }

    private static Totals totals(JobSpace space) {
        List<Integer> inUse = space.inUse();
        int slots = inUse.stream().mapToInt(u -> space.universe(u).used()).sum();
        int free = inUse.stream().mapToInt(u -> space.universe(u).free()).sum();
        return new Totals(inUse.size(), slots, free);
    }

    /** Those that keep their address while their unit was last set to another mode. */
    private List<Fixture> modesToSet() {
        Map<FixtureKey, Fixture> found = new TreeMap<>();
        if (!request.plan().knowsUnits()) {
            return List.of();
        }
        for (PlannedBlock block : stays) {
            boolean other = !moved.containsKey(block.fixture().key())
                    && Standing.latest(request.plan().evidence(block.ref()))
                            .filter(m -> !m.mode().equals(block.mode().name()))
                            .isPresent();
            if (other) {
                found.put(block.fixture().key(), block.fixture());
            }
        }
        return List.copyOf(found.values());
    }
}
