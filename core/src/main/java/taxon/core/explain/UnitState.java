package taxon.core.explain;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
 * @param quirks how it answers otherwise than its mode says
 */
record UnitState(FixtureKey key, Mode mode, List<Optional<Start>> starts, Quirks quirks) {
    /** Where a block listens; the universe is the one that its line is planned to carry. */
    record Start(UniverseNumber line, int slot) {}

    UnitState {
        starts = List.copyOf(starts);
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
        Stream<Attribute> raised = block.slotUses().stream()
                .filter(u -> first <= u.offset() && u.offset() <= last)
                .map(u -> u.channel().attribute());
        if (quirks.unsteady()) {
            return raised.limit(1).map(a -> Response.unsteady(key));
        }
        return trial.isOfOneSlot() && !quirks.reordered()
                ? raised.map(a -> answer(quirks.moved(a)))
                : raised.limit(1).map(a -> Response.of(key));
    }

    private Response answer(Attribute moved) {
        return quirks.reversed().contains(moved)
                ? new Response(key, Optional.of(moved), Response.Manner.OTHER_WAY)
                : Response.of(key, moved);
    }

    /** True when no block of it hears anything. */
    boolean isOff() {
        return starts.stream().allMatch(Optional::isEmpty);
    }

    UnitState inMode(Mode other) {
        List<Optional<Start>> kept = new ArrayList<>();
        for (int i = 0; i < other.blocks().size(); i++) {
            kept.add(i < starts.size() ? starts.get(i) : Optional.empty());
        }
        return new UnitState(key, other, kept, quirks);
    }

    /** With a block somewhere else, counted from 1; the same where its mode has none such. */
    UnitState at(int block, int slot) {
        return block > starts.size() ? this : with(block, starts.get(block - 1).map(s -> new Start(s.line(), slot)));
    }

    /** With a block that listens to nothing, counted from 1; the same where its mode has none such. */
    UnitState without(int block) {
        return block > starts.size() ? this : with(block, Optional.empty());
    }

    private UnitState with(int block, Optional<Start> changed) {
        List<Optional<Start>> all = new ArrayList<>(starts);
        all.set(block - 1, changed);
        return new UnitState(key, mode, all, quirks);
    }

    /** Set as another is; its lines stay its own. */
    UnitState withSlotsOf(UnitState other) {
        List<Optional<Start>> all = new ArrayList<>();
        for (int i = 0; i < starts.size(); i++) {
            Optional<Start> theirs = other.starts.get(i);
            all.add(starts.get(i).flatMap(own -> theirs.map(t -> new Start(own.line(), t.slot()))));
        }
        return new UnitState(key, mode, all, quirks);
    }

    UnitState off() {
        return new UnitState(
                key, mode, starts.stream().map(s -> Optional.<Start>empty()).toList(), quirks);
    }

    UnitState with(Quirks changed) {
        return new UnitState(key, mode, starts, changed);
    }
}
