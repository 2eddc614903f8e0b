package taxon.app.demo;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Plan;
import taxon.demo.DemoTypes;
import taxon.simrig.SimPersonality;
import taxon.simrig.SimPort;
import taxon.simrig.SimUnit;
import taxon.simrig.SimulatedRig.NodeSpec;
import taxon.wire.rdm.codec.Uid;

/**
 * The rig that stands behind the demo job: two nodes of four ports, a transmitter, and a unit for each fixture, most of them as planned,
 * some as rigs really are.
 */
final class DemoRig {
    private static final int PROTOTYPES = 0x7FF0;
    private static final int PORTS = 4;
    /** The universe of what is heard by radio. */
    private static final int WIRELESS = 7;
    /** Off by one, last show's address, and a unit that was never set. By fixture ID. */
    private static final Map<Integer, Integer> WRONG_STARTS = Map.of(104, 146, 204, 65, 510, 1, 521, 240);
    /** In a longer or shorter mode than planned. By fixture ID: the personality. */
    private static final Map<Integer, Integer> WRONG_MODES = Map.of(403, 3, 607, 1);
    /** On the truck, or without power. */
    private static final Set<Integer> MISSING = Set.of(110, 606);
    /** Nobody gave them a label. */
    private static final Set<Integer> WITHOUT_LABEL = Set.of(104, 205, 503, 510);

    private final Plan plan;
    private final Map<Integer, List<SimUnit>> byUniverse = new HashMap<>();
    private int made;

    private DemoRig(Plan plan) {
        this.plan = plan;
        plan.fixtures().forEach(this::add);
        stranger(2, "Tern", 2, 400);
        stranger(5, "Dunlin", 1, 300);
    }

    /** @param at where the two nodes and the transmitter are to be */
    static List<NodeSpec> of(Plan plan, List<Ipv4> at) {
        DemoRig rig = new DemoRig(plan);
        return List.of(
                new NodeSpec(at.get(0), DemoJob.QUAY_NODE, rig.ports(1)),
                new NodeSpec(at.get(1), DemoJob.GATE_NODE, rig.ports(1 + PORTS)),
                new NodeSpec(at.get(2), DemoLines.RADIO_NAME, List.of(rig.port(WIRELESS))));
    }

    private SimPort port(int universe) {
        SimPort port = new SimPort(new PortAddress(universe), byUniverse.getOrDefault(universe, List.of()));
        return plan.universe(UniverseNumber.of(universe)).routes().stream()
                .filter(Route.Sacn.class::isInstance)
                .findFirst()
                .map(r -> port.taking(((Route.Sacn) r).universe()))
                .orElse(port);
    }

    private List<SimPort> ports(int firstUniverse) {
        List<SimPort> ports = new ArrayList<>();
        for (int universe = firstUniverse; universe < firstUniverse + PORTS; universe++) {
            ports.add(port(universe));
        }
        return ports;
    }

    private void add(Fixture fixture) {
        int id = fixture.id().map(FixtureId::number).orElse(0);
        fixture.addresses().values().stream()
                .findFirst()
                .filter(a -> !MISSING.contains(id))
                .ifPresent(a -> put(a.universe(), unit(fixture, id)));
    }

    private SimUnit unit(Fixture fixture, int id) {
        FixtureType type = plan.type(fixture);
        int planned = type.mode(fixture.mode())
                .flatMap(Mode::personality)
                .orElse(type.modes().size());
        List<Integer> starts = new ArrayList<>(fixture.addresses().values().stream()
                .map(a -> a.slot().number())
                .toList());
        if (WRONG_STARTS.containsKey(id)) {
            starts.set(0, WRONG_STARTS.getOrDefault(id, 1));
        }
        String label = WITHOUT_LABEL.contains(id) ? "" : String.valueOf(id);
        SimUnit unit = simulated(type, label, WRONG_MODES.getOrDefault(id, planned), starts)
                .hanging(fixture.label());
        boolean moves = plan.mode(fixture).stream()
                .flatMap(Mode::channels)
                .anyMatch(c -> c.attribute().name().equals("Pan"));
        return moves ? unit.moving(false, false, false) : unit;
    }

    private void stranger(int universe, String name, int personality, int start) {
        FixtureType type = DemoTypes.withGeneric().named("", name).orElseThrow();
        put(UniverseNumber.of(universe), simulated(type, "", personality, List.of(start)));
    }

    private SimUnit simulated(FixtureType type, String label, int personality, List<Integer> starts) {
        List<SimPersonality> personalities =
                type.modes().stream().map(SimPersonality::of).toList();
        made++;
        return new SimUnit(
                new Uid(PROTOTYPES, made), type.maker(), type.name(), label, personalities, personality, starts, false);
    }

    private void put(UniverseNumber universe, SimUnit unit) {
        byUniverse.computeIfAbsent(universe.number(), u -> new ArrayList<>()).add(unit);
    }
}
