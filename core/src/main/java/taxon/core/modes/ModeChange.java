package taxon.core.modes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import taxon.core.addressing.Planner;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.AddressProposal.NotPlaced;
import taxon.core.addressing.answer.AddressProposal.Obstacle;
import taxon.core.addressing.answer.AddressProposal.Price;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Facts.Reach;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.modes.ChangeProposal.Changed;
import taxon.core.modes.ChangeProposal.Clash;
import taxon.core.modes.ChangeProposal.Move;
import taxon.core.modes.ChangeProposal.StylePrice;
import taxon.core.modes.ChangeRequest.Style;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.wish.PlacementRequest;

/**
 * Plans a change of types and modes in a rig.
 *
 * <p>With the least disturbance: no other fixture moves; of the changed blocks on a universe as many as possible keep their
 * start, by taking the one that ends first among those that are free of what stays and of each other (interval scheduling,
 * Kleinberg and Tardos: Algorithm Design, 2005, 4.1, from memory: that keeps the most). The others go to the first free place
 * on their universe, else on the rig's universes, else on the next one. Time: the changed blocks times the universes of the
 * rig (each universe once for each length), and n log n in the blocks.
 */
public final class ModeChange {
    private final Plan before;
    private final ChangeRequest request;
    private final Touching touching;
    private final Plan swapped;
    private final Set<TypeId> redefined;
    private final List<Fixture> changed;
    private final Set<FixtureKey> changedKeys;

    private ModeChange(Plan before, ChangeRequest request) {
        this.before = before;
        this.request = request;
        touching = new Touching(before);
        swapped = Swapped.plan(before, request);
        redefined = before.types().types().stream()
                .filter(t -> swapped.types().find(t.id()).filter(t::equals).isEmpty())
                .map(FixtureType::id)
                .collect(Collectors.toSet());
        changed = before.fixtures().stream().filter(this::differs).toList();
        changedKeys = changed.stream().map(Fixture::key).collect(Collectors.toSet());
        requireAsked();
    }

    /** True when the fixture gets another mode or type, or its type another definition. */
    private boolean differs(Fixture fixture) {
        Fixture now = swapped.fixture(fixture.key()).orElseThrow();
        return !now.equals(fixture) || redefined.contains(fixture.type());
    }

    private boolean isChanged(Fixture fixture) {
        return changedKeys.contains(fixture.key());
    }

    /** A new definition of a type concerns all its fixtures: none may change unasked. */
    private void requireAsked() {
        Set<FixtureKey> asked =
                request.switches().stream().flatMap(s -> s.fixtures().stream()).collect(Collectors.toSet());
        List<FixtureKey> unasked =
                changedKeys.stream().filter(k -> !asked.contains(k)).sorted().toList();
        if (!unasked.isEmpty()) {
            throw new IllegalArgumentException("another definition of the type would change " + unasked.size()
                    + " fixtures more, which were not asked for");
        }
    }

    /** The change, with what each other way would cost. */
    public static ChangeProposal propose(Plan plan, ChangeRequest request) {
        ModeChange change = new ModeChange(plan, request);
        Result result = change.result(request.style());
        List<StylePrice> prices = Arrays.stream(Style.values())
                .map(s -> change.price(s, (s == request.style() ? result : change.result(s)).plan()))
                .toList();
        return new ChangeProposal(
                change.title(),
                new Edit(change.title(), p -> new Edit.Changed(after(p, request))),
                request,
                change.changedLines(),
                change.clashes(change.swapped),
                change.moves(result.plan()),
                result.notPlaced(),
                change.priceOf(result.plan()),
                prices);
    }

    /** The plan after the change. */
    static Plan after(Plan plan, ChangeRequest request) {
        return new ModeChange(plan, request).result(request.style()).plan();
    }

    /** What a change in one style would cost, without the rest of the proposal. */
    public static StylePrice price(Plan plan, ChangeRequest request) {
        ModeChange change = new ModeChange(plan, request);
        return change.price(request.style(), change.result(request.style()).plan());
    }

    private String title() {
        Set<String> targets = request.switches().stream()
                .filter(s -> !s.fixtures().isEmpty())
                .map(s -> s.type().name() + ", " + s.mode())
                .collect(Collectors.toSet());
        String count = changed.size() == 1 ? "1 fixture" : changed.size() + " fixtures";
        return targets.size() == 1 ? count + " to " + targets.iterator().next() : count + " to other modes";
    }

