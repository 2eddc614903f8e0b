package taxon.core.explain;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.network.Ipv4;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

/** A rig as it really is, by a model of the test's own: for each unit its mode and the slot of each block, 0 for one that hears nothing. */
final class HiddenRig {
    static final FixtureType HEAD = type(
            "Head",
            mode("short", "Dimmer Pan Tilt ColorAdd_R ColorAdd_G ColorAdd_B Zoom Shutter1"),
            mode(
                    "long",
                    "Pan Tilt Dimmer Shutter1 ColorAdd_R ColorAdd_G ColorAdd_B ColorAdd_W Zoom Gobo1 Prism1 Focus1"),
            mode("other order", "Shutter1 Dimmer Pan Tilt ColorAdd_R ColorAdd_G ColorAdd_B Zoom"));
    static final FixtureType WASH = type(
            "Wash",
            mode("rgb", "ColorAdd_R ColorAdd_G ColorAdd_B"),
            mode("rgbd", "Dimmer ColorAdd_R ColorAdd_G ColorAdd_B"));
    static final FixtureType WITH_ADD_ON = FixtureType.of(
            TypeId.of("with-add-on"),
            "Test",
            "Framed",
            "Framed",
            Facts.onALine(),
            List.of(new Mode(
                    "only",
                    Optional.of(1),
                    List.of(
                            ChannelScript.block("Main", "Dimmer Pan Tilt Zoom"),
                            ChannelScript.block("Blades", "Blade1A Blade1B Blade2A Blade2B")))));

    private static Mode mode(String name, String script) {
        return new Mode(name, Optional.empty(), List.of(ChannelScript.block("Main", script)));
    }

    private static FixtureType type(String name, Mode... modes) {
        return FixtureType.of(
                TypeId.of(name.toLowerCase(Locale.ROOT)), "Test", name, name, Facts.onALine(), List.of(modes));
    }

    /** Three universes of heads, washes and units with an add-on, each on a line in the order of their addresses. */
    static Plan plan(long seed) {
        Random random = new Random(seed);
        Plan plan = Rigs.empty().with(Box.node(1, "Node", Ipv4.of(10, 0, 0, 5), 4));
        int id = 1;
        List<FixtureType> types = List.of(HEAD, WASH, WITH_ADD_ON);
        int[] next = {0, 1, 1, 1};
        Map<Integer, List<LineStop>> lines = new TreeMap<>();
        for (int i = 0; i < 30; i++) {
            FixtureType type = types.get(random.nextInt(types.size()));
            int universe = 1 + random.nextInt(3);
            plan = Rigs.add(plan, type, 1, id++);
            Fixture fixture = plan.fixtures().get(plan.fixtures().size() - 1);
            for (int block = 1; block <= type.modes().get(0).blocks().size(); block++) {
                int footprint = type.modes().get(0).blocks().get(block - 1).footprint();
                fixture = fixture.withAddress(block, Optional.of(StartAddress.of(universe, next[universe])));
                next[universe] += footprint + random.nextInt(3) * 4;
            }
            plan = plan.with(fixture);
            lines.computeIfAbsent(universe, u -> new ArrayList<>()).add(new LineStop.Unit(fixture.key()));
        }
        for (Map.Entry<Integer, List<LineStop>> line : lines.entrySet()) {
            plan = plan.with(
                    new Line(line.getKey(), "Line " + line.getKey(), new PortRef(1, line.getKey()), line.getValue()));
        }
        return plan;
    }

    private final Plan plan;
    final Map<FixtureKey, Mode> modes = new HashMap<>();
    final Map<FixtureKey, int[]> slots = new HashMap<>();
    final Map<Integer, Integer> heard = new HashMap<>();
    final Set<Response> reversed = new HashSet<>();
    final Set<FixtureKey> swapped = new HashSet<>();
    final Set<FixtureKey> unsteady = new HashSet<>();
    private final Map<FixtureKey, Map<Attribute, Attribute>> reordered = new HashMap<>();
    private final Random flicker = new Random(4);

