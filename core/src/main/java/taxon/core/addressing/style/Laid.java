package taxon.core.addressing.style;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;

/**
 * A layout and what it belongs to.
 *
 * @param held what became of those who found no place in the layout and were fixed where they are; no part of the task
 * @param leftAtLeast no layout of the whole request leaves fewer fixtures out
 */
public record Laid(Task task, Layout layout, List<HeldFixtures.Outcome> held, int leftAtLeast) {
    public Laid {
        held = List.copyOf(held);
    }

    /** The fixtures that are left out. */
    public Set<FixtureKey> leftOut() {
        Set<FixtureKey> all = layout.unplaced(task.request().pieces());
        held.stream()
                .filter(HeldFixtures.Outcome::isLeftOut)
                .forEach(o -> all.add(o.fixture().key()));
        return all;
    }

    public int left() {
        return leftOut().size();
    }

    Laid atLeast(int fixtures) {
        return new Laid(task, layout, held, Math.max(leftAtLeast, fixtures));
    }

    /** Those of the request who have no address yet. */
    Set<FixtureKey> newOnes() {
        return Stream.concat(task.request().fixtures().stream(), held.stream().map(HeldFixtures.Outcome::fixture))
                .filter(f -> f.addresses().isEmpty())
                .map(Fixture::key)
                .collect(Collectors.toSet());
    }
}
