package taxon.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxPort;
import taxon.core.network.IpRules;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.NetworkRules;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;
import taxon.core.rig.Element;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Edit;
import taxon.core.testing.Rigs;

/** What cannot work on the network is found, and the remedy makes it go away. */
class NetworkFindingsTest {
    private static Ipv4 ip(String text) {
        return Ipv4.parse(text).orElseThrow();
    }

    private static Box node(int number, String address) {
        String[] parts = address.split("/");
        return Box.node(number, "Node " + number, ip(parts[0]), 4)
                .with(new NetCard(ip(parts[0]), Integer.parseInt(parts[1])));
    }

    private static Universe artNet(int universe, int address, int box, int port) {
        return new Universe(
                UniverseNumber.of(universe),
                "",
                List.of(new Route.ArtNet(new PortAddress(address), new PortRef(box, port))));
    }

    private static Plan plan(Element... elements) {
        List<Element> all = new ArrayList<>(List.of(JobSheet.named("Job")));
        all.addAll(List.of(elements));
        return Plan.of(all);
    }

    private static Plan in(String range, Plan plan) {
        JobSheet sheet = plan.sheet();
        return plan.with(sheet.with(
                sheet.network().with(IpRules.usual(Subnet.parse(range).orElseThrow()))));
    }

    private static List<Finding> found(Plan plan, Rule rule) {
        return PlanCheck.of(plan).byRule().getOrDefault(rule, List.of());
    }

    private static String only(Plan plan, Rule rule) {
        List<Finding> found = found(plan, rule);
        assertThat(found).hasSize(1);
        return FindingText.sentence(found.get(0));
    }

    private static Plan remedied(Plan plan, Rule rule) {
        Remedy remedy = found(plan, rule).get(0).remedy().orElseThrow();
        return ((Edit.Changed) ((Remedy.Apply) remedy).edit().applyTo(plan)).plan();
    }

    /** Two networks on purpose: only who sends across them is found. */
    @Test
    void ofSeveralNetworksASenderInAnotherThanItsBoxIsFound() {
        Plan boxes = plan(
                node(1, "10.0.0.11/24"),
                node(2, "192.168.2.11/24"),
                node(3, "10.0.0.12/24").as(BoxKind.SERVER));
        NetworkRules rules = boxes.sheet()
                .network()
                .with(IpRules.usual(Subnet.parse("10.0.0.0/24").orElseThrow())
                        .beside(List.of(Subnet.parse("192.168.2.0/24").orElseThrow())));
        Plan plan = boxes.with(boxes.sheet().with(rules));
        assertThat(found(plan, Rule.NETWORKS_APART)).isEmpty();
        assertThat(found(plan, Rule.IP_OUTSIDE)).isEmpty();
        Plan heard = plan.with(artNet(3, 3, 1, 1).from(List.of(new Universe.Source(3, 100))));
        assertThat(found(heard, Rule.NETWORKS_APART)).isEmpty();
        Plan unheard = plan.with(artNet(3, 3, 2, 1).from(List.of(new Universe.Source(3, 100))));
        assertThat(only(unheard, Rule.NETWORKS_APART))
                .isEqualTo("Node 3 lies in 10.0.0.0/24; Node 2 is not in one network with it.");
    }

    @Test
    void oneNumberForTwoUniversesIsAStopThatCountingAnewEnds() {
        Plan plan = plan(node(1, "10.0.0.11/24"), artNet(3, 3, 1, 1), artNet(9, 3, 1, 2));
        assertThat(only(plan, Rule.NUMBER_TWICE))
                .isEqualTo(
                        "Universes 3 and 9 leave under one number, Art-Net 3 = 0·0·3: a box that is set to it may get either.");
        assertThat(found(remedied(plan, Rule.NUMBER_TWICE), Rule.NUMBER_TWICE)).isEmpty();
    }

    @Test
    void oneUniverseToSeveralBoxesUnderOneNumberIsNoClash() {
        Route one = new Route.Sacn(new SacnUniverse(3), new PortRef(1, 1));
        Route other = new Route.Sacn(new SacnUniverse(3), new PortRef(1, 2));
        Plan plan = plan(node(1, "10.0.0.11/24"), new Universe(UniverseNumber.of(3), "", List.of(one, other)));
        assertThat(found(plan, Rule.NUMBER_TWICE)).isEmpty();
    }

