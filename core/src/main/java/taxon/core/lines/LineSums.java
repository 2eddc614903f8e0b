package taxon.core.lines;

import java.util.Optional;
import taxon.core.dmx.UniverseNumber;
import taxon.core.length.Length;
import taxon.core.lines.ChainTask.Limits;
import taxon.core.lines.Chains.Chain;
import taxon.core.lines.LineProposal.Saving;
import taxon.core.lines.LineProposal.Sum;
import taxon.core.network.CableRules;

/** What is known of an answer, in the words of lines. */
final class LineSums {
    private static final double MILLIMETRES = 1000;

    private final ChainTask task;
    private final Chains chains;
    private final CableRules rules;

    LineSums(SplitAnswer answer, CableRules rules) {
        task = answer.task();
        chains = answer.chains();
        this.rules = rules;
    }

    Sum of(UniverseNumber universe) {
        int unreckoned = chains.chains().stream().mapToInt(this::unknown).sum();
        long cable = chains.cost() - (long) unreckoned * ChainTask.UNKNOWN;
        return new Sum(
                universe,
                task.units(),
                chains.lines(),
                chains.fewest(),
                cable / MILLIMETRES,
                Optional.of(chains.least()).filter(l -> l > 0).map(l -> l / MILLIMETRES),
                unreckoned,
                saving());
    }

    private int unknown(Chain chain) {
        int[] units = chain.units();
        int unknown = task.feeds().get(chain.feed()).known()[units[0]] ? 0 : 1;
        for (int i = 1; i < units.length; i++) {
            unknown += task.known()[units[i - 1]][units[i]] ? 0 : 1;
        }
        return unknown;
    }

    /** Tried out: with the wider limit the units are divided once more. */
    private Optional<Saving> saving() {
        if (chains.lines() < 2 || rules.first() == CableRules.First.LEAST_CABLE) {
            return Optional.empty();
        }
        int units = (task.units() + chains.lines() - 2) / (chains.lines() - 1);
        return Optional.of(units)
                .filter(u -> u <= CableRules.UNIT_LOADS && u > task.limits().units())
                .filter(u ->
                        saves(new Limits(u, task.limits().load(), task.limits().length())))
                .<Saving>map(Saving.MoreUnits::new)
                .or(this::longer);
    }

    private Optional<Saving> longer() {
        Limits limits = new Limits(task.limits().units(), task.limits().load(), Integer.MAX_VALUE / 4);
        return divided(limits)
                .filter(c -> c.lines() < chains.lines())
                .map(c -> Length.millimetres(longest(c)))
                .map(Saving.LongerLine::new);
    }

    private boolean saves(Limits limits) {
        return divided(limits).filter(c -> c.lines() < chains.lines()).isPresent();
    }

    private Optional<Chains> divided(Limits limits) {
        return ChainMaker.roughly(task.within(limits));
    }

    private long longest(Chains longer) {
        return longer.chains().stream().mapToLong(task::length).max().orElse(0);
    }
}
