package taxon.core.finding;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.request.RoomForMode;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.SlotIndex.Seat;
import taxon.core.fixture.TypeId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;

/** Rules about what was asked for: gaps, headroom, room for longer modes, hazards apart. Each looks at one universe a time. */
final class WishRules {
    private final SlotIndex index;
    private final Wish wish;

    /** Where no wish is in force, only what holds without one is checked. */
    WishRules(SlotIndex index) {
        this.index = index;
        wish = index.plan().wish().orElse(Wish.USUAL);
    }

    /** One for each block that begins nearer behind its neighbour than the gap in force. */
    List<Finding> gapShort() {
        List<Finding> found = new ArrayList<>();
        int gap = wish.spacing().gap();
        for (List<Seat> seats :
                gap == 0 ? List.<List<Seat>>of() : index.byUniverse().values()) {
            Seat furthest = seats.get(0);
            for (Seat seat : seats.subList(1, seats.size())) {
                int free = seat.first() - furthest.last() - 1;
                boolean sameUnit = seat.block()
                        .fixture()
                        .key()
                        .equals(furthest.block().fixture().key());
                if (free >= 0 && free < gap && !sameUnit) {
                    found.add(gapShort(furthest.block(), seat.block(), free, gap));
                }
                furthest = seat.last() > furthest.last() ? seat : furthest;
            }
        }
        return found;
    }

    private Finding gapShort(PlannedBlock earlier, PlannedBlock later, int free, int gap) {
        return new Finding(
                Rule.GAP_SHORT,
                Rule.GAP_SHORT.slug() + ":" + earlier.ref() + "+" + later.ref(),
                List.of(earlier.fixture().key(), later.fixture().key()),
                new Grounds.GapShort(earlier, later, free, gap),
                Optional.of(leastChange(
                        "Move " + later.label(), List.of(later.fixture().key()))));
    }

    /** One for each universe with something in the slots that shall stay free at its end. */
    List<Finding> headroomUsed() {
        List<Finding> found = new ArrayList<>();
        int last = wish.headroom().lastSlot();
        if (last == Slot.LAST) {
            return found;
        }
        index.byUniverse().forEach((universe, seats) -> {
            List<PlannedBlock> over =
                    seats.stream().filter(s -> s.last() > last).map(Seat::block).toList();
            if (!over.isEmpty()) {
                found.add(onUniverse(
                        Rule.HEADROOM_USED,
                        universe,
                        keys(over),
                        new Grounds.HeadroomUsed(
                                universe,
                                over,
                                wish.headroom().slots(),
                                seats.stream().mapToInt(Seat::last).max().orElse(0)),
                        leastChange("Find them other places", keys(over))));
            }
        });
        return found;
    }

    /** One for each universe that holds a device with a hazard and others beside. */
    List<Finding> hazardShares() {
        List<Finding> found = new ArrayList<>();
        index.byUniverse().forEach((universe, seats) -> {
            if (seats.stream().noneMatch(x -> x.block().isHazard())) {
                return;
            }
            Set<FixtureKey> hazards = new LinkedHashSet<>();
            Set<FixtureKey> others = new LinkedHashSet<>();
            seats.forEach(s -> (s.block().isHazard() ? hazards : others)
                    .add(s.block().fixture().key()));
            if (!hazards.isEmpty() && !others.isEmpty()) {
                Wish apart = wish.withSplit(wish.split(), true).withStyle(Style.LEAST_CHANGE);
                found.add(onUniverse(
                        Rule.HAZARD_SHARES,
                        universe,
                        List.copyOf(hazards),
                        new Grounds.HazardShares(
                                universe,
                                seats.stream()
                                        .map(Seat::block)
                                        .filter(PlannedBlock::isHazard)
                                        .toList(),
                                others.size()),
                        propose("Give them a universe of their own", List.copyOf(hazards), apart)));
            }
        });
        return found;
    }

    /** One for each fixture for which less room is kept than the wish in force asks for. */
    List<Finding> roomShort() {
        boolean largest = wish.spacing().largestMode();
        boolean pitch = wish.spacing().starts() == Starts.PITCH;
        List<Finding> found = new ArrayList<>();
        if (!largest && !pitch) {
            return found;
        }
        index.byUniverse().forEach((universe, seats) -> {
            for (int i = 0; i < seats.size(); i++) {
                roomShort(seats, i).ifPresent(found::add);
            }
        });
        return found;
    }

