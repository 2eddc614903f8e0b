package taxon.app.checks;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.TaxonServer;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxKind;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.RigComparison.Verdict;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.testing.Rigs;
import taxon.simrig.SimPersonality;
import taxon.simrig.SimPort;
import taxon.simrig.SimUnit;
import taxon.simrig.SimulatedRig;
import taxon.simrig.SimulatedRig.NodeSpec;
import taxon.wire.link.CardLinks;
import taxon.wire.link.SendPolicy;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.Uid;

/** Rigs as they are, read over loopback: boxes that are off, units that refuse, plans that changed meanwhile. */
class RigReaderTest {
    private static final List<SimPersonality> ONLY = List.of(new SimPersonality("only", List.of(16)));

    private final String network = TaxonServer.newNetwork();
    private final Ipv4 here = ip(2);
    private Optional<SimulatedRig> rig = Optional.empty();

    @AfterEach
    void stop() {
        rig.ifPresent(SimulatedRig::close);
    }

    @Test
    void anOptionalLabelThatIsRefusedCostsTheLabelAndNotTheUnit() throws Exception {
        start(new SimPort(new PortAddress(1), List.of(unit(1, "101", 1).refusing(Pid.DEVICE_LABEL))));
        RigReading reading = read(plan());
        assertThat(reading.units()).extracting(FoundUnit::label).containsExactly("");
        assertThat(reading.troubles()).isEmpty();
        assertThat(reading.against(plan()).counts()).containsEntry(Verdict.RIGHT, 1L);
    }

    @Test
    void aBoxThatCannotBeReachedDoesNotStopTheOthers() throws Exception {
        start(new SimPort(new PortAddress(1), List.of(unit(1, "101", 1))));
        // Nothing may be sent to an address outside this machine: sending fails as it does without a route.
        Plan plan = plan().with(Box.node(1, "Far node", Ipv4.of(192, 0, 2, 1), 4))
                .with(Box.node(2, "Near node", here, 4))
                .with(universe(1, 2, 1))
                .with(universe(2, 1, 1));
        RigReading reading = read(plan);
        assertThat(BoxLine.of(plan, reading).get(0).differences())
                .containsExactly("Far node at 192.0.2.1 was not asked: output to it is not armed.");
        assertThat(reading.units()).hasSize(1);
    }

    @Test
    void aTableThatIsRefusedLeavesItsUniverseUnasked() throws Exception {
        start(new SimPort(new PortAddress(1), List.of(unit(1, "101", 1)), false));
        RigReading reading = read(plan());
        assertThat(reading.troubles())
                .singleElement()
                .asString()
                .contains("refuses the table of devices of universe 1");
        assertThat(reading.against(plan()).counts()).containsEntry(Verdict.MISSING, 0L);
        assertThat(NotAskedLine.of(plan(), reading))
                .containsExactly(new NotAskedLine(3, "universe 1 could not be read", "101–103"));
    }

    @Test
    void whatWasReadOfAUniverseSaysNothingOnceItGoesAnotherWay() throws Exception {
        start(new SimPort(new PortAddress(1), List.of(unit(1, "101", 1))));
        Plan plan = plan();
        RigReading reading = read(plan);
        Plan rerouted = plan.with(universe(1, 1, 2));
        assertThat(reading.against(rerouted).lines()).isEmpty();
        assertThat(NotAskedLine.of(rerouted, reading))
                .extracting(NotAskedLine::why)
                .containsExactly("universe 1 goes another way since it was read");
        Plan moved = plan.with(Box.node(1, "Node", ip(9), 4));
        assertThat(reading.read(moved)).isEmpty();
    }

    @Test
    void aUniverseThatLeavesByTwoPortsIsReadBehindBoth() throws Exception {
        start(
                new SimPort(new PortAddress(1), List.of(unit(1, "101", 1))),
                new SimPort(new PortAddress(1), List.of(unit(2, "102", 17), unit(3, "103", 33))));
        Plan plan = plan().with(both(1, 2));
        RigReading reading = read(plan);
        assertThat(reading.against(plan).counts())
                .containsEntry(Verdict.RIGHT, 3L)
                .containsEntry(Verdict.MISSING, 0L);
        assertThat(reading.units())
                .allSatisfy(u -> assertThat(reading.way(u.uid())).isPresent());
        assertThat(reading.way(reading.units().get(0).uid())
                        .orElseThrow()
                        .route()
                        .port())
                .isEqualTo(new PortRef(1, 1));
    }