    private record Result(Plan plan, List<NotPlaced> notPlaced) {}

    private Result result(Style style) {
        return switch (style) {
            case KEEP_STARTS -> new Result(swapped, List.of());
            case IN_ORDER -> inOrder();
            case LEAST_DISTURBANCE -> leastDisturbance();
        };
    }

    private Result inOrder() {
        Set<FixtureKey> placed = changed.stream()
                .filter(f -> !f.addresses().isEmpty())
                .map(Fixture::key)
                .collect(Collectors.toSet());
        Optional<StartAddress> from =
                changed.stream().flatMap(f -> f.addresses().values().stream()).min(Comparator.naturalOrder());
        if (from.isEmpty()) {
            return new Result(swapped, List.of());
        }
        AddressProposal proposal =
                Planner.propose(swapped, new PlacementRequest(PlacementRequest.Scope.CHOSEN, placed, from.get(), 0));
        Plan plan = proposal.edit().applyTo(swapped) instanceof Edit.Changed done ? done.plan() : swapped;
        return new Result(plan, proposal.notPlaced());
    }

    private Result leastDisturbance() {
        Rooms rooms = new Rooms(swapped, changedKeys);
        Set<BlockRef> kept = keep(rooms);
        Map<BlockRef, Optional<StartAddress>> addresses = new TreeMap<>();
        List<NotPlaced> notPlaced = new ArrayList<>();
        for (Fixture fixture : changed) {
            Fixture now = swapped.fixture(fixture.key()).orElseThrow();
            List<PlannedBlock> blocks = swapped.blocksOf(now);
            if (swapped.type(now).reach() == Reach.APP_ONLY) {
                blocks.forEach(b -> addresses.put(b.ref(), Optional.empty()));
                notPlaced.add(NotPlaced.of(now, Obstacle.NEVER_HEARS, footprint(blocks)));
            } else if (!fixture.addresses().isEmpty()) {
                blocks.stream()
                        .filter(b -> !kept.contains(b.ref()))
                        .forEach(b -> addresses.put(b.ref(), place(b, fixture, rooms)));
            }
        }
        return new Result(withAddresses(addresses), notPlaced);
    }

    private static int footprint(List<PlannedBlock> blocks) {
        return blocks.stream().mapToInt(PlannedBlock::footprint).sum();
    }

    private Set<BlockRef> keep(Rooms rooms) {
        List<PlannedBlock> candidates = changed.stream()
                .map(f -> swapped.fixture(f.key()).orElseThrow())
                .filter(f -> swapped.type(f).reach() != Reach.APP_ONLY)
                .flatMap(f -> swapped.blocksOf(f).stream())
                .filter(b -> b.start().isPresent())
                .sorted(Comparator.comparing(
                                (PlannedBlock b) -> b.start().orElseThrow().universe())
                        .thenComparingInt(b -> b.start().orElseThrow().slot().number() + b.footprint())
                        .thenComparing(PlannedBlock::ref))
                .toList();
        Set<BlockRef> kept = new HashSet<>();
        for (PlannedBlock block : candidates) {
            if (rooms.takes(block.start().orElseThrow(), block.footprint())) {
                kept.add(block.ref());
            }
        }
        return kept;
    }

    private static Optional<StartAddress> place(PlannedBlock block, Fixture old, Rooms rooms) {
        StartAddress wish = block.start()
                .or(() -> old.addresses().values().stream().max(Comparator.naturalOrder()))
                .orElseThrow();
        return rooms.takeNear(wish, block.footprint());
    }

    private Plan withAddresses(Map<BlockRef, Optional<StartAddress>> addresses) {
        Map<FixtureKey, Fixture> moved = new TreeMap<>();
        addresses.forEach((ref, address) -> {
            Fixture now = moved.containsKey(ref.fixture())
                    ? moved.get(ref.fixture())
                    : swapped.fixture(ref.fixture()).orElseThrow();
            moved.put(ref.fixture(), now.withAddress(ref.block(), address));
        });
        return swapped.with(moved.values());
    }

