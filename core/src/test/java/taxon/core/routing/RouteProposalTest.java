package taxon.core.routing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.cable.CableWay;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.PlanCheck;
import taxon.core.finding.Rule;
import taxon.core.fixture.Facts;
import taxon.core.length.Length;
import taxon.core.network.BoxKind;
import taxon.core.network.Counting;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.BoxPlace;
import taxon.core.rig.Element;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Edit;
import taxon.core.routing.RouteWish.Aim;
import taxon.core.routing.RouteWish.Protocol;
import taxon.core.testing.Rigs;

class RouteProposalTest {
    private static final RouteWish FEWEST = new RouteWish(Aim.FEWEST_BOXES, Protocol.SACN, false);
    private static final RouteWish LEAST = new RouteWish(Aim.LEAST_CABLE, Protocol.SACN, false);

    private static Box node(int number, int ports, int position) {
        return Box.node(number, "Node " + number, Ipv4.of(10, 0, 0, number), ports)
                .at(BoxPlace.at(position));
    }

    private static Position position(int number, int across) {
        return new Position(
                number,
                "Position " + number,
                PositionKind.TRUSS,
                new PositionGeometry(
                        Optional.of(Length.metres("10")),
                        Length.metres("" + across),
                        Length.ZERO,
                        Length.metres("4"),
                        0));
    }

    /** One fixture on each universe from 1, on the position of the same number at so many metres across. */
    private static Plan rig(int... across) {
        Plan plan = Rigs.empty();
        for (int i = 1; i <= across.length; i++) {
            plan = Rigs.add(plan, Rigs.type("t", 16), 1, Optional.of(100 + i), Optional.of(StartAddress.of(i, 1)));
            plan = plan.with(position(i, across[i - 1]));
            plan = plan.with(plan.fixtures().get(i - 1).withPlace(i, 1));
        }
        return plan;
    }

    private static Plan applied(RouteProposal proposal, Plan plan) {
        return ((Edit.Changed) proposal.edit().applyTo(plan)).plan();
    }

    private static String port(Plan plan, int universe) {
        return plan.universe(UniverseNumber.of(universe)).routes().stream()
                .map(r -> r.port().box() + "/" + r.port().number())
                .findFirst()
                .orElse("nowhere");
    }

    @Test
    void theNearestBoxIsNotTakenWhereAnotherNeedsItMore() {
        // Box 1 stands at 1: universe 1 is nearer to it than to box 2 by 20 m, universe 2 by 90.
        Plan plan = rig(30, 0, 0, 100).with(List.of(node(1, 1, 2), node(2, 1, 4)));
        plan = plan.without(List.of(
                plan.fixtures().get(2).elementKey(), plan.fixtures().get(3).elementKey()));
        RouteProposal proposal = RouteProposal.of(plan, LEAST);
        Plan done = applied(proposal, plan);
        assertThat(port(done, 2)).isEqualTo("1/1");
        assertThat(port(done, 1)).isEqualTo("2/1");
        // 0 along its own position; 4 m down, 70 across, 4 m up.
        assertThat(proposal.metres()).isEqualTo(78, within(0.01));
    }

    @Test
    void fewestBoxesFillsThoseThatFeedLinesAnywayAndThenTheRoomiest() {
        Plan plan = rig(0, 10, 20, 30, 40)
                .with(List.of(node(1, 2, 1), node(2, 2, 2), node(3, 4, 3)))
                .with(new Universe(
                        UniverseNumber.of(1), "", List.of(new Route.ArtNet(new PortAddress(9), new PortRef(2, 1)))));
        RouteProposal proposal = RouteProposal.of(plan, FEWEST);
        Plan done = applied(proposal, plan);
        assertThat(proposal.boxes()).isEqualTo(2);
        assertThat(proposal.atLeast()).isEqualTo(2);
        assertThat(proposal.staying()).isEqualTo(1);
        assertThat(plan.universe(UniverseNumber.of(1))).isEqualTo(done.universe(UniverseNumber.of(1)));
        assertThat(proposal.moves().stream().map(m -> m.box().number())).containsOnly(2, 3);
    }

