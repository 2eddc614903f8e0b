package taxon.core.explain;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.Mode;
import taxon.core.rig.FixtureKey;

/**
 * How a unit is really set, as far as a cause says.
 *
 * @param starts of each block of the mode: the universe of its line and the slot; empty for a block that listens to nothing
 * @param reversed axes that go the other way round
 */
record UnitState(FixtureKey key, Mode mode, List<Optional<Start>> starts, Set<Attribute> reversed) {
    /** Where a block listens; the universe is the one that its line is planned to carry. */
    record Start(UniverseNumber line, int slot) {}

    UnitState {
        starts = List.copyOf(starts);
        reversed = Set.copyOf(reversed);
    }

    /** Without the mode: whose sum is long to work out, and tells few apart. */
    @Override
    public int hashCode() {
        return key.hashCode() * 31 + starts.hashCode();
    }

    /** What it does when these slots of what its lines carry are raised. */
    Stream<Response> answers(UniverseNumber line, Trial trial) {
        return mayAnswer(line, trial) ? answersOfBlocks(line, trial) : Stream.of();
    }

    private boolean mayAnswer(UniverseNumber line, Trial trial) {
        int most = Math.min(starts.size(), mode.blocks().size());
        for (int i = 0; i < most; i++) {
            Optional<Start> start = starts.get(i);
            if (start.isPresent()
                    && start.get().line().equals(line)
                    && start.get().slot() <= trial.slots().last()
                    && start.get().slot() + mode.blocks().get(i).footprint()
                            > trial.slots().first()) {
                return true;
            }
        }
        return false;
    }

    private Stream<Response> answersOfBlocks(UniverseNumber line, Trial trial) {
        return IntStream.range(0, Math.min(starts.size(), mode.blocks().size()))
                .boxed()
                .flatMap(i -> starts.get(i)
                        .filter(s -> s.line().equals(line))
                        .map(s -> answers(mode.blocks().get(i), s.slot(), trial))
                        .orElse(Stream.of()));
    }

    private Stream<Response> answers(Block block, int start, Trial trial) {
        int first = trial.slots().first() - start + 1;
        int last = trial.slots().last() - start + 1;
        if (last < 1 || first > block.footprint()) {
            return Stream.of();
        }
        Stream<Attribute> moved = block.slotUses().stream()
                .filter(u -> first <= u.offset() && u.offset() <= last)
                .map(u -> u.channel().attribute());
        return trial.isOfOneSlot()
                ? moved.map(a -> new Response(key, Optional.of(a), reversed.contains(a)))
                : moved.limit(1).map(a -> Response.of(key));
    }

    UnitState inMode(Mode other) {
        List<Optional<Start>> kept = new ArrayList<>();
        for (int i = 0; i < other.blocks().size(); i++) {
            kept.add(i < starts.size() ? starts.get(i) : Optional.empty());
        }
        return new UnitState(key, other, kept, reversed);
    }

    /** @param block counted from 1 */
    UnitState at(int block, int slot) {
        return with(block, starts.get(block - 1).map(s -> new Start(s.line(), slot)));
    }

    /** @param block counted from 1 */
    UnitState without(int block) {
        return with(block, Optional.empty());
    }

    private UnitState with(int block, Optional<Start> changed) {
        List<Optional<Start>> all = new ArrayList<>(starts);
        all.set(block - 1, changed);
        return new UnitState(key, mode, all, reversed);
    }

    /** Set as another is; its lines stay its own. */
    UnitState withSlotsOf(UnitState other) {
        List<Optional<Start>> all = new ArrayList<>();
        for (int i = 0; i < starts.size(); i++) {
            Optional<Start> theirs = other.starts.get(i);
            all.add(starts.get(i).flatMap(own -> theirs.map(t -> new Start(own.line(), t.slot()))));
        }
        return new UnitState(key, mode, all, reversed);
    }

    UnitState off() {
        return new UnitState(
                key, mode, starts.stream().map(s -> Optional.<Start>empty()).toList(), reversed);
    }

    UnitState reversing(Attribute axis) {
        return new UnitState(key, mode, starts, Set.of(axis));
    }
}