    /** Looks at the first block of each piece: blocks of a fixture that follow each other have their room together. */
    private Optional<Finding> roomShort(List<Seat> seats, int at) {
        Seat seat = seats.get(at);
        List<PlannedBlock> piece = runFrom(seat.block());
        if (piece.isEmpty()) {
            return Optional.empty();
        }
        FixtureKey own = seat.block().fixture().key();
        Optional<Seat> next = seats.subList(at + 1, seats.size()).stream()
                .filter(s -> !s.block().fixture().key().equals(own))
                .findFirst();
        int length = wish.spacing().largestMode() ? roomFor(piece) : Piece.slots(piece, false);
        int kept = next.map(Seat::first).orElse(wish.headroom().lastSlot() + 1) - seat.first();
        int needed = next.isPresent() && wish.spacing().starts() == Starts.PITCH
                ? JobSpace.grain(wish.spacing()).pace(length)
                : length;
        return needed > Math.max(0, kept)
                ? Optional.of(Finding.about(
                        Rule.ROOM_SHORT,
                        List.of(own),
                        new Grounds.RoomShort(seat.block(), needed, Math.max(0, kept)),
                        Optional.of(leastChange("Find a place with room", List.of(own)))))
                : Optional.empty();
    }

    /** The blocks that follow this one, itself among them; empty when it follows another block of its fixture itself. */
    private List<PlannedBlock> runFrom(PlannedBlock first) {
        List<PlannedBlock> blocks = index.plan().blocksOf(first.fixture());
        int at = first.ref().block() - 1;
        if (at > 0 && isBehind(blocks.get(at - 1), first)) {
            return List.of();
        }
        int end = at + 1;
        while (end < blocks.size() && isBehind(blocks.get(end - 1), blocks.get(end))) {
            end++;
        }
        return blocks.subList(at, end);
    }

    private static boolean isBehind(PlannedBlock one, PlannedBlock two) {
        return one.start()
                .flatMap(a -> a.after(Math.min(Slot.LAST, one.footprint())))
                .equals(two.start());
    }

    private static int roomFor(List<PlannedBlock> piece) {
        PlannedBlock first = piece.get(0);
        boolean whole = piece.size() == first.mode().blocks().size();
        int[] longest = RoomForMode.ofBlocks(first.type());
        return whole
                ? RoomForMode.of(first.type())
                : piece.stream().mapToInt(b -> longest[b.ref().block()]).sum();
    }

    /** Fixtures of one type on one position. */
    private record Row(int position, TypeId type) {}

    /**
     * One for each position where, among fixtures of one type on one universe, addresses do not ascend with the IDs. Named are
     * as few as can be so that the rest ascends: those outside the longest ascending piece.
     */
    List<Finding> outOfStep() {
        Map<Integer, Set<FixtureKey>> byPosition = new TreeMap<>();
        index.byUniverse().values().forEach(seats -> {
            if (Ascending.isSo(seats)) {
                return;
            }
            Map<Row, List<Seat>> rows = new HashMap<>();
            for (Seat seat : seats) {
                if (seat.block().ref().block() == 1
                        && seat.block().fixture().id().isPresent()) {
                    rows.computeIfAbsent(
                                    new Row(
                                            seat.block().fixture().position(),
                                            seat.block().type().id()),
                                    k -> new ArrayList<>())
                            .add(seat);
                }
            }
            rows.forEach((row, list) -> {
                List<FixtureKey> out = Ascending.outside(list);
                if (!out.isEmpty()) {
                    byPosition
                            .computeIfAbsent(list.get(0).block().fixture().position(), p -> new TreeSet<>())
                            .addAll(out);
                }
            });
        });
        List<Finding> found = new ArrayList<>();
        byPosition.forEach((position, keys) -> found.add(outOfStep(position, List.copyOf(keys))));
        return found;
    }

    private Finding outOfStep(int position, List<FixtureKey> keys) {
        String name = index.plan().position(position).orElseThrow().name();
        List<FixtureKey> all = index.plan().fixtures().stream()
                .filter(f -> f.position() == position && !f.addresses().isEmpty())
                .map(f -> f.key())
                .toList();
        StartAddress from = index.plan().fixtures().stream()
                .filter(f -> f.position() == position)
                .flatMap(f -> f.addresses().values().stream())
                .min(StartAddress::compareTo)
                .orElseThrow();
        Wish inOrder = wish.withStyle(Style.IN_ORDER).within(from, wish.universes());
        return new Finding(
                Rule.OUT_OF_STEP,
                Rule.OUT_OF_STEP.slug() + ":" + position,
                keys,
                new Grounds.OutOfStep(
                        name,
                        keys.stream()
                                .flatMap(k -> index.plan().fixture(k).stream())
                                .toList()),
                Optional.of(propose("Address them in order", all, inOrder)));
    }

    private static List<FixtureKey> keys(List<PlannedBlock> blocks) {
        return blocks.stream().map(b -> b.fixture().key()).distinct().toList();
    }

    private static Finding onUniverse(
            Rule rule, UniverseNumber universe, List<FixtureKey> fixtures, Grounds grounds, Remedy remedy) {
        return new Finding(rule, rule.slug() + ":" + universe, fixtures, grounds, Optional.of(remedy));
    }

    private Remedy leastChange(String label, List<FixtureKey> fixtures) {
        return propose(label, fixtures, wish.withStyle(Style.LEAST_CHANGE));
    }

    private static Remedy propose(String label, List<FixtureKey> fixtures, Wish wish) {
        return new Remedy.Propose(label, new PlacementRequest(Scope.CHOSEN, Set.copyOf(fixtures), wish));
    }
}
