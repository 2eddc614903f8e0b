package taxon.core.rig.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.edit.Edit.Changed;

/** Edits of the places where fixtures hang. */
public final class PositionEdits {
    private PositionEdits() {}

    /** Gives a position another name, kind or place. Two positions are never called the same. */
    public static Edit change(Position position) {
        return new Edit(position.name() + " changed", plan -> {
            Optional<Position> known = plan.position(position.number());
            if (known.isEmpty()) {
                return missing(plan, position.number());
            }
            return isTaken(plan, position)
                    ? Edit.refuse(new Refusal("position name", position.name(), Fault.TAKEN, "another position"))
                    : new Changed(
                            plan.with(known.get().described(position.name(), position.kind(), position.geometry())));
        });
    }

    private static boolean isTaken(Plan plan, Position position) {
        return plan.positionNamed(position.name())
                .filter(p -> p.number() != position.number())
                .isPresent();
    }

    /** Adds a position behind all others; its number and rank are given here. */
    public static Edit add(String name, PositionKind kind, PositionGeometry geometry) {
        return new Edit(name + " added", plan -> {
            int number = plan.nextNumber(Kind.POSITION);
            Position made = new Position(number, name, kind, geometry).withRank(lastRank(plan) + 1);
            return isTaken(plan, made)
                    ? Edit.refuse(new Refusal("position name", name, Fault.TAKEN, "another position"))
                    : new Changed(plan.with(made));
        });
    }

    /**
     * Puts a position at another place in the order.
     *
     * @param place counted from 1; beyond the last means last
     */
    public static Edit move(int number, int place) {
        return new Edit("Order of positions changed", plan -> {
            Optional<Position> moved = plan.position(number);
            if (moved.isEmpty()) {
                return missing(plan, number);
            }
            List<Position> order = new ArrayList<>(plan.positions());
            order.remove(moved.get());
            order.add(Math.max(0, Math.min(place - 1, order.size())), moved.get());
            return new Changed(plan.with(IntStream.range(0, order.size())
                    .mapToObj(i -> order.get(i).withRank(i + 1))
                    .toList()));
        });
    }

    /** The rank of the last position; 0 where there is none. */
    public static int lastRank(Plan plan) {
        return plan.positions().stream().mapToInt(Position::rank).max().orElse(0);
    }

    /** Takes a position away on which nothing hangs. */
    public static Edit remove(int number) {
        return new Edit("Position taken away", plan -> {
            Optional<Position> position = plan.position(number);
            if (position.isEmpty()) {
                return missing(plan, number);
            }
            List<String> users = users(plan, position.get());
            return users.isEmpty()
                    ? new Changed(plan.without(List.of(position.get().elementKey())))
                    : Edit.refuse(
                            new Refusal("position", position.get().name(), Fault.IN_USE, String.join(" and ", users)));
        });
    }

    private static List<String> users(Plan plan, Position position) {
        List<String> users = new ArrayList<>();
        int hanging = plan.fixturesOn(position).size();
        if (hanging > 0) {
            users.add(hanging == 1 ? "1 fixture" : hanging + " fixtures");
        }
        plan.boxes().stream()
                .filter(b -> b.place().position().equals(Optional.of(position.number())))
                .forEach(b -> users.add(b.name()));
        return users;
    }

    private static Edit.Outcome missing(Plan plan, int number) {
        return Edit.refuse(new Refusal(
                "position",
                Integer.toString(number),
                Fault.NOT_FOUND,
                plan.positions().size() + " positions in the job"));
    }
}
