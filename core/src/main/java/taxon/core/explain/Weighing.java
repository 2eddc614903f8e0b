package taxon.core.explain;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.dmx.UniverseNumber;
import taxon.core.explain.World.Difference;
import taxon.core.rig.FixtureKey;

/** Weighs causes, and where no single one explains all, sets of them. Bounded. */
final class Weighing {
    private static final int MOST_VERDICTS = 1_000;
    private static final double NEGLIGIBLE = Math.log(1e-9);
    private static final int MOST_AT_ONCE = 12;
    /** Sets that are made larger; the larger they are the fewer, and what each is tried with. */
    private static final int MOST_SETS = 12;

    private static final int MOST_OF_ONE_THING = 20;
    private static final int MOST_HELPFUL = 240;

    private static final Comparator<Weighed> LIKELIEST = Comparator.comparingDouble(w -> -w.weight());

    private final World planned;
    private final Likelihood likelihood;
    private final Map<Difference, Weighed> byDifference = new LinkedHashMap<>();

    Weighing(RigUnits rig, List<? extends Evidence> evidence) {
        planned = World.asPlanned(rig);
        likelihood = new Likelihood(rig, evidence);
    }

    /** The likeliest first. Of causes that would make the same rig only the likeliest is kept. */
    List<Weighed> weigh(Collection<Cause> suspects) {
        for (Cause cause : suspects) {
            cause.in(planned).ifPresent(world -> keep(Weighed.of(cause, world, likelihood)));
        }
        List<Weighed> singles = sorted(byDifference.values());
        if (!singles.isEmpty() && singles.get(0).unexplained() > 0) {
            sets(singles);
        }
        List<Weighed> all = sorted(byDifference.values());
        double most = all.isEmpty() ? 0 : all.get(0).weight();
        return all.stream()
                .filter(w -> w.weight() - most > NEGLIGIBLE)
                .limit(MOST_VERDICTS)
                .map(w -> w.against(most))
                .toList();
    }

    private void keep(Weighed weighed) {
        byDifference.merge(weighed.world().difference(), weighed, (a, b) -> b.weight() > a.weight() ? b : a);
    }

    /** Of equal ones, the one that was thought of first stays first. */
    private static List<Weighed> sorted(Collection<Weighed> some) {
        return some.stream().sorted(LIKELIEST).toList();
    }

    private void sets(List<Weighed> singles) {
        List<Weighed> helpful = helpful(singles);
        List<Weighed> best = firstOf(helpful, MOST_SETS);
        for (int size = 2; size <= MOST_AT_ONCE; size++) {
            List<Weighed> larger = firstOf(sorted(larger(best, helpful)), Math.max(1, MOST_SETS / size));
            if (larger.isEmpty() || larger.get(0).weight() <= best.get(0).weight()) {
                return;
            }
            best = larger;
            if (best.get(0).unexplained() == 0) {
                return;
            }
        }
    }

    private static List<Weighed> firstOf(List<Weighed> some, int most) {
        return some.stream().limit(most).toList();
    }

    /** Those that explain more than nothing does; of each thing that may be otherwise only the likeliest. */
    private List<Weighed> helpful(List<Weighed> singles) {
        double nothing = likelihood.of(planned).log();
        Map<Things, Integer> ofOneThing = new LinkedHashMap<>();
        return singles.stream()
                .filter(w -> w.fit().log() > nothing)
                .filter(w -> ofOneThing.merge(Things.of(w), 1, Integer::sum) <= MOST_OF_ONE_THING)
                .limit(MOST_HELPFUL)
                .toList();
    }

    /** What is otherwise than planned, but not how. */
    private record Things(Set<FixtureKey> units, Set<UniverseNumber> lines) {
        static Things of(Weighed weighed) {
            return new Things(
                    weighed.world().units().keySet(), weighed.world().carried().keySet());
        }
    }

    private Collection<Weighed> larger(List<Weighed> sets, List<Weighed> helpful) {
        Map<Difference, Weighed> found = new LinkedHashMap<>();
        for (Weighed set : sets) {
            for (Weighed one : helpful) {
                joined(set, one).ifPresent(w -> found.putIfAbsent(w.world().difference(), w));
            }
        }
        found.values().forEach(this::keep);
        return new ArrayList<>(found.values());
    }

    /** Both at once, in one unit or in two; empty where the one undoes the other. */
    private Optional<Weighed> joined(Weighed set, Weighed one) {
        List<Difference> undone = List.of(set.world().difference(), one.world().difference());
        return one.causes()
                .get(0)
                .in(set.world())
                .filter(both -> !undone.contains(both.difference()))
                .map(both -> set.with(one, both, likelihood));
    }
}