    @Test
    void theSameNumberInTwoProtocolsIsNoClash() {
        Plan plan = plan(
                node(1, "10.0.0.11/24"),
                artNet(3, 3, 1, 1),
                new Universe(
                        UniverseNumber.of(9), "", List.of(new Route.Sacn(new SacnUniverse(3), new PortRef(1, 2)))));
        assertThat(found(plan, Rule.NUMBER_TWICE)).isEmpty();
    }

    @Test
    void twoUniversesOnOnePortAreMergedThere() {
        Plan plan = plan(node(1, "10.0.0.11/24"), artNet(3, 3, 1, 2), artNet(9, 9, 1, 2));
        assertThat(only(plan, Rule.PORT_TWICE))
                .isEqualTo("Node 1 port 2 gets universes 3 and 9: their levels are merged there.");
    }

    @Test
    void aPortThatIsAnInputSendsNothingOut() {
        Box node = node(1, "10.0.0.11/24");
        List<BoxPort> ports = new ArrayList<>(node.ports());
        ports.set(1, BoxPort.USUAL.turned(BoxPort.Direction.IN));
        Plan plan = plan(node.withPorts(ports), artNet(3, 3, 1, 2));
        assertThat(only(plan, Rule.PORT_NO_OUTPUT)).contains("Node 1 port 2, which is input: nothing comes out there.");
    }

    @Test
    void twoSendersOfOnePriorityAreFoundAndABackupBelowIsNot() {
        Box desk = new Box(
                1,
                "Desk",
                BoxKind.CONSOLE,
                Optional.empty(),
                List.of(),
                node(9, "10.0.0.1/8").place(),
                node(9, "10.0.0.1/8").facts());
        Box spare = desk.numbered(2);
        Universe universe = Universe.unrouted(UniverseNumber.of(1));
        Plan equal =
                plan(desk, spare, universe.from(List.of(new Universe.Source(1, 100), new Universe.Source(2, 100))));
        assertThat(only(equal, Rule.SOURCES_EQUAL))
                .contains("Universe 1 is sent by Desk and Desk with the same priority, 100");
        Plan backup =
                plan(desk, spare, universe.from(List.of(new Universe.Source(1, 100), new Universe.Source(2, 90))));
        assertThat(found(backup, Rule.SOURCES_EQUAL)).isEmpty();
    }

    @Test
    void aBoxThatTakesFewerUniversesThanItGetsIsFound() {
        Box node = node(1, "10.0.0.11/24");
        Plan plan = plan(node.with(node.facts().taking(1)), artNet(3, 3, 1, 1), artNet(9, 9, 1, 2));
        assertThat(only(plan, Rule.BOX_FULL)).isEqualTo("Node 1 gets 2 universes and takes 1.");
        assertThat(found(
                        plan(node.with(node.facts().taking(2)), artNet(3, 3, 1, 1), artNet(9, 9, 1, 2)), Rule.BOX_FULL))
                .isEmpty();
    }

