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
import taxon.core.addressing.answer.AddressProposal.NotPlaced;
import taxon.core.addressing.answer.AddressProposal.Obstacle;
import taxon.core.addressing.answer.AddressProposal.Price;
import taxon.core.addressing.answer.AddressProposal.Reason;
import taxon.core.addressing.answer.AddressProposal.Totals;
import taxon.core.addressing.request.BlockRun;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.space.JobSpace;
import taxon.core.addressing.space.Occupancy;
import taxon.core.addressing.space.UniverseSpace;
import taxon.core.addressing.style.Layout;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.packing.Hole;
import taxon.core.proof.Standing;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.edit.AddressEdits;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.ShareEdits;

/** Turns a layout into a proposal: moves with their reasons, what stays, what finds no place, the price. */
final class ProposalMaker {
    private final ResolvedRequest asked;
    private final Layout layout;
    private final JobSpace ground;
    private final Set<FixtureKey> halves = new HashSet<>();
    private final List<BlockRun> placed = new ArrayList<>();
    private final List<Move> moves = new ArrayList<>();
    private final List<PlannedBlock> stays = new ArrayList<>();
    private final Map<BlockRef, Optional<StartAddress>> addresses = new LinkedHashMap<>();
    private final Map<FixtureKey, boolean[]> moved = new LinkedHashMap<>();

    ProposalMaker(ResolvedRequest asked, Layout layout) {
        this.asked = asked;
        this.layout = layout;
        ground = asked.ground();
    }

    AddressProposal make() {
        findHalves();
        Reasons reasons = new Reasons(asked, layout, placed);
        asked.runs().forEach(r -> add(r, reasons));
        asked.locked().forEach(f -> stays.addAll(asked.plan().blocksOf(f)));
        seatAll();
        List<NotPlaced> notPlaced = notPlaced();
        return new AddressProposal(
                title(),
                edit(),
                moves,
                stays,
                notPlaced,
                new Breaks(asked, layout, placed, ground).all(),
                modesToSet(),
                price(),
                totals(),
                // Where something found no place, nothing is claimed of the rest.
                halves.isEmpty() ? layout.proof() : new AddressProposal.Proof.None());
    }

    private void findHalves() {
        for (BlockRun run : asked.runs()) {
            if (layout.start(run).isEmpty() && !layout.keeps(run)) {
                run.fixtures().forEach(f -> halves.add(f.key()));
            }
        }
        for (BlockRun run : asked.runs()) {
            if (isPlaced(run)) {
                placed.add(run);
            }
        }
    }

    private boolean isPlaced(BlockRun run) {
        boolean found = layout.start(run).isPresent() || layout.keeps(run);
        return found && (run.shares() || !halves.contains(run.fixture().key()));
    }

    private void add(BlockRun run, Reasons reasons) {
        if (!isPlaced(run)) {
            run.blocks().stream().filter(b -> b.start().isPresent()).forEach(b -> change(b, Optional.empty()));
        } else if (layout.keeps(run)) {
            stays.addAll(run.blocks());
        } else {
            addBlocks(run, layout.start(run).orElseThrow(), reasons.of(run));
        }
    }

    private void addBlocks(BlockRun run, StartAddress start, Reason first) {
        int slot = start.slot().number();
        Reason reason = first;
        for (PlannedBlock block : run.blocks()) {
            StartAddress at = new StartAddress(start.universe(), Slot.of(slot));
            if (block.start().equals(Optional.of(at))) {
                stays.add(block);
            } else {
                moves.add(new Move(block, block.start(), at, Standing.of(block, asked.plan()), reason));
                change(block, Optional.of(at));
            }
            reason = run.shares()
                    ? new Reason.Shares(run.blocks().get(0).label())
                    : new Reason.Follows(block.label(), 0);
            slot += run.shares() ? 0 : block.footprint();
        }
    }

    private void change(PlannedBlock block, Optional<StartAddress> to) {
        addresses.put(block.ref(), to);
        boolean[] known = moved.computeIfAbsent(block.fixture().key(), k -> new boolean[] {false, isSet(block)});
        known[0] |= block.start().isPresent();
    }

    private boolean isSet(PlannedBlock block) {
        return asked.plan().blocksOf(block.fixture()).stream()
                .anyMatch(b -> Standing.of(b, asked.plan()).isSet());
    }

