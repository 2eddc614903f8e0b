package taxon.core.explain;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import taxon.core.explain.Likelihood.Fit;
import taxon.core.rig.FixtureKey;

/**
 * How well rigs explain what one trial showed. Worked out unit by unit: a rig in which some units are otherwise differs from the planned one
 * by these alone.
 */
final class Sight {
    /** A unit whose order of channels is not known does just this. */
    private static final double OF_MANY = Math.log(0.1);
    /** What is unsteady is seen to be so, or is steady just now. */
    private static final double FLICKERING = Math.log(0.5);

    private static final double STEADY_NOW = Math.log(0.25);

    private final Observation observation;
    private final Map<FixtureKey, Set<Response>> seen;
    private final Map<FixtureKey, Fit> planned = new HashMap<>();
    private final Fit whole;

    Sight(RigUnits rig, Observation observation) {
        this.observation = observation;
        seen = byUnit(observation.seen());
        World asPlanned = World.asPlanned(rig);
        Map<FixtureKey, Set<Response>> predicted = byUnit(asPlanned.answers(observation.trial()));
        units(predicted).forEach(u -> planned.put(u, ofUnit(asPlanned, u, of(u, predicted))));
        whole = planned.values().stream().reduce(Fit.WHOLE, Fit::and);
    }

    private static Map<FixtureKey, Set<Response>> byUnit(Set<Response> responses) {
        return responses.stream().collect(Collectors.groupingBy(Response::unit, Collectors.toSet()));
    }

    private static Set<Response> of(FixtureKey unit, Map<FixtureKey, Set<Response>> responses) {
        return responses.getOrDefault(unit, Set.of());
    }

    private Set<FixtureKey> units(Map<FixtureKey, Set<Response>> predicted) {
        Set<FixtureKey> units = new HashSet<>(predicted.keySet());
        units.addAll(seen.keySet());
        return units;
    }

    Fit of(World world) {
        return world.carried().isEmpty() ? ofChanged(world) : ofAll(world);
    }

    private Fit ofAll(World world) {
        Map<FixtureKey, Set<Response>> predicted = byUnit(world.answers(observation.trial()));
        Fit fit = Fit.WHOLE;
        for (FixtureKey unit : units(predicted)) {
            fit = fit.and(ofUnit(world, unit, of(unit, predicted)));
        }
        return fit;
    }

    private Fit ofChanged(World world) {
        Fit fit = whole;
        for (UnitState unit : world.units().values()) {
            Set<Response> predicted = unit.answers(observation.trial().universe(), observation.trial())
                    .collect(Collectors.toSet());
            fit = fit.without(planned.getOrDefault(unit.key(), Fit.WHOLE)).and(ofUnit(world, unit.key(), predicted));
        }
        return fit;
    }

    private Fit ofUnit(World world, FixtureKey unit, Set<Response> predicted) {
        Set<Response> answered = of(unit, seen);
        if (predicted.isEmpty() && answered.isEmpty()) {
            return Fit.WHOLE;
        }
        UnitState changed = world.units().get(unit);
        return changed != null && changed.quirks().unsteady() ? ofUnsteady(answered) : ofSteady(predicted, answered);
    }

    private static Fit ofUnsteady(Set<Response> answered) {
        if (answered.isEmpty()) {
            return new Fit(Likelihood.SILENT_NOW, 0);
        }
        return new Fit(answered.stream().anyMatch(Response::isUnsteady) ? FLICKERING : STEADY_NOW, 0);
    }

    private static Fit ofSteady(Set<Response> predicted, Set<Response> answered) {
        Set<Response> overlooked = without(predicted, answered);
        Set<Response> imagined = without(answered, predicted);
        boolean vague = overlooked.stream().anyMatch(Sight::isVague) && !imagined.isEmpty();
        if (vague || !overlooked.isEmpty() && imagined.stream().anyMatch(Sight::isVague)) {
            long rest = imagined.stream()
                    .filter(Predicate.not(Sight::isVague))
                    .filter(r -> !vague || r.manner() != Response.Manner.AS_TOLD)
                    .count();
            return new Fit(vague ? OF_MANY : 0, 0).and(Fit.of(Likelihood.IMAGINED, (int) rest));
        }
        return Fit.of(Likelihood.OVERLOOKED, overlooked.size()).and(Fit.of(Likelihood.IMAGINED, imagined.size()));
    }

    /** That something was done, and nobody said what. */
    private static boolean isVague(Response response) {
        return response.what().isEmpty() && response.manner() == Response.Manner.AS_TOLD;
    }

    private static Set<Response> without(Set<Response> some, Set<Response> others) {
        Set<Response> left = new HashSet<>(some);
        left.removeAll(others);
        return left;
    }
}
