package taxon.core.explain;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
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

    /** The same for two rigs exactly where the same answers. */
    Parted of(World world, Trial trial) {
        Set<Response> own = new HashSet<>();
        Set<Response> rest = new HashSet<>();
        if (!world.carried().isEmpty()) {
            world.answers(trial).forEach(r -> (touched.contains(r.unit()) ? own : rest).add(r));
            Set<Response> usual = untouched(trial);
            return rest.equals(usual) ? new Parted(Set.of(), own) : new Parted(marked(rest), own);
        }
        for (Response response : rig.answers(trial.universe(), trial)) {
            if (touched.contains(response.unit()) && !world.units().containsKey(response.unit())) {
                own.add(response);
            }
        }
        world.units().values().forEach(u -> u.answers(trial.universe(), trial).forEach(own::add));
        return new Parted(Set.of(), own);
    }

    private Set<Response> untouched(Trial trial) {
        return rig.answers(trial.universe(), trial).stream()
                .filter(r -> !touched.contains(r.unit()))
                .collect(Collectors.toSet());
    }

    /** Never empty, so that none is taken for the usual. */
    private static Set<Response> marked(Set<Response> rest) {
        Set<Response> marked = new HashSet<>(rest);
        marked.add(Response.of(NOBODY));
        return marked;
    }
}
