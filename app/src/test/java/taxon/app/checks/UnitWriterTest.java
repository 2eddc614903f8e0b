package taxon.app.checks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.checks.UnitWriter.NotWrittenException;
import taxon.app.edit.JobEditor;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Wait;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.proof.Standing;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Box;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.JobEdits;
import taxon.core.testing.Rigs;
import taxon.simrig.SimPersonality;
import taxon.simrig.SimPort;
import taxon.simrig.SimUnit;
import taxon.simrig.SimulatedRig;
import taxon.simrig.SimulatedRig.NodeSpec;
import taxon.wire.rdm.codec.Uid;

/** What is written to a unit is proved only by what the unit says afterwards, on the line where it is. */
class UnitWriterTest {
    private static final BlockRef FIRST = new BlockRef(FixtureKey.of(1), 1);
    private static final List<SimPersonality> ONLY = List.of(new SimPersonality("only", List.of(16)));

    private TaxonServer server;
    private Optional<SimulatedRig> rig = Optional.empty();

    @BeforeEach
    void begin() {
        server = TaxonServer.empty();
    }

    @AfterEach
    void stop() {
        rig.ifPresent(SimulatedRig::close);
        server.close();
    }

    @Test
    void whatWasWrittenAndReadBackIsProved() throws Exception {
        int job = job(unit("101", 65), new SimPort(new PortAddress(2), List.of()));
        UnitWriter writer = server.bean(UnitWriter.class);
        writer.arm(job, plan(job), FIRST);
        assertThat(writer.write(job, FIRST)).isEqualTo("101 listens at slot 1 now, read back from unit 7FF0:00000001");
        assertThat(standing(job)).isEqualTo(Standing.PROVED);
    }

    @Test
    void anAnswerThatIsLostAfterAWriteLeavesNoProof() throws Exception {
        int job = job(unit("101", 65).losingAnswersToSetting(), new SimPort(new PortAddress(2), List.of()));
        assertThat(plan(job).evidence(FIRST).proved()).as("it was proved once").isPresent();
        UnitWriter writer = server.bean(UnitWriter.class);
        writer.arm(job, plan(job), FIRST);
        assertThatThrownBy(() -> writer.write(job, FIRST))
                .isInstanceOf(NotWrittenException.class)
                .hasMessageContaining("It is not known what the unit has now")
                .hasMessageContaining("did not answer");
        assertThat(plan(job).evidence(FIRST).proved()).isEmpty();
    }

    @Test
    void aUnitThatHangsOnAnotherLineIsNotWrittenAsIfItHungOnThePlannedOne() throws Exception {
        int job = job(unit("999", 1), new SimPort(new PortAddress(2), List.of(unit("101", 65))));
        UnitWriter writer = server.bean(UnitWriter.class);
        assertThatThrownBy(() -> writer.arm(job, plan(job), FIRST))
                .isInstanceOf(NotWrittenException.class)
                .hasMessageContaining("answers on universe 2, and planned is universe 1");
    }

    /** 101 at 1.001, proved once; the unit on the first line, and a second line. The rig was read. */
    private int job(SimUnit unit, SimPort second) throws IOException {
        Ipv4 node = Ipv4.parse(server.network() + ".2").orElseThrow();
        rig = Optional.of(SimulatedRig.start(List.of(
                new NodeSpec(node, "Node", List.of(new SimPort(new PortAddress(1), List.of(unit)), second)))));
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 1, Optional.of(101), Optional.of(StartAddress.of(1, 1)))
                .with(Box.node(1, "Node", node, 4))
                .with(universe(1))
                .with(universe(2));
        Mark mark = new Mark(StartAddress.of(1, 1), "only", Instant.EPOCH, "someone");
        int job =
                server.bean(JobEditor.class).make(plan.with(plan.evidence(FIRST).withProved(mark, "")));
        Readings readings = server.bean(Readings.class);
        readings.begin(job, false);
        Wait.until("the rig was not read", () -> readings.state(job).last().isPresent());
        // The reading itself takes the proof of a unit that differs; whoever proved it again did so before the write.
        server.bean(JobEditor.class)
                .record(
                        job,
                        "someone",
                        JobEdits.record(
                                "Proved", List.of(plan(job).evidence(FIRST).withProved(mark, ""))));
        return job;
    }

    private Plan plan(int job) {
        return server.bean(JobEditor.class).find(job).orElseThrow().plan();
    }

    private Standing standing(int job) {
        return Standing.of(plan(job).blocks().get(0), plan(job));
    }

    private static Universe universe(int number) {
        Route route = new Route.ArtNet(new PortAddress(number), new PortRef(1, number));
        return new Universe(UniverseNumber.of(number), "", List.of(route));
    }

    private static SimUnit unit(String label, int start) {
        return new SimUnit(
                new Uid(0x7FF0, label.equals("999") ? 9 : 1), "Test", "t", label, ONLY, 1, List.of(start), false);
    }
}
