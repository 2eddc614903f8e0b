package taxon.core.found;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import taxon.core.boxcheck.SeenBox;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.found.FoundUnits.Why;
import taxon.core.network.Route;
import taxon.core.proof.FoundUnit;
import taxon.core.rig.Box;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.edit.NetworkEdits;
import taxon.core.rig.edit.Omission;
import taxon.core.rig.edit.Proposed;

/**
 * Boxes and units that are there and were not planned, taken into the plan as they are.
 *
 * @param boxes as they will be
 * @param units as they will be added
 * @param ways how many ways of planned universes end at the boxes
 */
public record FoundProposal(Edit edit, List<Box> boxes, List<Added> units, int ways, List<Left> omissions)
        implements Proposed {
    public FoundProposal {
        boxes = List.copyOf(boxes);
        units = List.copyOf(units);
        omissions = List.copyOf(omissions);
    }

    /** A unit that is not taken over, with the reason in words. */
    public record Left(String who, String why) implements Omission {}

    @Override
    public int staying() {
        return 0;
    }

    /**
     * Computes it.
     *
     * @param boxes that are not planned
     * @param units that no fixture is planned for
     * @param types the type of a unit by what it says that it is; empty where none is known
     */
    public static FoundProposal of(
            Plan plan, List<SeenBox> boxes, List<FoundUnit> units, Function<FoundUnit, Optional<FixtureType>> types) {
        List<Box> planned = new ArrayList<>();
        List<FoundBox.Way> ways = new ArrayList<>();
        int number = plan.nextNumber(Kind.BOX);
        for (SeenBox seen : boxes) {
            FoundBox found = new FoundBox(plan, seen);
            planned.add(found.box(number));
            ways.addAll(found.ways(number));
            number++;
        }
        List<Added> added = new ArrayList<>();
        List<Left> left = new ArrayList<>();
        for (FoundUnit unit : units) {
            take(plan, unit, types.apply(unit), added, left);
        }
        return new FoundProposal(edit(planned, ways, added), planned, added, ways.size(), left);
    }

    private static void take(
            Plan plan, FoundUnit unit, Optional<FixtureType> type, List<Added> added, List<Left> left) {
        Optional<Mode> mode = type.flatMap(t -> FoundUnits.mode(t, unit));
        Optional<Why> why = type.isEmpty()
                ? Optional.of(Why.TYPE)
                : mode.isEmpty()
                        ? Optional.of(Why.MODE)
                        : !FoundUnits.isAsLong(mode.get(), unit)
                                ? Optional.of(Why.LENGTH)
                                : isTaken(plan, unit) ? Optional.of(Why.TAKEN) : Optional.empty();
        if (why.isPresent()) {
            left.add(new Left("unit " + unit.uid(), why.get().words()));
        } else {
            added.add(FoundUnits.added(plan, type.orElseThrow(), mode.orElseThrow(), unit));
        }
    }

    /** Somebody of the same start is planned: then it is that one, or one of them is set wrongly. */
    private static boolean isTaken(Plan plan, FoundUnit unit) {
        return plan.blocks().stream().anyMatch(b -> b.start().equals(Optional.of(FoundUnits.start(unit, 1))));
    }

    private static Edit edit(List<Box> boxes, List<FoundBox.Way> ways, List<Added> added) {
        return new Edit("Taken into the plan as found", plan -> {
            Edit.Outcome outcome = new Edit.Changed(plan);
            for (Box box : boxes) {
                outcome = then(outcome, NetworkEdits.putBox(box));
            }
            for (FoundBox.Way way : ways) {
                outcome = then(
                        outcome,
                        new Edit("way", p -> NetworkEdits.route(with(p, way)).applyTo(p)));
            }
            return added.isEmpty() ? outcome : then(outcome, FixtureEdits.add("units", added));
        });
    }

    private static Universe with(Plan plan, FoundBox.Way way) {
        Universe universe = plan.universe(way.universe());
        List<Route> routes = new ArrayList<>(universe.routes());
        routes.add(way.route());
        return universe.with(routes);
    }

    private static Edit.Outcome then(Edit.Outcome before, Edit next) {
        return before instanceof Edit.Changed changed ? next.applyTo(changed.plan()) : before;
    }
}
