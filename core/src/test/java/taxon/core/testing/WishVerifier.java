package taxon.core.testing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Facts;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Style;

/**
 * Holds what became of a plan against what a wish says, from the meaning of its words alone: it knows no space, no sharing class
 * and no piece of the planner.
 */
public final class WishVerifier {
    private final Plan before;
    private final Plan after;
    private final Wish wish;
    private final Set<FixtureKey> asked;
    private final List<String> violations = new ArrayList<>();

    private WishVerifier(Plan before, Plan after, Wish wish, Set<FixtureKey> asked) {
        this.before = before;
        this.after = after;
        this.wish = wish;
        this.asked = asked;
    }

    /** Everything that is not as the wish and the rules of addressing say, a sentence each. */
    public static List<String> violations(Plan before, Plan after, Wish wish, Set<FixtureKey> asked) {
        WishVerifier verifier = new WishVerifier(before, after, wish, asked);
        before.fixtures().forEach(verifier::verify);
        return verifier.violations;
    }

    private void wrong(boolean is, Object who, String what) {
        if (is) {
            violations.add(who + ": " + what);
        }
    }

    private void verify(Fixture was) {
        Fixture is = after.fixture(was.key()).orElseThrow();
        for (Map.Entry<Integer, StartAddress> e : was.addresses().entrySet()) {
            boolean exists = e.getKey() <= before.blocksOf(was).size();
            wrong(exists && is.address(e.getKey()).isEmpty(), was.label(), "its address is taken away");
        }
        boolean moves = !was.addresses().equals(is.addresses());
        wrong(moves && was.traits().locked(), was.label(), "is locked and moves");
        wrong(moves && !asked.contains(was.key()), was.label(), "was not asked for and moves");
        if (moves) {
            after.blocksOf(is).stream()
                    .filter(b -> b.start().isPresent()
                            && !b.start().equals(was.address(b.ref().block())))
                    .forEach(this::verifyMoved);
        }
    }

    private void verifyMoved(PlannedBlock block) {
        StartAddress start = block.start().orElseThrow();
        int last = start.slot().number() + block.footprint() - 1;
        String who = block.label() + " at " + start;
        wrong(last > 512 - wish.headroom().slots(), who, "stands in the headroom or past the end");
        wrong(!wish.universes().holds(start.universe()), who, "the universe is not allowed");
        wrong(start.compareTo(wish.from()) < 0, who, "before the first address");
        for (ReservedRun run : before.reservedRuns()) {
            boolean here = run.universe().equals(start.universe())
                    && run.slots().first() <= last
                    && start.slot().number() <= run.slots().last();
            wrong(here, who, "takes slots that are reserved");
        }
        verifyStart(block, who);
        verifyNeighbours(block, who);
        verifyLine(block, who);
    }

    /** At 1, 1 + n, 1 + 2n; a block that follows the one before it has no start of its own. */
    private void verifyStart(PlannedBlock block, String who) {
        StartAddress start = block.start().orElseThrow();
        boolean aligned = (start.slot().number() - 1) % wish.spacing().every() == 0;
        boolean follows = after.block(new BlockRef(
                        block.ref().fixture(), Math.max(1, block.ref().block() - 1)))
                .filter(b -> b.ref().block() < block.ref().block())
                .flatMap(b -> b.start().flatMap(a -> a.after(b.footprint())))
                .equals(Optional.of(start));
        wrong(wish.spacing().starts() == Starts.ROUND && !aligned && !follows, who, "begins at no round start");
    }

    private void verifyNeighbours(PlannedBlock block, String who) {
        StartAddress start = block.start().orElseThrow();
        for (PlannedBlock other : after.blocks()) {
            boolean here = !other.ref().equals(block.ref())
                    && other.start().map(StartAddress::universe).equals(Optional.of(start.universe()));
            if (!here || shares(block.ref(), other.ref())) {
                continue;
            }
            boolean sameUnit = other.fixture().key().equals(block.fixture().key());
            int gap = sameUnit ? 0 : wish.spacing().gap();
            int first = start.slot().number();
            int otherFirst = other.start().orElseThrow().slot().number();
            boolean near = otherFirst < first + block.footprint() + gap && first < otherFirst + other.footprint() + gap;
            wrong(near, who, "is on or too near " + other.label());
            wrong(!mayStandTogether(block, other), who, "shares a universe with " + other.label());
        }
    }

    private boolean shares(BlockRef one, BlockRef other) {
        return after.shares().stream()
                .anyMatch(s -> s.blocks().contains(one) && s.blocks().contains(other));
    }

    private boolean mayStandTogether(PlannedBlock one, PlannedBlock other) {
        boolean shared = after.shares().stream()
                .anyMatch(s -> s.blocks().contains(one.ref()) || s.blocks().contains(other.ref()));
        boolean hazards = !wish.hazardsApart() || hazard(one.fixture()) == hazard(other.fixture());
        boolean parts = wish.blocks() != Blocks.OWN_UNIVERSE
                || (one.ref().block() > 1) == (other.ref().block() > 1);
        return shared || hazards && parts && word(one.fixture()).equals(word(other.fixture()));
    }

    private boolean hazard(Fixture fixture) {
        return !fixture.traits().hazard().isBlank() || after.type(fixture).hazard() != Facts.Hazard.NONE;
    }

    private String word(Fixture fixture) {
        return switch (wish.split()) {
            case NONE -> "";
            case POSITION -> Integer.toString(fixture.position());
            case TYPE -> fixture.type().value();
            case LINE -> fixture.traits().line();
            case PURPOSE -> fixture.traits().purpose();
            case GROUP ->
                Objects.requireNonNullElse(
                        after.groups().stream()
                                .filter(g -> g.members().contains(fixture.key())
                                        || g.rules().stream().anyMatch(r -> r.takes(fixture)))
                                .map(Group::name)
                                .findFirst()
                                .orElse(""),
                        "");
        };
    }

    /** Only "compact by port" counts the units of a line: fixtures whose first block is there and that a cable reaches. */
    private void verifyLine(PlannedBlock block, String who) {
        if (wish.style() != Style.COMPACT_BY_PORT
                || block.ref().block() > 1
                || wish.unitsPerLine().isEmpty()) {
            return;
        }
        UniverseNumber universe = block.start().orElseThrow().universe();
        long units = after.blocks().stream()
                .filter(b -> b.ref().block() == 1 && b.type().reach() == Facts.Reach.LINE)
                .filter(b -> b.start().map(StartAddress::universe).equals(Optional.of(universe)))
                .count();
        wrong(units > wish.unitsPerLine().get(), who, units + " units are on the line");
    }
}
