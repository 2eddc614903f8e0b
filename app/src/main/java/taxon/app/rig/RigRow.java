package taxon.app.rig;

import java.util.List;
import java.util.stream.Collectors;
import taxon.app.edit.JobState;
import taxon.app.web.Marks;
import taxon.app.web.Selection;
import taxon.app.web.Tints;
import taxon.core.dmx.StartAddress;
import taxon.core.finding.Severity;
import taxon.core.proof.Standing;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.space.Length;

/**
 * A row of the rig table.
 *
 * @param addresses of all blocks, "none" for one without
 * @param standing the one that is furthest behind of its blocks
 */
record RigRow(
        int key,
        String id,
        String type,
        int tint,
        String mode,
        String position,
        int unit,
        String offset,
        String addresses,
        int slots,
        Marks standing,
        String name,
        String note,
        boolean stopped,
        boolean chosen) {

    static List<RigRow> of(JobState state, Selection selection) {
        Tints tints = Tints.of(state.plan());
        var stopped = state.check().findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .flatMap(f -> f.fixtures().stream())
                .collect(Collectors.toSet());
        return state.plan().fixtures().stream()
                .map(f -> row(state.plan(), f, tints, stopped.contains(f.key()), selection.holds(f.key())))
                .toList();
    }

    private static RigRow row(Plan plan, Fixture f, Tints tints, boolean stopped, boolean chosen) {
        List<PlannedBlock> blocks = plan.blocksOf(f);
        return new RigRow(
                f.key().number(),
                f.label(),
                plan.type(f).fullName(),
                tints.of(f.type()),
                f.mode(),
                plan.position(f).name(),
                f.unit(),
                f.offset().map(Length::toString).orElse(""),
                blocks.stream()
                        .map(b -> b.start().map(StartAddress::toString).orElse("none"))
                        .collect(Collectors.joining(" ")),
                blocks.stream().mapToInt(PlannedBlock::footprint).sum(),
                Marks.of(standing(plan, blocks)),
                f.name(),
                f.note(),
                stopped,
                chosen);
    }

    /** Of several blocks: stale before all, then whatever is furthest from proof. */
    static Standing standing(Plan plan, List<PlannedBlock> blocks) {
        List<Standing> all = blocks.stream().map(b -> Standing.of(b, plan)).toList();
        return all.contains(Standing.STALE)
                ? Standing.STALE
                : all.stream().min(Standing::compareTo).orElse(Standing.UNPLACED);
    }
}
