package taxon.core.explain;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import taxon.core.rig.FixtureKey;

/**
 * Tells the outcomes of a trial in many rigs apart, without working all of each out: rigs in which only units are otherwise differ by the
 * answers of these units alone.
 */
final class Outcomes {
    /** Stands for a rest that is not the usual one, even where it is empty. */
    private static final FixtureKey NOBODY = FixtureKey.of(Integer.MAX_VALUE);

    private final RigUnits rig;
    private final Set<FixtureKey> touched;
    private final Map<Trial, Parted> asPlanned = new HashMap<>();

    /** @param worlds whose outcomes are to be held against each other */
    Outcomes(RigUnits rig, List<World> worlds) {
        this.rig = rig;
        touched = worlds.stream()
                .filter(w -> w.carried().isEmpty())
                .flatMap(w -> w.units().keySet().stream())
                .collect(Collectors.toSet());
    }

    /** What all units that no rig touches answer, and what the others do. */
    record Parted(Set<Response> untouched, Set<Response> touched) {}

    /** What a rig answers in which no unit and no line is otherwise than planned. */
    Parted asPlanned(Trial trial) {
        return asPlanned.computeIfAbsent(trial, t -> new Parted(Set.of(), planned(t, r -> touched.contains(r.unit()))));
    }

    /** The same for two rigs exactly where the same answers. */
    Parted of(World world, Trial trial) {
        return unusual(world, trial).orElseGet(() -> asPlanned(trial));
    }

    /** Empty where what is otherwise has no part in the trial; it may be {@link #asPlanned} all the same where it has one. */
    Optional<Parted> unusual(World world, Trial trial) {
        return world.carried().isEmpty() ? ofUnits(world, trial) : Optional.of(ofLines(world, trial));
    }

    private Optional<Parted> ofUnits(World world, Trial trial) {
        Set<Response> planned = asPlanned(trial).touched();
        Set<Response> answers = new HashSet<>();
        for (Response response : planned) {
            if (!world.units().containsKey(response.unit())) {
                answers.add(response);
            }
        }
        int others = answers.size();
        for (UnitState unit : world.units().values()) {
            unit.answers(trial.universe(), trial).forEach(answers::add);
        }
        boolean hasPart = others < planned.size() || others < answers.size();
        return hasPart ? Optional.of(new Parted(Set.of(), answers)) : Optional.empty();
    }

    private Parted ofLines(World world, Trial trial) {
        Set<Response> own = new HashSet<>();
        Set<Response> rest = new HashSet<>();
        world.answers(trial).forEach(r -> (touched.contains(r.unit()) ? own : rest).add(r));
        Set<Response> usual = planned(trial, r -> !touched.contains(r.unit()));
        return rest.equals(usual) ? new Parted(Set.of(), own) : new Parted(marked(rest), own);
    }

    private Set<Response> planned(Trial trial, Predicate<Response> which) {
        return rig.answers(trial.universe(), trial).stream().filter(which).collect(Collectors.toSet());
    }

    /** Never empty, so that none is taken for the usual. */
    private static Set<Response> marked(Set<Response> rest) {
        Set<Response> marked = new HashSet<>(rest);
        marked.add(Response.of(NOBODY));
        return marked;
    }
}