    HiddenRig(Plan plan) {
        this.plan = plan;
        for (Fixture fixture : plan.fixtures()) {
            Mode mode = plan.mode(fixture).orElseThrow();
            modes.put(fixture.key(), mode);
            int[] own = new int[mode.blocks().size()];
            for (int b = 0; b < own.length; b++) {
                own[b] = fixture.address(b + 1).orElseThrow().slot().number();
            }
            slots.put(fixture.key(), own);
        }
    }

    Plan plan() {
        return plan;
    }

    /** Each channel of the first block does what another one should, by a round of all of them. */
    void reorder(FixtureKey unit, Random random) {
        List<Attribute> order = new ArrayList<>();
        modes.get(unit)
                .blocks()
                .get(0)
                .slotUses()
                .forEach(u -> order.add(u.channel().attribute()));
        int by = 1 + random.nextInt(order.size() - 1);
        Map<Attribute, Attribute> other = new HashMap<>();
        for (int i = 0; i < order.size(); i++) {
            other.put(order.get(i), order.get((i + by) % order.size()));
        }
        reordered.put(unit, other);
    }

    Observation look(Trial trial) {
        Set<Response> seen = new HashSet<>();
        for (Fixture fixture : plan.fixtures()) {
            int line = fixture.address(1).orElseThrow().universe().number();
            if (heard.getOrDefault(line, line) == trial.universe().number()) {
                seen.addAll(look(fixture.key(), trial));
            }
        }
        return new Observation(trial, seen);
    }

    private Set<Response> look(FixtureKey unit, Trial trial) {
        Set<Response> seen = new HashSet<>();
        int[] own = slots.get(unit);
        List<Block> blocks = modes.get(unit).blocks();
        for (int b = 0; b < Math.min(own.length, blocks.size()); b++) {
            for (Block.SlotUse use : blocks.get(b).slotUses()) {
                int slot = own[b] + use.offset() - 1;
                if (own[b] > 0 && trial.slots().contains(slot)) {
                    seen.add(response(unit, use.channel().attribute(), trial));
                }
            }
        }
        return unsteady.contains(unit) && !seen.isEmpty() ? flickering(unit, seen) : seen;
    }

    private Set<Response> flickering(FixtureKey unit, Set<Response> steady) {
        int now = flicker.nextInt(10);
        if (now < 2) {
            return Set.of();
        }
        return now < 5 ? steady : Set.of(Response.unsteady(unit));
    }

    private Response response(FixtureKey key, Attribute raised, Trial trial) {
        if (!trial.isOfOneSlot()) {
            return Response.of(key);
        }
        Attribute what = reordered.getOrDefault(key, Map.of()).getOrDefault(raised, raised);
        what = swapped.contains(key) ? exchanged(what) : what;
        boolean otherWay = reversed.contains(Response.of(key, what));
        return new Response(key, Optional.of(what), otherWay ? Response.Manner.OTHER_WAY : Response.Manner.AS_TOLD);
    }

    private static Attribute exchanged(Attribute what) {
        return switch (what.name()) {
            case "Pan" -> Attribute.of("Tilt");
            case "Tilt" -> Attribute.of("Pan");
            default -> what;
        };
    }

    /** What a unit says of itself; one that does nothing says nothing. */
    Reading says(FixtureKey unit) {
        List<Integer> starts = new ArrayList<>();
        for (int slot : slots.get(unit)) {
            starts.add(slot);
        }
        if (starts.stream().allMatch(s -> s == 0)) {
            return Reading.silent(unit);
        }
        Set<Attribute> turned = new HashSet<>();
        reversed.stream()
                .filter(r -> r.unit().equals(unit))
                .forEach(r -> turned.add(r.what().orElseThrow()));
        // A block that is off has a start address in its menu all the same; here it is left out with those after it.
        List<Integer> told = starts.contains(0) ? starts.subList(0, starts.indexOf(0)) : starts;
        return new Reading(
                unit,
                Optional.of(new Reading.Said(
                        told,
                        Optional.of(modes.get(unit)),
                        Optional.of(new Reading.Axes(turned, swapped.contains(unit))))));
    }
}
