package taxon.core.lines;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Facts.Reach;
import taxon.core.network.BoxKind;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;

/** Who must be on a line of which universe, and who is. */
final class LineUnits {
    private final Map<UniverseNumber, List<Fixture>> wanting = new TreeMap<>();
    private final Map<UniverseNumber, Set<FixtureKey>> reached = new HashMap<>();

    LineUnits(Plan plan, Feeds feeds) {
        Set<FixtureKey> heard = ownReceivers(plan);
        for (List<Fixture> hanging : plan.fixturesByPosition().values()) {
            for (Fixture fixture : hanging) {
                if (hearsCable(plan, fixture) && !heard.contains(fixture.key())) {
                    fixture.addresses().values().stream()
                            .map(StartAddress::universe)
                            .distinct()
                            .forEach(u -> wanting.computeIfAbsent(u, n -> new ArrayList<>())
                                    .add(fixture));
                }
            }
        }
        for (Line line : plan.lines()) {
            for (UniverseNumber universe : feeds.on(line)) {
                reached.computeIfAbsent(universe, u -> new HashSet<>()).addAll(line.units());
            }
        }
    }

    /** True when levels come to it by cable. */
    static boolean hearsCable(Plan plan, Fixture fixture) {
        return plan.type(fixture).facts().reach() == Reach.LINE;
    }

    /** Fixtures that are on the network themselves, or have a receiver of their own. */
    private static Set<FixtureKey> ownReceivers(Plan plan) {
        Set<FixtureKey> own = new HashSet<>();
        for (Box box : plan.boxes()) {
            if (box.kind() == BoxKind.UNIT || box.kind() == BoxKind.RECEIVER) {
                box.facts().fixture().ifPresent(own::add);
            }
        }
        return own;
    }

    /** Universes with units on cable, ascending. */
    Set<UniverseNumber> universes() {
        return wanting.keySet();
    }

    /** Units of a universe that cable must reach, by position and unit. */
    List<Fixture> of(UniverseNumber universe) {
        return wanting.getOrDefault(universe, List.of());
    }

    /** Those of them that no line reaches. */
    List<Fixture> loose(UniverseNumber universe) {
        Set<FixtureKey> on = reached.getOrDefault(universe, Set.of());
        return of(universe).stream().filter(f -> !on.contains(f.key())).toList();
    }

    static LineStop stop(Fixture fixture) {
        return new LineStop.Unit(fixture.key());
    }
}