    @Test
    void aUniverseOfWhichOneWayCouldNotBeReadMissesNobody() throws Exception {
        start(new SimPort(new PortAddress(1), List.of(unit(1, "101", 1))));
        Plan plan = plan().with(both(1, 3));
        RigReading reading = read(plan);
        assertThat(BoxLine.of(plan, reading).get(0).differences())
                .containsExactly("Node says that it has 1 port; the plan has something on port 3.");
        assertThat(reading.against(plan).counts()).containsEntry(Verdict.MISSING, 0L);
        assertThat(NotAskedLine.of(plan, reading))
                .containsExactly(new NotAskedLine(3, "universe 1 was read by some of its ways only", "101–103"));
        // Once it leaves by the way alone that was read, that reading says all.
        Plan narrowed = plan.with(universe(1, 1, 1));
        assertThat(reading.against(narrowed).counts())
                .containsEntry(Verdict.RIGHT, 1L)
                .containsEntry(Verdict.MISSING, 2L);
    }

    @Test
    void whatLeavesByNoNetworkCannotBeReadAndMissesNobody() throws Exception {
        start(new SimPort(new PortAddress(1), List.of(unit(1, "101", 1))));
        Plan plan = plan();
        plan = plan.with(Box.node(2, "Stick", here, 1).as(BoxKind.INTERFACE))
                .with(plan.universe(UniverseNumber.of(1))
                        .with(List.of(
                                plan.universe(UniverseNumber.of(1)).routes().get(0),
                                new Route.Direct(new PortRef(2, 1)))));
        RigReading reading = read(plan);
        assertThat(reading.against(plan).counts()).containsEntry(Verdict.MISSING, 0L);
        assertThat(NotAskedLine.of(plan, reading))
                .extracting(NotAskedLine::why)
                .containsExactly("universe 1 was read by some of its ways only");
    }

    @Test
    void whatNoPortCarriesAndWhatHasNoAddressIsNamed() throws Exception {
        start(new SimPort(new PortAddress(1), List.of()));
        Plan plan = Rigs.add(
                Rigs.add(plan(), Rigs.type("t", 16), 1, Optional.of(201), Optional.of(StartAddress.of(7, 1))),
                Rigs.type("t", 16),
                1,
                301);
        RigReading reading = read(plan);
        assertThat(NotAskedLine.of(plan, reading))
                .extracting(n -> n.why() + ": " + n.ids())
                .containsExactly("universe 7 goes through no port: 201", "without a planned address: 301");
        assertThat(reading.against(plan).counts()).containsEntry(Verdict.MISSING, 3L);
    }

    /** 101 to 103 of 16 slots from 1.001, universe 1 on the first port of a node. */
    private Plan plan() {
        return Rigs.add(Rigs.empty(), Rigs.type("t", 16), 3, Optional.of(101), Optional.of(StartAddress.of(1, 1)))
                .with(Box.node(1, "Node", here, 4))
                .with(universe(1, 1, 1));
    }

    private static Universe universe(int number, int node, int port) {
        Route route = new Route.ArtNet(new PortAddress(number), new PortRef(node, port));
        return new Universe(UniverseNumber.of(number), "", List.of(route));
    }

    @Test
    void aSecondTaxonOnTheSameCardKeepsNoAnswerFromTheFirst() throws Exception {
        start(new SimPort(new PortAddress(1), List.of(unit(1, "101", 1), unit(2, "102", 17))));
        try (CardLinks other = new CardLinks();
                CardLinks.Lease held = other.lease(ip(1))) {
            assertThat(read(plan()).units()).hasSize(2);
            held.link().claim();
            assertThat(read(plan()).units()).hasSize(2);
        }
    }

    private static Universe both(int one, int other) {
        Route first = new Route.ArtNet(new PortAddress(1), new PortRef(1, one));
        Route second = new Route.ArtNet(new PortAddress(1), new PortRef(1, other));
        return new Universe(UniverseNumber.of(1), "", List.of(first, second));
    }

    private void start(SimPort... ports) throws IOException {
        rig = Optional.of(SimulatedRig.start(List.of(new NodeSpec(here, "Node", List.of(ports)))));
    }

    private RigReading read(Plan plan) throws Exception {
        try (CardLinks links = new CardLinks()) {
            RigReader reader = new RigReader(
                    () -> links.lease(ip(1)),
                    List.of(),
                    SendPolicy.LOOPBACK_ONLY,
                    Duration.ofMillis(400),
                    Clock.systemUTC());
            return reader.read(plan, false, p -> {}, () -> false);
        }
    }

    private static SimUnit unit(int device, String label, int start) {
        return new SimUnit(new Uid(0x7FF0, device), "Test", "t", label, ONLY, 1, List.of(start), false);
    }

    private Ipv4 ip(int last) {
        return Ipv4.parse(network + "." + last).orElseThrow();
    }
}