    @Test
    void whoFindsNoPortAndWhoHasNoNumberIsSaid() {
        Plan plan = rig(0, 10, 20).with(node(1, 1, 1));
        RouteProposal full = RouteProposal.of(plan, LEAST);
        assertThat(full.moves()).hasSize(1);
        assertThat(full.omissions().stream().map(o -> o.who() + ": " + o.why()))
                .containsExactlyInAnyOrder("universe 2: NO_PORT_LEFT", "universe 3: NO_PORT_LEFT");
        Plan counted = plan.with(plan.sheet().withCounting(new Counting(32_766, 0)));
        RouteProposal above = RouteProposal.of(counted, new RouteWish(Aim.FEWEST_BOXES, Protocol.ART_NET, false));
        assertThat(above.omissions().stream().map(o -> o.who() + ": " + o.why()))
                .contains("universe 3: NO_NUMBER");
    }

    @Test
    void anInterfaceGetsItsUniverseByNoNetwork() {
        Plan plan = rig(0).with(node(1, 1, 1).as(BoxKind.INTERFACE));
        Plan done = applied(RouteProposal.of(plan, FEWEST), plan);
        assertThat(done.universe(UniverseNumber.of(1)).routes()).containsExactly(new Route.Direct(new PortRef(1, 1)));
    }

    @Test
    void aBoxWhoseLimitIsReachedTakesNoMore() {
        Box node = node(1, 4, 1);
        Plan plan = rig(0, 10, 20).with(node.with(node.facts().taking(2)));
        assertThat(RouteProposal.of(plan, LEAST).moves()).hasSize(2);
    }

    static LongStream seeds() {
        return Rigs.seeds(400);
    }

