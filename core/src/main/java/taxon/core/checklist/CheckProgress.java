package taxon.core.checklist;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.UnitCheck;

/** How far the check list is, position by position along the rig. */
public record CheckProgress(List<AtPosition> positions) {
    public CheckProgress {
        positions = List.copyOf(positions);
    }

    /** A unit with its checks. */
    public record OfUnit(Fixture fixture, List<CheckState> checks) {
        public OfUnit {
            checks = List.copyOf(checks);
        }

        /** True when all of it is as planned. */
        public boolean isDone() {
            return checks.stream().allMatch(CheckState::isDone);
        }

        /** Those that were seen to be wrong. */
        public List<UnitCheck> wrong() {
            return checks.stream()
                    .filter(CheckState::isWrong)
                    .map(c -> c.seen().orElseThrow())
                    .toList();
        }

        /** How many checks are done. */
        public int done() {
            return (int) checks.stream().filter(CheckState::isDone).count();
        }
    }

    /** The units of a position in their order. */
    public record AtPosition(Position position, List<OfUnit> units) {
        public AtPosition {
            units = List.copyOf(units);
        }

        /** How many units are done. */
        public long done() {
            return units.stream().filter(OfUnit::isDone).count();
        }

        /** How many units were seen to be wrong. */
        public long wrong() {
            return units.stream().filter(u -> !u.wrong().isEmpty()).count();
        }
    }

    /** All units of the plan in the order along the rig. */
    public static CheckProgress of(Plan plan) {
        Map<Position, List<OfUnit>> byPosition = new LinkedHashMap<>();
        for (Fixture fixture : along(plan)) {
            byPosition
                    .computeIfAbsent(plan.position(fixture), p -> new ArrayList<>())
                    .add(new OfUnit(fixture, CheckState.of(plan, fixture)));
        }
        return new CheckProgress(byPosition.entrySet().stream()
                .map(e -> new AtPosition(e.getKey(), e.getValue()))
                .toList());
    }

    /** Units as one walks along the rig. */
    public static List<Fixture> along(Plan plan) {
        return RigOrder.of(plan, plan.fixtures(), NumberingOrder.USUAL);
    }

    /** How many units there are. */
    public int units() {
        return positions.stream().mapToInt(p -> p.units().size()).sum();
    }

    /** How many units are done. */
    public long done() {
        return positions.stream().mapToLong(AtPosition::done).sum();
    }

    /** What was seen to be wrong, along the rig: what stops the hand-over. */
    public List<UnitCheck> wrong() {
        return positions.stream()
                .flatMap(p -> p.units().stream())
                .flatMap(u -> u.wrong().stream())
                .toList();
    }
}
