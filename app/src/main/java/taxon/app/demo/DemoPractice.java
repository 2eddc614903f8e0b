package taxon.app.demo;

import java.io.IOException;
import java.time.Clock;
import java.util.Optional;
import java.util.Set;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import taxon.core.rig.Plan;
import taxon.simrig.practice.Practice;
import taxon.simrig.practice.PracticeCase;
import taxon.simrig.practice.Score;

/** The one case that is practised at the demo's rig, and how the last one was solved. */
@Component
@ConditionalOnProperty("taxon.demo")
class DemoPractice {
    private final DemoFaults rig;
    private final Clock clock;
    private Optional<Practice> running = Optional.empty();
    private Optional<Score> last = Optional.empty();

    DemoPractice(DemoFaults rig, Clock clock) {
        this.rig = rig;
        this.clock = clock;
    }

    synchronized Optional<Practice> running() {
        return running;
    }

    synchronized boolean isRunning() {
        return running.isPresent();
    }

    synchronized Optional<Score> last() {
        return last;
    }

    /**
     * Begins a case in the place of one that runs.
     *
     * @return false where there is no rig
     */
    synchronized boolean begin(Plan plan, PracticeCase which, long seed) throws IOException {
        if (rig.rig().isEmpty()) {
            return false;
        }
        running = Optional.of(Practice.begin(rig.rig().get(), plan, which, seed, clock.instant()));
        last = Optional.empty();
        return true;
    }

    /** Ends it, and gives how it was solved; empty where none runs. */
    synchronized Optional<Score> end(Set<String> named) throws IOException {
        if (running.isPresent()) {
            last = Optional.of(running.get().score(named, clock.instant()));
            running.get().end();
            running = Optional.empty();
            return last;
        }
        return Optional.empty();
    }
}
