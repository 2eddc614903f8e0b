package taxon.core.rig;

import java.util.List;
import java.util.Optional;
import taxon.core.rig.Edit.Changed;
import taxon.core.rig.Refusal.Fault;

/** Edits of the places where fixtures hang. */
public final class PositionEdits {
    private PositionEdits() {}

    /** Gives a position another name, kind or place. Two positions are never called the same. */
    public static Edit change(Position position) {
        return new Edit(position.name() + " changed", plan -> {
            if (find(plan, position.number()).isEmpty()) {
                return missing(plan, position.number());
            }
            boolean taken = plan.positions().stream()
                    .anyMatch(p -> p.number() != position.number() && p.name().equalsIgnoreCase(position.name()));
            return taken
                    ? Edit.refuse(new Refusal("position name", position.name(), Fault.TAKEN, "another position"))
                    : new Changed(plan.with(position));
        });
    }

    /** Takes a position away on which nothing hangs. */
    public static Edit remove(int number) {
        return new Edit("Position taken away", plan -> {
            Optional<Position> position = find(plan, number);
            if (position.isEmpty()) {
                return missing(plan, number);
            }
            int hanging = plan.fixturesOn(position.get()).size();
            return hanging == 0
                    ? new Changed(plan.without(List.of(position.get().elementKey())))
                    : Edit.refuse(new Refusal(
                            "position",
                            position.get().name(),
                            Fault.IN_USE,
                            hanging == 1 ? "1 fixture" : hanging + " fixtures"));
        });
    }

    private static Optional<Position> find(Plan plan, int number) {
        return plan.positions().stream().filter(p -> p.number() == number).findFirst();
    }

    private static Edit.Outcome missing(Plan plan, int number) {
        return Edit.refuse(new Refusal(
                "position",
                Integer.toString(number),
                Fault.NOT_FOUND,
                plan.positions().size() + " positions in the job"));
    }
}