    private void seatAll() {
        for (BlockRun run : placed) {
            if (layout.keeps(run)) {
                run.blocks()
                        .forEach(b ->
                                ground.take(b.start().orElseThrow(), b.footprint(), run.company(), JobSpace.load(b)));
            } else if (!asked.forced().containsKey(run.index())) {
                ground.take(
                        layout.start(run).orElseThrow(),
                        run.blocks().stream()
                                .mapToInt(PlannedBlock::footprint)
                                .reduce(0, run.shares() ? Math::max : Integer::sum),
                        run.company(),
                        run.load());
            }
        }
    }

    private List<NotPlaced> notPlaced() {
        List<NotPlaced> all = new ArrayList<>(asked.refused());
        Set<FixtureKey> told = new HashSet<>();
        asked.runs().stream()
                .filter(r -> layout.start(r).isEmpty() && !layout.keeps(r))
                .forEach(r -> r.fixtures().filter(f -> told.add(f.key())).forEach(f -> all.add(notPlaced(f, r))));
        return all;
    }

    private NotPlaced notPlaced(Fixture fixture, BlockRun run) {
        if (run.length() > ground.lastSlot()) {
            return NotPlaced.of(fixture, Obstacle.TOO_LONG, run.length());
        }
        Optional<Occupancy.FreeRun> largest = Optional.empty();
        Optional<Integer> at = ground.allowedFrom(Slot.FIRST);
        while (at.isPresent()) {
            int universe = at.get();
            if (ground.floor(universe).accepts(run.company())) {
                for (Hole hole : ground.holes(universe)) {
                    if (largest.isEmpty()
                            || hole.length() > largest.get().slots().length()) {
                        largest = Optional.of(new Occupancy.FreeRun(
                                UniverseNumber.of(universe), new SlotRange(hole.first(), hole.last())));
                    }
                }
            }
            at = ground.allowedFrom(universe + 1);
        }
        boolean open = largest.isPresent() && largest.get().slots().length() < run.length();
        return new NotPlaced(
                fixture,
                open ? Obstacle.NO_ROOM : Obstacle.NO_UNIVERSE,
                run.length(),
                open ? largest : Optional.empty());
    }

    private String title() {
        int fixtures = moved.size();
        String count = fixtures == 1 ? "1 fixture" : fixtures + " fixtures";
        return switch (asked.wish().style()) {
            case IN_ORDER -> count + " from " + asked.wish().from();
            case FEWEST_UNIVERSES -> count + " on the fewest universes";
            case LEAST_CHANGE -> count + " with the least change";
            case COMPACT_BY_PORT -> count + " port by port";
        };
    }

    private Edit edit() {
        List<Edit> edits = new ArrayList<>();
        edits.add(AddressEdits.put(title(), addresses));
        asked.newShares().forEach(blocks -> edits.add(ShareEdits.share(blocks, "act as one")));
        return edits.size() == 1 ? edits.get(0) : Edit.inTurn(title(), edits);
    }

    private Price price() {
        int touched = 0;
        int planned = 0;
        int first = 0;
        for (boolean[] hadAddressAndSet : moved.values()) {
            if (!hadAddressAndSet[0]) {
                first++;
            } else if (hadAddressAndSet[1]) {
                touched++;
            } else {
                planned++;
            }
        }
        return new Price(touched, planned, first);
    }

    private Totals totals() {
        int slots = 0;
        int free = 0;
        List<Integer> inUse = ground.inUse();
        for (int universe : inUse) {
            UniverseSpace floor = ground.floor(universe);
            slots += floor.used();
            free += floor.free();
        }
        return new Totals(inUse.size(), slots, free);
    }

    /** Those that keep their address while their unit was last set to another mode. */
    private List<Fixture> modesToSet() {
        Map<FixtureKey, Fixture> found = new TreeMap<>();
        if (!asked.plan().knowsUnits()) {
            return List.of();
        }
        for (PlannedBlock block : stays) {
            boolean other = !moved.containsKey(block.fixture().key())
                    && Standing.latest(asked.plan().evidence(block.ref()))
                            .filter(m -> !m.mode().equals(block.mode().name()))
                            .isPresent();
            if (other) {
                found.put(block.fixture().key(), block.fixture());
            }
        }
        return List.copyOf(found.values());
    }
}
