package taxon.app.checks.list;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.checklist.CheckProgress;
import taxon.core.checklist.CheckProgress.AtPosition;
import taxon.core.checklist.CheckProgress.OfUnit;
import taxon.core.checklist.CheckText;
import taxon.core.rig.Plan;

/**
 * How far the check list is, as the page shows it.
 *
 * @param positions along the rig
 * @param wrong what was seen to be wrong
 * @param first the first unit that is not done; empty where all are
 */
public record ListView(
        int units, long done, List<PositionLine> positions, List<WrongLine> wrong, Optional<Integer> first) {
    /** A position with how far its units are. */
    public record PositionLine(String name, int units, long done, long wrong, List<UnitChip> chips) {}

    /**
     * A unit in the row of its position.
     *
     * @param state "moss", "stop", "warn" for one that is begun or stale, "none"
     * @param words for those who do not see the mark: "3 of 5 checked"
     */
    public record UnitChip(int key, String label, String state, String words) {}

    /** Something that was seen to be wrong. */
    public record WrongLine(int key, String words) {}

    static ListView of(Plan plan) {
        CheckProgress progress = CheckProgress.of(plan);
        return new ListView(
                progress.units(),
                progress.done(),
                progress.positions().stream().map(ListView::line).toList(),
                progress.wrong().stream()
                        .map(w -> new WrongLine(w.fixture().number(), CheckText.line(plan, w)))
                        .toList(),
                progress.positions().stream()
                        .flatMap(p -> p.units().stream())
                        .filter(u -> !u.isDone() && u.wrong().isEmpty())
                        .findFirst()
                        .map(u -> u.fixture().key().number()));
    }

    private static PositionLine line(AtPosition at) {
        return new PositionLine(
                at.position().name(),
                at.units().size(),
                at.done(),
                at.wrong(),
                at.units().stream().map(ListView::chip).collect(Collectors.toList()));
    }

    private static UnitChip chip(OfUnit unit) {
        boolean begun = unit.checks().stream().anyMatch(c -> c.seen().isPresent());
        String state = unit.isDone() ? "moss" : !unit.wrong().isEmpty() ? "stop" : begun ? "warn" : "none";
        return new UnitChip(
                unit.fixture().key().number(),
                unit.fixture().label(),
                state,
                unit.done() + " of " + unit.checks().size() + " checked"
                        + (unit.wrong().isEmpty() ? "" : ", " + unit.wrong().size() + " wrong"));
    }
}
