package taxon.core.rig.edit;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.TypeId;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.RigType;

/**
 * Adds fixtures to a plan, one run of equal ones after the other, counting keys and unit numbers. The plan is looked through
 * once, so that the work grows with what is added.
 */
final class FixtureAdder {
    private final Plan before;
    private final Map<ElementKey, Element> made = new LinkedHashMap<>();
    private final Map<String, Integer> positions = new HashMap<>();
    private final Map<Integer, Integer> lastUnits = new HashMap<>();
    private final Set<TypeId> types = new HashSet<>();
    private int nextKey;
    private int nextPosition;
    private int lastRank;

    FixtureAdder(Plan plan) {
        before = plan;
        plan.positions().forEach(p -> positions.putIfAbsent(key(p.name()), p.number()));
        plan.fixtures().forEach(f -> lastUnits.merge(f.position(), f.unit(), Math::max));
        nextKey = plan.nextNumber(Kind.FIXTURE);
        nextPosition = plan.nextNumber(Kind.POSITION);
        lastRank = PositionEdits.lastRank(plan);
    }

    /** The plan with everything that was added. */
    Plan plan() {
        return before.with(made.values());
    }

    void add(Added wanted) {
        int position = positionNamed(wanted.position());
        int unit = lastUnits.getOrDefault(position, 0);
        AddressWalk walk = AddressWalk.within(wanted.run());
        if (types.add(wanted.type().id())) {
            put(RigType.of(wanted.type()));
        }
        Fixture.Model model =
                new Fixture.Model(wanted.type().id(), wanted.mode().name());
        for (int i = 0; i < wanted.count(); i++) {
            int offset = i;
            put(Fixture.of(
                            FixtureKey.of(nextKey + i),
                            wanted.firstId().map(id -> FixtureId.of(id.number() + offset)),
                            model,
                            new Fixture.Place(position, unit + 1 + i, Optional.empty()))
                    .withWords(wanted.words().name(), wanted.words().note())
                    .withAddresses(apart(walk.next(wanted.mode()), wanted)));
        }
        nextKey += wanted.count();
        lastUnits.put(position, unit + wanted.count());
    }

    private static Map<Integer, StartAddress> apart(Map<Integer, StartAddress> walked, Added wanted) {
        Map<Integer, StartAddress> addresses = new TreeMap<>(walked);
        wanted.apart().forEach((block, address) -> {
            addresses.remove(block);
            address.ifPresent(a -> addresses.put(block, a));
        });
        return addresses;
    }

    /** The number of the position that is called so; it is made where there is none. */
    int positionNamed(String name) {
        return positions.computeIfAbsent(key(name), k -> newPosition(name.strip()));
    }

    private int newPosition(String name) {
        int number = nextPosition++;
        lastRank++;
        put(new Position(number, name).withRank(lastRank));
        return number;
    }

    private void put(Element element) {
        made.put(element.elementKey(), element);
    }

    private static String key(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }
}
