package taxon.core.routing;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxKind;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.wireless.AirWays;

/** Who hears each universe by which means. */
public final class Hearers {
    private final Map<Means, Map<UniverseNumber, List<Fixture>>> byMeans = new EnumMap<>(Means.class);
    private final AirWays air;

    private Hearers(Plan plan) {
        air = AirWays.of(plan);
        Set<FixtureKey> own = new HashSet<>();
        plan.boxes().stream()
                .filter(b -> b.kind() == BoxKind.UNIT)
                .forEach(b -> b.facts().fixture().ifPresent(own::add));
        for (Means means : Means.values()) {
            byMeans.put(means, new TreeMap<>());
        }
        for (Fixture fixture : plan.fixtures()) {
            Means means = !air.of(fixture.key()).isEmpty()
                    ? Means.AIR
                    : own.contains(fixture.key()) ? Means.OWN : Means.CABLE;
            fixture.addresses().values().stream()
                    .map(StartAddress::universe)
                    .distinct()
                    .forEach(u ->
                            by(means).computeIfAbsent(u, n -> new ArrayList<>()).add(fixture));
        }
    }

    public static Hearers of(Plan plan) {
        return new Hearers(plan);
    }

    private Map<UniverseNumber, List<Fixture>> by(Means means) {
        return byMeans.getOrDefault(means, Map.of());
    }

    /** Fixtures on a universe that hear it so; none where nobody does. */
    public List<Fixture> of(Means means, UniverseNumber universe) {
        return by(means).getOrDefault(universe, List.of());
    }

    /** True when a universe is heard so, and in no other way. */
    public boolean isOnly(Means means, UniverseNumber universe) {
        return byMeans.entrySet().stream().allMatch(e -> e.getValue().containsKey(universe) == (e.getKey() == means));
    }

    /** True when a transmitter sends a universe already, by its own route or by the line that feeds it. */
    boolean isOnAir(UniverseNumber universe) {
        return air.channels().stream().map(air::sentBy).anyMatch(sent -> sent.contains(universe));
    }

    /** True when something leaves by an output of a transmitter already. */
    boolean sends(PortRef channel) {
        return !air.sentBy(channel).isEmpty();
    }
}
