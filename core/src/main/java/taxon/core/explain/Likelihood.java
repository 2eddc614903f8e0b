package taxon.core.explain;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** How well a rig explains what is known, in logarithms: what explains badly is still better than what explains worse. */
final class Likelihood {
    /** Somebody overlooks that a unit answered as well. */
    static final double OVERLOOKED = Math.log(0.1);
    /** A unit does not speak of itself, or was not heard to. */
    private static final double UNHEARD = Math.log(0.3);
    /** Somebody sees what is not there, or a unit says what is not so. */
    static final double IMAGINED = Math.log(1e-4);
    /** What is unsteady is silent just now. */
    static final double SILENT_NOW = Math.log(0.2);

    private final List<Sight> sights = new ArrayList<>();
    private final List<Reading> readings = new ArrayList<>();

    Likelihood(RigUnits rig, List<? extends Evidence> evidence) {
        for (Evidence one : evidence) {
            if (one instanceof Observation seen) {
                sights.add(new Sight(rig, seen));
            } else {
                readings.add((Reading) one);
            }
        }
    }

    /**
     * How well.
     *
     * @param log at most 0
     * @param unexplained how much of it is otherwise
     */
    record Fit(double log, int unexplained) {
        static final Fit WHOLE = new Fit(0, 0);

        static Fit of(double each, int times) {
            return new Fit(each * times, times);
        }

        Fit without(Fit other) {
            return new Fit(log - other.log, unexplained - other.unexplained);
        }

        Fit and(Fit other) {
            return new Fit(log + other.log, unexplained + other.unexplained);
        }
    }

    /** How well a rig explains all of it. */
    Fit of(World world) {
        Fit fit = Fit.WHOLE;
        for (Sight sight : sights) {
            fit = fit.and(sight.of(world));
        }
        for (Reading reading : readings) {
            fit = fit.and(of(world, reading));
        }
        return fit;
    }

    private static Fit of(World world, Reading reading) {
        Optional<UnitState> state = world.unit(reading.unit());
        if (state.isEmpty()) {
            return Fit.WHOLE;
        }
        if (reading.said().isEmpty()) {
            return ofSilence(state.get());
        }
        return state.get().isOff()
                ? Fit.of(IMAGINED, 1)
                : Fit.of(IMAGINED, differences(state.get(), reading.said().get(), world));
    }

    private static Fit ofSilence(UnitState state) {
        if (state.isOff()) {
            return Fit.WHOLE;
        }
        return state.quirks().unsteady() ? new Fit(SILENT_NOW, 0) : Fit.of(UNHEARD, 1);
    }

    private static int differences(UnitState state, Reading.Said said, World world) {
        int differences = said.mode().filter(m -> !m.equals(state.mode())).isPresent() ? 1 : 0;
        differences += said.axes().filter(a -> !isSo(a, state.quirks())).isPresent() ? 1 : 0;
        for (int i = 0; i < Math.min(said.starts().size(), state.starts().size()); i++) {
            int slot = said.starts().get(i);
            differences += start(state, i, world).filter(s -> s.slot() != slot).isPresent() ? 1 : 0;
        }
        return differences;
    }

    /** A block that listens to nothing has a start address in the menu all the same: the planned one, for all that is known. */
    private static Optional<UnitState.Start> start(UnitState state, int block, World world) {
        return state.starts()
                .get(block)
                .or(() -> world.rig()
                        .unit(state.key())
                        .filter(u -> block < u.starts().size())
                        .flatMap(u -> u.starts().get(block)));
    }

    private static boolean isSo(Reading.Axes axes, Quirks quirks) {
        return axes.turned().equals(quirks.reversed()) && axes.swapped() == quirks.swapped();
    }
}
