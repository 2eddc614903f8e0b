package taxon.core.explain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.rig.Plan;

/** Finds the single mistake that explains what was seen of a rig. Its work grows with the units that answered otherwise, and is bounded. */
public final class Explainer {
    /** Somebody overlooks that a unit answered as well. */
    private static final double OVERLOOKED = Math.log(0.1);
    /** Somebody sees what is not there. */
    private static final double IMAGINED = Math.log(1e-4);

    private static final int MOST_VERDICTS = 1_000;
    private static final double NEGLIGIBLE = Math.log(1e-9);

    private final RigUnits rig;

    public Explainer(Plan plan) {
        rig = new RigUnits(plan);
    }

    /** What would answer if all were as planned. */
    public Set<Response> expected(Trial trial) {
        return World.asPlanned(rig).answers(trial);
    }

    /** A cause with the rig that it would make. */
    private record Weighed(Cause cause, World world, double weight, int unexplained) {
        Weighed weighing(double changed) {
            return new Weighed(cause, world, changed, unexplained);
        }
    }

    /** The causes that may be, the likeliest first; none where all that was seen is as planned. */
    public List<Verdict> explain(List<Observation> observations) {
        List<Weighed> weighed = weigh(observations);
        double sum = weighed.stream().mapToDouble(Weighed::weight).sum();
        return weighed.stream()
                .map(w -> new Verdict(w.cause(), w.weight() / sum, w.unexplained()))
                .toList();
    }

    private List<Weighed> weigh(List<Observation> observations) {
        Map<Object, Weighed> byDifference = new LinkedHashMap<>();
        for (Cause cause : Suspects.of(rig, observations)) {
            cause.in(World.asPlanned(rig)).ifPresent(world -> {
                Weighed weighed = weigh(cause, world, observations);
                byDifference.merge(world.difference(), weighed, (a, b) -> b.weight() > a.weight() ? b : a);
            });
        }
        double most = byDifference.values().stream()
                .mapToDouble(Weighed::weight)
                .max()
                .orElse(0);
        return byDifference.values().stream()
                .filter(w -> w.weight() - most > NEGLIGIBLE)
                // Of equal ones, the one that was thought of first stays first.
                .sorted(Comparator.comparingDouble(w -> -w.weight()))
                .limit(MOST_VERDICTS)
                .map(w -> w.weighing(Math.exp(w.weight() - most)))
                .toList();
    }

    /** Weighed in logarithms: what explains badly is still better than what explains worse. */
    private static Weighed weigh(Cause cause, World world, List<Observation> observations) {
        double weight = Math.log(cause.weight());
        int unexplained = 0;
        for (Observation observation : observations) {
            Set<Response> predicted = world.answers(observation.trial());
            int overlooked = without(predicted, observation.seen());
            int imagined = without(observation.seen(), predicted);
            weight += overlooked * OVERLOOKED + imagined * IMAGINED;
            unexplained += overlooked + imagined;
        }
        return new Weighed(cause, world, weight, unexplained);
    }

    private static int without(Set<Response> some, Set<Response> others) {
        Set<Response> left = new HashSet<>(some);
        left.removeAll(others);
        return left.size();
    }

    /** The trial that tells the causes apart best; empty where none does. */
    public Optional<Trial> next(List<Observation> observations) {
        List<Weighed> weighed = weigh(observations);
        Set<Trial> done = new HashSet<>();
        observations.forEach(o -> done.add(o.trial()));
        List<Trials.Rival> rivals = new ArrayList<>();
        weighed.forEach(w -> rivals.add(new Trials.Rival(w.cause(), w.world(), w.weight())));
        return Trials.best(rig, rivals, done);
    }
}
