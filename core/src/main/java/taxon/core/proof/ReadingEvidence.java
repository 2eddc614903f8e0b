package taxon.core.proof;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.proof.RigComparison.Line;
import taxon.core.proof.RigComparison.Verdict;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Fixture;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.text.Counted;
import taxon.core.text.Texts;

/**
 * What a reading of the rig proves, block by block.
 *
 * <p>Only a unit that is right in everything proves anything: the unit that it was taken for with certainty, on this universe, in
 * this mode and length, every block at its address. One that differs leaves what it has as last set, so that its blocks turn stale,
 * and no older proof of it stands. A missing unit changes nothing: silence proves neither way; and so does one of which it is not
 * known whose it is.
 */
public final class ReadingEvidence {
    private static final String BY = "read from the unit";
    private static final int LONGEST = 60;

    private ReadingEvidence() {}

    public static List<BlockEvidence> of(Plan plan, RigComparison comparison, Instant at) {
        return comparison.lines().stream()
                .flatMap(line -> of(plan, line, at).stream())
                .toList();
    }

    /** What one line proves; nothing where it has no fixture or no unit, or it is not sure which. */
    public static List<BlockEvidence> of(Plan plan, Line line, Instant at) {
        if (line.fixture().isEmpty() || line.found().isEmpty() || line.verdict() == Verdict.UNSURE) {
            return List.of();
        }
        Fixture fixture = line.fixture().get();
        FoundUnit unit = line.found().get();
        boolean right = line.verdict() == Verdict.RIGHT;
        List<BlockEvidence> evidence = new ArrayList<>();
        for (PlannedBlock block : plan.blocksOf(fixture)) {
            BlockEvidence before = plan.evidence(block.ref());
            // A match by order alone must not be taken for knowledge at the next reading, so its UID is not kept.
            String uid = line.isCertain() ? unit.uid() : before.uid();
            int index = block.ref().block() - 1;
            if (index >= unit.blocks().size()) {
                evidence.add(before.withoutProof().withUid(uid));
                continue;
            }
            Mark mark = mark(block, unit, index, right, at);
            evidence.add(
                    right && block.start().isPresent()
                            ? before.withProved(mark, uid)
                            : before.withoutProof().withSet(mark).withUid(uid));
        }
        return evidence;
    }

    private static Mark mark(PlannedBlock block, FoundUnit unit, int index, boolean right, Instant at) {
        FoundUnit.FoundBlock found = unit.blocks().get(index);
        String mode = modeName(block.type(), unit);
        boolean saysThePlan = mode.equals(block.mode().name());
        // A mode of the planned name that is no such mode must not read as if it were.
        boolean longer = saysThePlan && found.footprint() != block.block().footprint();
        boolean other = saysThePlan
                && !right
                && block.type()
                        .numberOf(block.mode(), unit.software())
                        .filter(p -> p != unit.personality())
                        .isPresent();
        String told = longer
                ? mode + ", " + Counted.of(found.footprint(), "slot")
                : other ? mode + ", personality " + unit.personality() : mode;
        return new Mark(new StartAddress(unit.universe(), found.start()), Texts.clip(told, LONGEST), at, BY);
    }

    /** The plan's own name for the personality, so that equal modes compare equal whatever the unit calls them. */
    private static String modeName(FixtureType type, FoundUnit unit) {
        if (!unit.model().isBlank() && !UnitDifferences.isOfType(type, unit)) {
            return Texts.clip(unit.model() + ", " + unit.modeName(), LONGEST);
        }
        Optional<Mode> known = type.numbered(unit.personality(), unit.software());
        return known.map(Mode::name).orElse(Texts.clip(unit.modeName(), LONGEST));
    }
}