    private static Plan random(Random random) {
        int universes = 1 + random.nextInt(6);
        Plan plan = rig(random.ints(universes, -40, 40).toArray());
        List<Element> more = new ArrayList<>();
        for (int box = 1; box <= 1 + random.nextInt(4); box++) {
            Box node = node(box, 1 + random.nextInt(3), 1 + random.nextInt(universes));
            node = random.nextInt(4) == 0 ? node.with(node.facts().taking(1)) : node;
            more.add(random.nextInt(5) == 0 ? node.as(BoxKind.INTERFACE) : node);
        }
        plan = plan.with(more);
        if (random.nextBoolean()) {
            Universe first = plan.universe(UniverseNumber.of(1));
            boolean direct = plan.box(1).orElseThrow().kind() == BoxKind.INTERFACE;
            PortRef port = new PortRef(1, 1);
            plan = plan.with(
                    first.with(List.of(direct ? new Route.Direct(port) : new Route.ArtNet(new PortAddress(5), port))));
        }
        return plan;
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void noPortIsTakenTwiceNoLimitIsPassedAndNothingIsBetter(long seed) {
        Random random = new Random(seed);
        Plan plan = random(random);
        boolean anew = random.nextInt(3) == 0;
        RouteProposal least = RouteProposal.of(plan, new RouteWish(Aim.LEAST_CABLE, Protocol.SACN, anew));
        RouteProposal fewest = RouteProposal.of(plan, new RouteWish(Aim.FEWEST_BOXES, Protocol.SACN, anew));
        for (RouteProposal proposal : List.of(least, fewest)) {
            Plan done = applied(proposal, plan);
            assertThat(found(done, Rule.PORT_TWICE)).isEqualTo(found(plan, Rule.PORT_TWICE));
            assertThat(found(done, Rule.BOX_FULL)).isEqualTo(found(plan, Rule.BOX_FULL));
            assertThat(done.describedUniverses().stream()
                            .filter(Universe::isRouted)
                            .count())
                    .isEqualTo(proposal.moves().size() + proposal.staying());
            proposal.moves().forEach(m -> assertThat(saidOf(m)).isEqualTo(truth(done, m)));
        }
        if (anew) {
            // Who stays where it is counts as well.
            assertThat(RouteProposal.of(applied(least, plan), new RouteWish(Aim.LEAST_CABLE, Protocol.SACN, true))
                            .metres())
                    .isEqualTo(least.metres(), within(0.01));
        } else {
            AllWays all = new AllWays(plan);
            all.search(0, 0, new HashSet<>());
            assertThat(least.moves()).hasSize(all.most);
            assertThat(fewest.moves()).hasSize(all.most);
            assertThat(least.metres()).isEqualTo(all.least, within(0.01));
            assertThat(fewest.boxes()).isEqualTo(all.fewestBoxes).isEqualTo(fewest.atLeast());
        }
    }

    private static String saidOf(RouteProposal.Move move) {
        return move.choice().reason()
                + move.choice().nearer().map(b -> " " + b.number()).orElse("");
    }

    /** Tried out on the plan that comes of it: which box is nearest, and whether one universe more could have gone there. */
    private static String truth(Plan done, RouteProposal.Move move) {
        CableWay way = new CableWay(done);
        Box chosen = done.box(move.route().port().box()).orElseThrow();
        Fixture unit = done.fixtures().stream()
                .filter(f ->
                        f.addresses().get(1).universe().equals(move.universe().number()))
                .findFirst()
                .orElseThrow();
        Box nearest = done.boxes().stream()
                .min(Comparator.comparing((Box b) -> way.metres(b, unit).orElseThrow()))
                .orElseThrow();
        double closer = way.metres(chosen, unit).orElseThrow()
                - way.metres(nearest, unit).orElseThrow();
        if (closer < 0.001) {
            return "NEAREST";
        }
        long carries = done.describedUniverses().stream()
                .flatMap(u -> u.routes().stream())
                .filter(r -> r.port().box() == nearest.number())
                .count();
        long most =
                Math.min(nearest.ports().size(), nearest.facts().mostUniverses().orElse(99));
        return (carries < most ? "NEARER_IS_SPARED " : "NEARER_IS_FULL ") + nearest.number();
    }

    private static int found(Plan plan, Rule rule) {
        return PlanCheck.of(plan).byRule().getOrDefault(rule, List.of()).size();
    }

    /** Tries every port for every universe that is routed nowhere. */
    private static final class AllWays {
        private final Plan plan;
        private final List<Universe> going;
        private final Map<Integer, Integer> carried = new HashMap<>();
        private final Set<String> taken = new HashSet<>();
        private int most = -1;
        private double least;
        private int fewestBoxes;

        AllWays(Plan plan) {
            this.plan = plan;
            going = plan.universes().stream().filter(u -> !u.isRouted()).toList();
            plan.describedUniverses()
                    .forEach(u -> u.routes().forEach(r -> {
                        taken.add(r.port().toString());
                        carried.merge(r.port().box(), 1, Integer::sum);
                    }));
        }

        void search(int next, double metres, Set<Integer> placed) {
            if (next == going.size()) {
                weigh(metres, placed.size());
                return;
            }
            search(next + 1, metres, placed);
            for (Box box : plan.boxes()) {
                for (int port = 1; port <= box.ports().size(); port++) {
                    String ref = new PortRef(box.number(), port).toString();
                    int limit = box.facts().mostUniverses().orElse(99);
                    if (!taken.contains(ref) && carried.getOrDefault(box.number(), 0) < limit) {
                        taken.add(ref);
                        carried.merge(box.number(), 1, Integer::sum);
                        placed.add(next);
                        search(next + 1, metres + metres(box, going.get(next)), placed);
                        placed.remove(next);
                        carried.merge(box.number(), -1, Integer::sum);
                        taken.remove(ref);
                        // The ports of a box are all alike.
                        break;
                    }
                }
            }
        }

        private double metres(Box box, Universe universe) {
            return plan.fixtures().stream()
                    .filter(f -> f.addresses().values().stream()
                            .anyMatch(a -> a.universe().equals(universe.number())))
                    .mapToDouble(f -> new CableWay(plan).metres(box, f).orElseThrow())
                    .min()
                    .orElseThrow();
        }

        private void weigh(double metres, int placed) {
            int boxes = (int) carried.values().stream().filter(n -> n > 0).count();
            if (placed > most) {
                most = placed;
                least = metres;
                fewestBoxes = boxes;
            } else if (placed == most) {
                least = Math.min(least, metres);
                fewestBoxes = Math.min(fewestBoxes, boxes);
            }
        }
    }

    private static Plan withWireless(Plan plan, int id, int universe) {
        return Rigs.add(
                plan,
                Rigs.typeReachedBy(Facts.Reach.WIRELESS, "uplight", 8),
                1,
                Optional.of(id),
                Optional.of(StartAddress.of(universe, 100)));
    }

    private static Box transmitter(int number) {
        return node(number, 1, 1).as(BoxKind.TRANSMITTER);
    }

    @Test
    void whatIsHeardByRadioGoesToATransmitterAndWhatIsHeardByCableDoesNot() {
        Plan plan = withWireless(rig(0), 901, 2).with(List.of(node(1, 4, 1), transmitter(2)));
        RouteProposal proposal = RouteProposal.of(plan, FEWEST);
        Plan routed = applied(proposal, plan);
        assertThat(port(routed, 1)).isEqualTo("1/1");
        assertThat(port(routed, 2)).isEqualTo("2/1");
        assertThat(proposal.boxes()).isEqualTo(2).isEqualTo(proposal.atLeast());
    }

    @Test
    void aUniverseThatIsHeardBothWaysGetsBothAndKeepsWhatItHas() {
        Plan plan = withWireless(rig(0), 901, 1).with(List.of(node(1, 4, 1), transmitter(2)));
        Plan routed = applied(RouteProposal.of(plan, FEWEST), plan);
        assertThat(routed.universe(UniverseNumber.of(1)).routes())
                .extracting(r -> r.port().box())
                .containsExactly(1, 2);
        RouteProposal again = RouteProposal.of(routed, FEWEST);
        assertThat(again.moves()).isEmpty();
        assertThat(again.staying()).isEqualTo(1);
        Plan onlyCable = routed.with(routed.universe(UniverseNumber.of(1))
                .with(List.of(routed.universe(UniverseNumber.of(1)).routes().get(0))));
        assertThat(applied(RouteProposal.of(onlyCable, FEWEST), onlyCable)).isEqualTo(routed);
    }

    @Test
    void withoutATransmitterWhatIsHeardByRadioIsLeftOutWithAReason() {
        Plan plan = withWireless(rig(0), 901, 2).with(node(1, 4, 1));
        RouteProposal proposal = RouteProposal.of(plan, FEWEST);
        assertThat(proposal.omissions())
                .extracting(o -> o.who() + ": " + o.why().words())
                .containsExactly("universe 2: every port is taken, or its box takes no more");
        assertThat(proposal.moves()).hasSize(1);
    }

    @Test
    void aUnitOnTheNetworkGetsItsUniverseItself() {
        Plan plan = rig(0);
        Box own = node(7, 1, 1)
                .as(BoxKind.UNIT)
                .with(BoxFacts.NONE.being(plan.fixtures().get(0).key()));
        Plan routed = applied(
                RouteProposal.of(plan.with(List.of(own, node(1, 4, 1))), FEWEST),
                plan.with(List.of(own, node(1, 4, 1))));
        assertThat(port(routed, 1)).isEqualTo("7/1");
    }
}
