package taxon.core.addressing.request;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Shares;
import taxon.core.rig.Unplaced;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Style;

/**
 * A request resolved on a plan: the pieces to place in their order, what is fixed, and what cannot be asked for.
 *
 * @param fixtures those that may move, in the order of the request
 * @param keys theirs
 * @param locked asked for, with an address, and not to be moved
 * @param forced by piece index: where a piece must go since someone who is not asked for shares its address
 * @param newShares blocks that the wish lets share an address from now on
 */
public record ResolvedRequest(
        Plan plan,
        Wish wish,
        SharingClasses classes,
        List<Fixture> fixtures,
        Set<FixtureKey> keys,
        List<Fixture> locked,
        List<Piece> pieces,
        Map<Integer, StartAddress> forced,
        List<List<BlockRef>> newShares,
        List<Refused> refused) {

    /** Why a fixture cannot be asked for. */
    public enum Cause {
        /** Its mode is not one of its type, so nobody knows how many slots it takes. */
        MODE_MISSING,
        /** Only an app's radio reaches it. */
        NEVER_HEARS,
        /** It is locked and has no address for each of its blocks. */
        LOCKED
    }

    /** @param slots of all its blocks; 0 where nobody knows */
    public record Refused(Fixture fixture, Cause cause, int slots) {}

    public static ResolvedRequest of(Plan plan, PlacementRequest request) {
        return of(plan, request, Set.of());
    }

    /** As if these were not asked for: they are fixed where they are. */
    public static ResolvedRequest of(Plan plan, PlacementRequest request, Set<FixtureKey> held) {
        return new Reader(plan, request, held).read();
    }

    private static final class Reader {
        private final Plan plan;
        private final PlacementRequest request;
        private final Set<FixtureKey> held;
        private final Wish wish;
        private final SharingClasses classes;
        private final Shares shares;
        private final boolean mayShare;
        private final Set<FixtureKey> keys = new HashSet<>();
        private final List<Fixture> fixtures = new ArrayList<>();
        private final List<Fixture> locked = new ArrayList<>();
        private final List<Refused> refused = new ArrayList<>();
        private final List<List<PlannedBlock>> groups = new ArrayList<>();
        private final Map<ShareKey, List<PlannedBlock>> together = new LinkedHashMap<>();
        private final Map<ShareKey, StartAddress> fixed = new HashMap<>();
        private final List<List<BlockRef>> newShares = new ArrayList<>();
        private final Map<FixtureType, int[]> longest = new HashMap<>();

        Reader(Plan plan, PlacementRequest request, Set<FixtureKey> held) {
            this.held = held;
            this.plan = plan;
            this.request = request;
            wish = request.wish();
            classes = new SharingClasses(plan, wish);
            shares = Shares.of(plan);
            mayShare = !shares.isEmpty() || wish.blocks() == Blocks.SHARE;
        }

        ResolvedRequest read() {
            inOrder().forEach(this::sortOut);
            fixtures.forEach(f -> keys.add(f.key()));
            fixtures.forEach(this::addRuns);
            List<Piece> pieces = pieces();
            Map<Integer, StartAddress> forced = new TreeMap<>();
            pieces.stream()
                    .filter(Piece::shares)
                    .forEach(r -> Optional.ofNullable(
                                    fixed.get(shareKey(r.blocks().get(0))))
                            .ifPresent(a -> forced.put(r.index(), a)));
            return new ResolvedRequest(plan, wish, classes, fixtures, keys, locked, pieces, forced, newShares, refused);
        }

        /** All who may be asked for; where one is chosen alone, the others need not be looked through. */
        private List<Fixture> candidates() {
            boolean one = request.scope() == PlacementRequest.Scope.CHOSEN
                    && request.chosen().size() == 1;
            return one
                    ? plan.fixture(request.chosen().iterator().next()).stream().toList()
                    : plan.fixtures();
        }

        private List<Fixture> inOrder() {
            List<Fixture> asked = candidates().stream()
                    .filter(f -> !held.contains(f.key()) && isAsked(f))
                    .toList();
            return switch (wish.order()) {
                case FIXTURE_ID -> asked;
                case RIG -> RigOrder.of(plan, asked, NumberingOrder.USUAL);
                // Sorting is stable, so those of one type stay in the order of their IDs.
                case TYPE_THEN_ID ->
                    asked.stream()
                            .sorted(Comparator.comparing(
                                            (Fixture f) -> plan.type(f).fullName())
                                    .thenComparing(Fixture::mode))
                            .toList();
            };
        }

        private boolean isAsked(Fixture fixture) {
            return switch (request.scope()) {
                case ALL -> true;
                case CHOSEN -> request.chosen().contains(fixture.key());
                case UNPLACED ->
                    plan.mode(fixture).isEmpty()
                            || plan.blocksOf(fixture).stream().anyMatch(Unplaced::waits);
            };
        }

        private void sortOut(Fixture fixture) {
            List<PlannedBlock> blocks = plan.blocksOf(fixture);
            if (blocks.isEmpty()) {
                refused.add(new Refused(fixture, Cause.MODE_MISSING, 0));
            } else if (blocks.get(0).type().hearsNoUniverse()) {
                refused.add(new Refused(fixture, Cause.NEVER_HEARS, slots(blocks)));
            } else if (!fixture.traits().locked()) {
                fixtures.add(fixture);
            } else if (blocks.stream().allMatch(b -> b.start().isPresent())) {
                locked.add(fixture);
            } else {
                refused.add(new Refused(fixture, Cause.LOCKED, slots(blocks)));
            }
        }

        private static int slots(List<PlannedBlock> blocks) {
            int slots = 0;
            for (PlannedBlock block : blocks) {
                slots += block.footprint();
            }
            return slots;
        }

        private void addRuns(Fixture fixture) {
            List<PlannedBlock> blocks = plan.blocksOf(fixture);
            if (mayShare) {
                List<PlannedBlock> own = new ArrayList<>();
                blocks.forEach(b ->
                        (isShared(b) ? together.computeIfAbsent(shareKey(b), k -> new ArrayList<>()) : own).add(b));
                blocks = own;
            }
            groups.addAll(split(blocks));
        }

        private boolean isShared(PlannedBlock block) {
            return mayShare && isSharedByName(block);
        }

        private boolean isSharedByName(PlannedBlock block) {
            return shares.of(block.ref()).isPresent()
                    || (wish.blocks() == Blocks.SHARE && block.ref().block() > 1);
        }

        private ShareKey shareKey(PlannedBlock block) {
            return shares.of(block.ref())
                    .<ShareKey>map(s -> new ShareKey.OnPurpose(s.number()))
                    .orElseGet(() -> new ShareKey.ByWish(
                            block.type().id(),
                            block.mode().name(),
                            block.ref().block(),
                            classes.of(block.fixture(), block.ref().block())));
        }

        private List<List<PlannedBlock>> split(List<PlannedBlock> blocks) {
            int slots = slots(blocks);
            if (blocks.size() <= 1) {
                return blocks.isEmpty() ? List.of() : List.of(blocks);
            }
            boolean partly = wish.style() == Style.LEAST_CHANGE
                    && blocks.stream().anyMatch(b -> b.start().isPresent())
                    && blocks.stream().anyMatch(b -> b.start().isEmpty());
            if (wish.blocks() == Blocks.OWN_RUN || slots > Slot.LAST || partly) {
                return blocks.stream().map(List::of).toList();
            }
            if (wish.blocks() != Blocks.OWN_UNIVERSE || blocks.get(0).ref().block() > 1) {
                return List.of(blocks);
            }
            return List.of(blocks.subList(0, 1), blocks.subList(1, blocks.size()));
        }

        private List<Piece> pieces() {
            List<List<PlannedBlock>> ordered = new ArrayList<>(groups);
            together.forEach((key, blocks) -> {
                noteFixed(key);
                if (key instanceof ShareKey.ByWish && blocks.size() > 1) {
                    newShares.add(blocks.stream().map(PlannedBlock::ref).toList());
                }
                ordered.add(blocks);
            });
            Map<FixtureKey, Integer> places = new HashMap<>();
            fixtures.forEach(f -> places.put(f.key(), places.size()));
            boolean byBlock = wish.blocks() != Blocks.FOLLOW_ON;
            if (byBlock || !together.isEmpty()) {
                ordered.sort(Comparator.comparingInt((List<PlannedBlock> g) ->
                                byBlock ? g.get(0).ref().block() : 1)
                        .thenComparingInt(
                                g -> places.getOrDefault(g.get(0).fixture().key(), 0))
                        .thenComparingInt(g -> g.get(0).ref().block()));
            }
            return inClasses(ordered);
        }

        /** Pieces of one class stand together, in the order in which classes first appear. */
        private List<Piece> inClasses(List<List<PlannedBlock>> ordered) {
            Map<SharingClass, List<List<PlannedBlock>>> byClass = new LinkedHashMap<>();
            for (List<PlannedBlock> blocks : ordered) {
                PlannedBlock first = blocks.get(0);
                byClass.computeIfAbsent(classes.of(first.fixture(), first.ref().block()), c -> new ArrayList<>())
                        .add(blocks);
            }
            List<Piece> pieces = new ArrayList<>();
            byClass.forEach(
                    (sharingClass, list) -> list.forEach(b -> pieces.add(piece(pieces.size(), b, sharingClass))));
            return pieces;
        }

        private Piece piece(int index, List<PlannedBlock> blocks, SharingClass sharingClass) {
            boolean shares = isShared(blocks.get(0));
            int slots = Piece.slots(blocks, shares);
            int load = blocks.stream().mapToInt(Piece::load).sum();
            return new Piece(index, blocks, shares, Math.max(slots, room(blocks)), load, sharingClass);
        }

        /** The room that is kept for the longest mode: of the blocks of a piece together, as far as a universe holds them. */
        private int room(List<PlannedBlock> blocks) {
            if (!wish.spacing().largestMode()) {
                return 0;
            }
            PlannedBlock first = blocks.get(0);
            boolean whole = blocks.size() == first.mode().blocks().size() && !isShared(first);
            int[] most = longest.computeIfAbsent(first.type(), RoomForMode::ofBlocks);
            int room = whole
                    ? RoomForMode.of(first.type())
                    : blocks.stream()
                            .map(b -> b.ref().block())
                            .distinct()
                            .mapToInt(n -> most[n])
                            .sum();
            return Math.min(Slot.LAST, room);
        }

        private void noteFixed(ShareKey key) {
            if (key instanceof ShareKey.OnPurpose on) {
                plan.shares().stream()
                        .filter(s -> s.number() == on.share())
                        .flatMap(s -> s.blocks().stream())
                        .filter(b -> !keys.contains(b.fixture()))
                        .flatMap(b -> plan.block(b).flatMap(PlannedBlock::start).stream())
                        .findFirst()
                        .ifPresent(a -> fixed.put(key, a));
            }
        }
    }
}
