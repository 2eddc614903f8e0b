package taxon.core.modes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import taxon.core.addressing.Planner;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.LeftOut;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.modes.ChangeProposal.Changed;
import taxon.core.modes.ChangeProposal.Clash;
import taxon.core.modes.ChangeProposal.Move;
import taxon.core.modes.ChangeProposal.StylePrice;
import taxon.core.modes.ChangeRequest.Style;
import taxon.core.proof.Price;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.ElementKey;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Shares;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.wish.Wish;

/**
 * Plans a change of types and modes in a rig.
 *
 * <p>Where the changed ones come to lie is asked of the planner, under the wish in force: gaps, headroom, split and reserved
 * runs are heeded, what is locked keeps its address, and what shares an address does so still. With the least disturbance as
 * many of the changed ones as possible keep their start, and no other fixture moves.
 */
public final class ModeChange {
    private final Plan before;
    private final ChangeRequest request;
    private final Touching touching;
    private final Plan swapped;
    private final Shares shares;
    private final Set<TypeId> redefined;
    private final List<Fixture> changed;
    private final Set<FixtureKey> changedKeys;

    private ModeChange(Plan before, ChangeRequest request) {
        this.before = before;
        this.request = request;
        touching = new Touching(before);
        swapped = Swapped.plan(before, request);
        shares = Shares.of(swapped);
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
                Edit.computed(change.title(), plan, result.plan(), p -> new Edit.Changed(after(p, request))),
                request,
                change.changedLines(),
                change.clashes(change.swapped),
                change.moves(result.plan()),
                result.leftOut(),
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

    private record Result(Plan plan, List<LeftOut> leftOut) {}

    private Result result(Style style) {
        return switch (style) {
            case KEEP_STARTS ->
                request.addressing()
                        ? placed(
                                wish().withStyle(Wish.Style.LEAST_CHANGE),
                                f -> f.addresses().isEmpty())
                        : new Result(swapped, List.of());
            case IN_ORDER -> placed(inOrder(), this::isPlaced);
            case LEAST_DISTURBANCE -> placed(wish().withStyle(Wish.Style.LEAST_CHANGE), this::isPlaced);
        };
    }

    /** The wish in force; its first address is for proposals of addresses only. */
    private Wish wish() {
        Wish wish = before.wish().orElse(Wish.USUAL);
        return wish.within(StartAddress.of(1, 1), wish.universes());
    }

    private Wish inOrder() {
        StartAddress from = request.from()
                .or(() -> changed.stream()
                        .filter(f -> !f.traits().locked())
                        .flatMap(f -> f.addresses().values().stream())
                        .min(Comparator.naturalOrder()))
                .orElse(StartAddress.of(1, 1));
        Wish wish = wish();
        return wish.withStyle(Wish.Style.IN_ORDER).within(from, wish.universes());
    }

    /** Those that had an address, and the others where that was asked for. */
    private boolean isPlaced(Fixture fixture) {
        return request.addressing() || !fixture.addresses().isEmpty();
    }

    /** Each of them gets an address for all its blocks; what hears no universe any more loses its own. */
    private Result placed(Wish wish, Predicate<Fixture> which) {
        Plan heard = withoutDeaf();
        Set<FixtureKey> placed =
                changed.stream().filter(which).map(Fixture::key).collect(Collectors.toSet());
        // Who changes is touched in any case, so that moving costs the same for all.
        Plan untold = heard.without(marks(heard, changedKeys));
        AddressProposal proposal =
                Planner.propose(untold, new PlacementRequest(PlacementRequest.Scope.CHOSEN, placed, wish));
        Plan plan = proposal.edit().applyTo(heard) instanceof Edit.Changed done ? done.plan() : heard;
        return new Result(plan, proposal.leftOut());
    }

    private Plan withoutDeaf() {
        return swapped.with(changed.stream()
                .map(f -> swapped.fixture(f.key()).orElseThrow())
                .filter(f -> swapped.type(f).hearsNoUniverse() && !f.traits().locked())
                .map(f -> f.withAddresses(Map.of()))
                .toList());
    }

    private static List<ElementKey> marks(Plan plan, Set<FixtureKey> fixtures) {
        return plan.elements().entrySet().stream()
                .filter(e -> e.getValue() instanceof BlockEvidence b
                        && fixtures.contains(b.ref().fixture()))
                .map(Map.Entry::getKey)
                .toList();
    }

    private static int footprint(List<PlannedBlock> blocks) {
        return blocks.stream().mapToInt(PlannedBlock::footprint).sum();
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

    private List<Clash> clashes(Plan plan) {
        return new Clashes(shares, this::isChanged).of(plan);
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