    @Test
    void exceptionsFromTheCountingAreNamedTogether() {
        Plan plan = plan(node(1, "10.0.0.11/24"), artNet(1, 1, 1, 1), artNet(2, 7, 1, 2), artNet(3, 9, 1, 3));
        assertThat(only(plan, Rule.COUNTED_OTHERWISE))
                .isEqualTo(
                        "Universes 2 and 3 leave under another number than the job's counting gives; 1 of 3 go by it.");
        assertThat(found(remedied(plan, Rule.COUNTED_OTHERWISE), Rule.COUNTED_OTHERWISE))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "IP_TWICE|10.0.0.11/24|10.0.0.11/24|Node 1 and Node 2 have one IP address, 10.0.0.11",
                "IP_NO_HOST|10.0.0.11/24|10.0.0.255/24|the address of everybody in it; a device takes 10.0.0.1 to 10.0.0.254",
                "IP_NO_HOST|10.0.0.11/24|10.0.0.0/24|the name of the network",
                "IP_OUTSIDE|10.0.0.11/24|10.0.1.12/24|outside the job's range 10.0.0.0/24",
                "IP_SELF_GIVEN|10.0.0.11/24|169.254.3.4/16|gives itself when it got none",
                "MASK_DIFFERS|10.0.0.11/24|10.0.0.12/8|has the mask 255.0.0.0; the job's range 10.0.0.0/24 has 255.255.255.0"
            })
    void addressesThatCannotWorkAreFoundAndTheRemedyEndsThem(Rule rule, String one, String other, String words) {
        Plan plan = in("10.0.0.0/24", plan(node(1, one), node(2, other)));
        assertThat(only(plan, rule)).contains(words);
        Plan after = remedied(plan, rule);
        assertThat(PlanCheck.of(after).findings()).isEmpty();
        assertThat(after.box(1)).isEqualTo(plan.box(1));
    }

    @Test
    void aHostOfASlashEightMayEndIn255() {
        assertThat(found(plan(node(1, "10.0.0.255/8")), Rule.IP_NO_HOST)).isEmpty();
    }

    @Test
    void withoutARangeBoxesOfTwoNetworksAreFoundApart() {
        Plan plan = plan(node(1, "10.0.0.11/24"), node(2, "10.0.0.12/24"), node(3, "10.0.1.13/24"));
        assertThat(only(plan, Rule.NETWORKS_APART))
                .isEqualTo("Node 1 and Node 2 lie in 10.0.0.0/24; Node 3 is not in one network with all of them.");
        assertThat(found(plan(node(1, "10.0.0.11/24"), node(2, "10.0.0.12/24")), Rule.NETWORKS_APART))
                .isEmpty();
    }

    @Test
    void boxesOfDifferentMasksThatFindEachOtherAreNotApart() {
        assertThat(found(plan(node(1, "10.0.0.11/24"), node(2, "10.0.0.12/8")), Rule.NETWORKS_APART))
                .isEmpty();
        // The one with the wide mask finds the other, and is not found by it.
        assertThat(only(plan(node(1, "10.0.0.11/24"), node(2, "10.0.1.12/8")), Rule.NETWORKS_APART))
                .contains("not in one network");
    }

    static LongStream seeds() {
        return Rigs.seeds(300);
    }

    /** Pair by pair, as the words of the rules say it. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void sharedNumbersPortsAndAddressesAreFoundAsPairByPair(long seed) {
        Random random = new Random(seed);
        List<Element> elements = new ArrayList<>();
        for (int box = 1; box <= 4; box++) {
            elements.add(node(box, "10.0.0." + (1 + random.nextInt(5)) + "/24"));
        }
        for (int universe = 1; universe <= 6; universe++) {
            TreeMap<PortRef, Route> routes = new TreeMap<>();
            for (int way = 0; way < random.nextInt(4); way++) {
                PortRef port = new PortRef(1 + random.nextInt(4), 1 + random.nextInt(4));
                int number = 1 + random.nextInt(8);
                routes.put(
                        port,
                        random.nextBoolean()
                                ? new Route.ArtNet(new PortAddress(number), port)
                                : new Route.Sacn(new SacnUniverse(number), port));
            }
            elements.add(new Universe(UniverseNumber.of(universe), "", List.copyOf(routes.values())));
        }
        Plan plan = plan(elements.toArray(Element[]::new));
        Map<String, Set<Integer>> numbers = new TreeMap<>();
        Map<String, Set<Integer>> ports = new TreeMap<>();
        for (Universe one : plan.describedUniverses()) {
            for (Route route : one.routes()) {
                String number =
                        route instanceof Route.ArtNet a ? "" + a.address() : "sacn " + ((Route.Sacn) route).universe();
                numbers.computeIfAbsent(number, n -> new TreeSet<>())
                        .add(one.number().number());
                String port = route.port().box() + "/" + route.port().number();
                ports.computeIfAbsent(port, p -> new TreeSet<>())
                        .add(one.number().number());
            }
        }
        Map<String, Set<Integer>> ips = new TreeMap<>();
        plan.boxes()
                .forEach(b -> ips.computeIfAbsent(b.ip().orElseThrow().toString(), i -> new TreeSet<>())
                        .add(b.number()));
        assertThat(subjects(plan, Rule.NUMBER_TWICE)).isEqualTo(shared(numbers));
        assertThat(subjects(plan, Rule.PORT_TWICE)).isEqualTo(shared(ports));
        assertThat(subjects(plan, Rule.IP_TWICE)).isEqualTo(shared(ips));
    }

    private static Set<String> subjects(Plan plan, Rule rule) {
        return found(plan, rule).stream()
                .map(f -> f.id().substring(rule.slug().length() + 1))
                .collect(Collectors.toSet());
    }

    private static Set<String> shared(Map<String, Set<Integer>> users) {
        return users.entrySet().stream()
                .filter(e -> e.getValue().size() > 1)
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }
}
