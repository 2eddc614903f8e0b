package taxon.core.proof;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.dmx.StartAddress;
import taxon.core.proof.RigComparison.Line;
import taxon.core.proof.RigComparison.Reason;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Fixture;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.text.Texts;

/**
 * What a reading of the rig proves, block by block.
 *
 * <p>A unit that is right proves its blocks. One that differs leaves what it has as last set, so that its blocks turn
 * stale. A missing unit changes nothing: silence proves neither way.
 */
public final class ReadingEvidence {
    private static final String BY = "read from the unit";

    private ReadingEvidence() {}

    public static List<BlockEvidence> of(Plan plan, RigComparison comparison, Instant at) {
        List<BlockEvidence> evidence = new ArrayList<>();
        for (Line line : comparison.lines()) {
            if (line.fixture().isPresent() && line.found().isPresent()) {
                List<BlockEvidence> learnt =
                        of(plan, line.fixture().get(), line.found().get(), at);
                learnt.forEach(e -> evidence.add(
                        isGuess(line) ? e.withUid(plan.evidence(e.ref()).uid()) : e));
            }
        }
        return evidence;
    }

    /** A match by order alone must not be taken for knowledge at the next reading, so its UID is not kept. */
    private static boolean isGuess(Line line) {
        return line.reason() == Reason.SAME_TYPE_IN_ORDER;
    }

    /** What one unit proves of the fixture that it was taken for. */
    public static List<BlockEvidence> of(Plan plan, Fixture fixture, FoundUnit unit, Instant at) {
        List<BlockEvidence> evidence = new ArrayList<>();
        for (PlannedBlock block : plan.blocksOf(fixture)) {
            int index = block.ref().block() - 1;
            if (index < unit.blocks().size()) {
                evidence.add(of(plan, block, unit, unit.blocks().get(index), at));
            }
        }
        return evidence;
    }

    private static BlockEvidence of(
            Plan plan, PlannedBlock block, FoundUnit unit, FoundUnit.FoundBlock found, Instant at) {
        BlockEvidence before = plan.evidence(block.ref());
        Mark mark = new Mark(new StartAddress(unit.universe(), found.start()), modeName(block, unit), at, BY);
        Optional<StartAddress> planned = block.start();
        return planned.isPresent() && mark.confirms(planned.get(), block.mode().name())
                ? before.withProved(mark, unit.uid())
                : before.withSet(mark).withUid(unit.uid());
    }

    /** The plan's own name for the personality, so that equal modes compare equal whatever the unit calls them. */
    private static String modeName(PlannedBlock block, FoundUnit unit) {
        if (!RigMatcher.sameType(block.type(), unit)) {
            return Texts.clip(unit.model() + ", " + unit.modeName(), 60);
        }
        return block.type().personality(unit.personality()).map(m -> m.name()).orElse(Texts.clip(unit.modeName(), 60));
    }
}
