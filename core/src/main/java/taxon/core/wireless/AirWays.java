package taxon.core.wireless;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Facts.Reach;
import taxon.core.lines.Feeds;
import taxon.core.network.BoxKind;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;
import taxon.core.rig.Ports;
import taxon.core.rig.RadioLink;

/** The ways through the air of a plan, found once. */
public final class AirWays {
    private final Plan plan;
    private final Feeds feeds;
    private final List<PortRef> channels;
    private final Map<RadioLink.Receiver, AirWay> ways = new LinkedHashMap<>();
    private final Map<FixtureKey, List<AirWay>> byUnit = new HashMap<>();

    private AirWays(Plan plan) {
        this.plan = plan;
        feeds = Feeds.of(plan);
        channels = plan.boxes().stream()
                .filter(b -> b.kind() == BoxKind.TRANSMITTER)
                .flatMap(Ports::outputs)
                .toList();
        plan.fixturesByPosition().values().stream()
                .flatMap(List::stream)
                .filter(f -> isBuiltIn(plan, f))
                .forEach(f -> add(builtIn(f)));
        plan.boxes().stream().filter(b -> b.kind() == BoxKind.RECEIVER).forEach(b -> add(apart(b)));
    }

    public static AirWays of(Plan plan) {
        return new AirWays(plan);
    }

    /** True when a fixture has a wireless receiver in it. */
    public static boolean isBuiltIn(Plan plan, Fixture fixture) {
        return plan.type(fixture).facts().reach() == Reach.WIRELESS;
    }

    private void add(AirWay way) {
        ways.put(way.receiver(), way);
        way.units()
                .forEach(u -> byUnit.computeIfAbsent(u, k -> new ArrayList<>()).add(way));
    }

    private AirWay builtIn(Fixture fixture) {
        Set<UniverseNumber> wanted = universes(List.of(fixture));
        RadioLink.Receiver receiver = new RadioLink.BuiltIn(fixture.key());
        return AirWay.of(receiver, wanted, List.of(fixture.key()), sending(wanted), plan.radioLink(receiver));
    }

    private AirWay apart(Box box) {
        List<Fixture> units = new ArrayList<>();
        box.facts().fixture().flatMap(plan::fixture).ifPresent(units::add);
        for (Line line : plan.lines()) {
            if (line.from().box() == box.number()) {
                line.units().stream().flatMap(u -> plan.fixture(u).stream()).forEach(units::add);
            }
        }
        Set<UniverseNumber> wanted = universes(units);
        Optional<PortRef> planned = box.facts().reaches().filter(channels::contains);
        RadioLink.Receiver receiver = new RadioLink.Apart(box.number());
        return AirWay.of(
                receiver,
                wanted,
                units.stream().map(Fixture::key).distinct().toList(),
                planned.map(List::of).orElseGet(() -> sending(wanted)),
                plan.radioLink(receiver));
    }

    private static Set<UniverseNumber> universes(List<Fixture> fixtures) {
        Set<UniverseNumber> universes = new TreeSet<>();
        fixtures.forEach(
                f -> f.addresses().values().stream().map(StartAddress::universe).forEach(universes::add));
        return universes;
    }

    private List<PortRef> sending(Set<UniverseNumber> wanted) {
        return wanted.isEmpty()
                ? List.of()
                : channels.stream().filter(c -> feeds.at(c).containsAll(wanted)).toList();
    }

    /** Every receiver: those that are built in by position and unit, then boxes by number. */
    public List<AirWay> all() {
        return List.copyOf(ways.values());
    }

    /** Those by which levels come to a fixture; none where it hears no radio. */
    public List<AirWay> of(FixtureKey fixture) {
        return byUnit.getOrDefault(fixture, List.of());
    }

    /** What a receiver hears; empty where the plan has no such receiver. */
    public Optional<AirWay> of(RadioLink.Receiver receiver) {
        return Optional.ofNullable(ways.get(receiver));
    }

    /** Outputs of transmitters, by box and port. */
    public List<PortRef> channels() {
        return channels;
    }

    /** What a channel sends, ascending. */
    public Set<UniverseNumber> sentBy(PortRef channel) {
        return feeds.at(channel);
    }
}
