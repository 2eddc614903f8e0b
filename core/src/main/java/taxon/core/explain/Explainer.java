package taxon.core.explain;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.rig.Plan;

/**
 * Finds the single mistake that explains what is known of a rig, or the smallest set of mistakes. Its work grows with the units that are
 * otherwise than planned, and is bounded.
 */
public final class Explainer {
    private final RigUnits rig;

    public Explainer(Plan plan) {
        rig = new RigUnits(plan);
    }

    /** What would answer if all were as planned. */
    public Set<Response> expected(Trial trial) {
        return World.asPlanned(rig).answers(trial);
    }

    /** What a unit would say if all were as planned; silence of one that the plan gives no address. */
    public Reading planned(Reading reading) {
        return rig.unit(reading.unit())
                .map(u -> new Reading(
                        u.key(),
                        Optional.of(new Reading.Said(
                                u.starts().stream()
                                        .flatMap(Optional::stream)
                                        .map(UnitState.Start::slot)
                                        .toList(),
                                Optional.of(u.mode()),
                                reading.said()
                                        .flatMap(Reading.Said::axes)
                                        .map(a -> new Reading.Axes(Set.of(), false))))))
                .orElse(Reading.silent(reading.unit()));
    }

    /** True where it is just what is to be expected when all is as planned. */
    public boolean isAsPlanned(Evidence evidence) {
        return new Likelihood(rig, List.of(evidence)).of(World.asPlanned(rig)).unexplained() == 0;
    }

    /** The causes that may be, the likeliest first; none where all that is known is as planned. */
    public List<Verdict> explain(List<? extends Evidence> evidence) {
        List<Weighed> weighed = weigh(evidence);
        double sum = weighed.stream().mapToDouble(Weighed::odds).sum();
        return weighed.stream()
                .map(w -> new Verdict(w.causes(), w.odds() / sum, w.unexplained()))
                .toList();
    }

    private List<Weighed> weigh(List<? extends Evidence> evidence) {
        return new Weighing(rig, evidence).weigh(Suspects.of(rig, evidence));
    }

    /** The trial that tells the causes apart best; empty where none does. */
    public Optional<Trial> next(List<? extends Evidence> evidence) {
        Set<Trial> done = new HashSet<>();
        evidence.forEach(e -> {
            if (e instanceof Observation seen) {
                done.add(seen.trial());
            }
        });
        List<Trials.Rival> rivals = new ArrayList<>();
        weigh(evidence).forEach(w -> rivals.add(new Trials.Rival(w.world(), w.odds())));
        return Trials.best(rig, rivals, done);
    }
}