    private List<Changed> changedLines() {
        return changed.stream()
                .map(f -> {
                    Fixture now = swapped.fixture(f.key()).orElseThrow();
                    return new Changed(
                            f,
                            before.type(f).fullName(),
                            f.mode(),
                            before.mode(f).map(Mode::footprint),
                            swapped.type(now).fullName(),
                            now.mode(),
                            footprint(swapped.blocksOf(now)),
                            touching.wasSet(f));
                })
                .toList();
    }

    /** Overlaps and ends passed in which a changed block takes part. */
    private List<Clash> clashes(Plan plan) {
        List<Clash> clashes = new ArrayList<>();
        Map<?, List<PlannedBlock>> byUniverse = plan.blocks().stream()
                .filter(b -> b.start().isPresent())
                .sorted(Comparator.comparing((PlannedBlock b) -> b.start().orElseThrow())
                        .thenComparing(PlannedBlock::ref))
                .collect(Collectors.groupingBy(
                        b -> b.start().orElseThrow().universe(), TreeMap::new, Collectors.toList()));
        byUniverse.values().forEach(blocks -> {
            for (int i = 0; i < blocks.size(); i++) {
                pastEnd(blocks.get(i)).ifPresent(clashes::add);
                clashes.addAll(overlaps(blocks, i));
            }
        });
        return clashes;
    }

    private Optional<Clash> pastEnd(PlannedBlock block) {
        StartAddress start = block.start().orElseThrow();
        return isChanged(block.fixture()) && start.slot().number() + block.footprint() - 1 > Slot.LAST
                ? Optional.of(new Clash(
                        block, Optional.empty(), start.universe(), block.slots().orElseThrow()))
                : Optional.empty();
    }

    /** Overlaps of a block with those that start behind it; the list is in the order of the starts. */
    private List<Clash> overlaps(List<PlannedBlock> blocks, int at) {
        PlannedBlock first = blocks.get(at);
        SlotRange slots = first.slots().orElseThrow();
        List<Clash> clashes = new ArrayList<>();
        for (int i = at + 1; i < blocks.size(); i++) {
            PlannedBlock second = blocks.get(i);
            SlotRange other = second.slots().orElseThrow();
            if (other.first() > slots.last()) {
                break;
            }
            if (isChanged(first.fixture()) || isChanged(second.fixture())) {
                SlotRange shared = new SlotRange(other.first(), Math.min(slots.last(), other.last()));
                clashes.add(new Clash(
                        first, Optional.of(second), first.start().orElseThrow().universe(), shared));
            }
        }
        return clashes;
    }

    private List<Move> moves(Plan after) {
        List<Move> moves = new ArrayList<>();
        for (Fixture old : before.fixtures()) {
            Fixture now = after.fixture(old.key()).orElseThrow();
            for (PlannedBlock block : after.blocksOf(now)) {
                Optional<StartAddress> was = old.address(block.ref().block());
                if (block.start().isPresent() && !block.start().equals(was)) {
                    moves.add(new Move(block, was, block.start().get(), touching.wasSet(old)));
                }
            }
        }
        return moves;
    }

    private Price priceOf(Plan after) {
        int touched = 0;
        int planned = 0;
        int first = 0;
        for (Fixture old : before.fixtures()) {
            Fixture now = after.fixture(old.key()).orElseThrow();
            if (!now.equals(old) || isChanged(old)) {
                touched += touching.wasSet(old) ? 1 : 0;
                planned += !touching.wasSet(old) && !old.addresses().isEmpty() ? 1 : 0;
                first += old.addresses().isEmpty() ? 1 : 0;
            }
        }
        return new Price(touched, planned, first);
    }

    private StylePrice price(Style style, Plan after) {
        long moved = moves(after).stream()
                .map(m -> m.block().ref().fixture())
                .distinct()
                .count();
        int slots = changed.stream()
                .mapToInt(f -> footprint(after.blocksOf(after.fixture(f.key()).orElseThrow())))
                .sum();
        long universes = after.fixtures().stream()
                .flatMap(f -> f.addresses().values().stream())
                .map(StartAddress::universe)
                .distinct()
                .count();
        return new StylePrice(
                style, (int) moved, priceOf(after).touched(), clashes(after).size(), slots, (int) universes);
    }
}
