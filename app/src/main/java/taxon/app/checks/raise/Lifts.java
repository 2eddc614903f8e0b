package taxon.app.checks.raise;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import taxon.app.form.Reply;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.raising.Grip;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;

/** Raising for pages that check one unit after the other, by an arming that is in force already. */
@Service
public class Lifts {
    private final Armings armings;

    Lifts(Armings armings) {
        this.armings = armings;
    }

    /**
     * An arming that is in force.
     *
     * @param who armed it
     */
    public record InForce(int id, String who, Instant until) {}

    /** Who raises, as it is told to every receiver. */
    public static String who(Reply reply) {
        return RaiseController.who(reply);
    }

    /** The arming of a job by which a unit can be raised; empty where none is in force. */
    public Optional<InForce> covering(int job, Plan plan, FixtureKey unit) {
        return find(job, plan, unit).map(Lifts::inForce);
    }

    /** What armings of a job hold up now: the slots whose level is not 0. */
    public SortedSet<StartAddress> raised(int job) {
        SortedSet<StartAddress> raised = new TreeSet<>();
        ofJob(job)
                .forEach(a -> a.grip().orElseThrow().held().forEach((slot, held) -> {
                    if (held.level() > 0) {
                        raised.add(slot);
                    }
                }));
        return raised;
    }

    /** The arming of a job that was made for the whole of a universe; empty where none is in force. */
    public Optional<InForce> covering(int job, UniverseNumber universe) {
        return arming(job, universe).map(Lifts::inForce);
    }

    private static InForce inForce(Arming arming) {
        return new InForce(
                arming.id(),
                arming.asked().who(),
                arming.at(arming.grip().orElseThrow().until()));
    }

    private Optional<Arming> arming(int job, UniverseNumber universe) {
        return ofJob(job)
                .filter(a -> a.grip().orElseThrow().reach().universes().contains(universe))
                .findFirst();
    }

    /**
     * Raises these slots of a universe, and lets go of what was lit before.
     *
     * @return what was left as it is, with the reasons; empty where no arming of the whole universe is in force
     */
    public Optional<List<Grip.Left>> light(
            int job, UniverseNumber universe, Map<StartAddress, Integer> levels, String who) {
        return arming(job, universe).map(a -> a.light(levels, who));
    }

    private Stream<Arming> ofJob(int job) {
        return armings.inForce().stream()
                .filter(a -> a.job() == job)
                .filter(a -> a.grip().isPresent());
    }

    private Optional<Arming> find(int job, Plan plan, FixtureKey unit) {
        return ofJob(job)
                .filter(a -> reaches(a.grip().orElseThrow(), plan, unit))
                .findFirst();
    }

    private static boolean reaches(Grip grip, Plan plan, FixtureKey unit) {
        return plan.fixture(unit).stream()
                .flatMap(f -> plan.blocksOf(f).stream())
                .anyMatch(grip.reach()::holds);
    }

    /**
     * Raises this, and lets go of what was lit before it.
     *
     * @return what was left as it is, with the reasons; empty where no arming is in force
     */
    public Optional<List<Grip.Left>> light(
            int job, Plan plan, FixtureKey unit, Map<StartAddress, Integer> levels, String who) {
        return find(job, plan, unit).map(a -> a.light(levels, who));
    }
}
