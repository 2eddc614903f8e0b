package taxon.app.checks.write;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import taxon.app.checks.Readings;
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
import taxon.core.writing.Item;
import taxon.core.writing.Prepared;
import taxon.core.writing.Result;
import taxon.core.writing.Result.Outcome;
import taxon.core.writing.WriteList;
import taxon.simrig.SimPersonality;
import taxon.simrig.SimPort;
import taxon.simrig.SimUnit;
import taxon.simrig.SimulatedRig;
import taxon.simrig.SimulatedRig.NodeSpec;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.Uid;

/** What is written to a unit is proved only by what the unit says afterwards, on the line where it is. */
class WriteRunsTest {
    private static final BlockRef FIRST = new BlockRef(FixtureKey.of(1), 1);
    private static final List<SimPersonality> ONLY = List.of(new SimPersonality("only", List.of(16)));

    private static TaxonServer server;
    private Optional<SimulatedRig> rig = Optional.empty();

    @BeforeAll
    static void begin() {
        server = TaxonServer.empty();
    }

    @AfterAll
    static void end() {
        server.close();
    }

    @AfterEach
    void stop() {
        rig.ifPresent(SimulatedRig::close);
    }

    @Test
    void whatWasWrittenAndReadBackIsProved() throws Exception {
        int job = job(unit("101", 65), new SimPort(new PortAddress(2), List.of()));
        assertThat(written(job, Item.ADDRESS)).extracting(Result::outcome).containsExactly(Outcome.WRITTEN);
        assertThat(standing(job)).isEqualTo(Standing.PROVED);
    }

    @Test
    void anAnswerThatIsLostAfterAWriteLeavesNoProof() throws Exception {
        int job = job(unit("101", 65).losingAnswersToSetting(), new SimPort(new PortAddress(2), List.of()));
        assertThat(plan(job).evidence(FIRST).proved()).as("it was proved once").isPresent();
        assertThat(written(job, Item.ADDRESS)).singleElement().satisfies(r -> {
            assertThat(r.outcome()).isEqualTo(Outcome.UNKNOWN);
            assertThat(r.says()).contains("did not answer").contains("read the rig again");
        });
        assertThat(plan(job).evidence(FIRST).proved()).isEmpty();
    }

    @Test
    void aUnitThatTakesAValueAndKeepsItsOwnIsASurpriseAndNoProof() throws Exception {
        int job = job(unit("101", 65).keepingItsOwn(), new SimPort(new PortAddress(2), List.of()));
        assertThat(written(job, Item.ADDRESS)).containsExactly(new Result(Outcome.OTHERWISE, "65"));
        assertThat(standing(job)).isEqualTo(Standing.STALE);
    }

    @Test
    void aUnitThatHangsOnAnotherLineIsNotWrittenAsIfItHungOnThePlannedOne() throws Exception {
        int job = job(unit("999", 1), new SimPort(new PortAddress(2), List.of(unit("101", 65))));
        Prepared prepared = prepared(job, Item.ADDRESS);
        assertThat(prepared.orders()).isEmpty();
        assertThat(prepared.left())
                .extracting(Prepared.Left::why)
                .singleElement()
                .asString()
                .contains("answers on universe 2, and planned is universe 1");
    }

    /** Two of its type, neither with a label: nobody knows which one hangs where. */
    @Test
    void aUnitThatIsOnlyMatchedByOrderIsNotWrittenBeforeItWasIdentified() throws Exception {
        int job = job(unit("", 65), new SimPort(new PortAddress(2), List.of()));
        assertThat(prepared(job, Item.ADDRESS).orders()).isEmpty();
        assertThat(prepared(job, Item.ADDRESS).left())
                .extracting(Prepared.Left::why)
                .singleElement()
                .asString()
                .contains("let it make itself known");
        assertThat(server.http()
                        .post("/jobs/" + job + "/checks/units/7FF0-00000001/identify", "on", "on")
                        .status())
                .isEqualTo(200);
        assertThat(simulated().isIdentifying()).isTrue();
        assertThat(prepared(job, Item.ADDRESS).orders())
                .as("that it was identified is not enough: somebody must say which one it is")
                .isEmpty();
        server.http().post("/jobs/" + job + "/checks/units/7FF0-00000001/is", "fixture", 1);
        server.http().post("/jobs/" + job + "/checks/units/7FF0-00000001/identify", "on", "off");
        assertThat(simulated().isIdentifying()).isFalse();
        assertThat(written(job, Item.ADDRESS)).extracting(Result::outcome).containsExactly(Outcome.WRITTEN);
        assertThat(simulated().startAddress(0)).isEqualTo(1);
        assertThat(standing(job)).isEqualTo(Standing.PROVED);
    }

    @Test
    void aLabelAnAddressAndTurnedAxesAreWrittenTogether() throws Exception {
        int job = job(unit("x", 65).moving(true, false, false), new SimPort(new PortAddress(2), List.of()));
        server.http().post("/jobs/" + job + "/checks/units/7FF0-00000001/is", "fixture", 1);
        assertThat(written(job, Item.ADDRESS, Item.LABEL, Item.PAN_REVERSED))
                .extracting(Result::outcome)
                .containsOnly(Outcome.WRITTEN)
                .hasSize(3);
        assertThat(simulated().label()).isEqualTo("101");
        assertThat(simulated().isReversed(Pid.PAN_INVERT)).isFalse();
        assertThat(simulated().startAddress(0)).isEqualTo(1);
    }

    /** Somebody else was at the unit since it was read. */
    @Test
    void nothingIsWrittenOverWhatNobodyHasSeen() throws Exception {
        int job = job(unit("101", 65), new SimPort(new PortAddress(2), List.of()));
        int id = made(job, Item.ADDRESS);
        simulated().setAt(97);
        assertThat(run(job, id)).singleElement().satisfies(r -> {
            assertThat(r.outcome()).isEqualTo(Outcome.REFUSED);
            assertThat(r.says()).contains("it says 97 now, and not 65");
        });
        assertThat(simulated().startAddress(0)).isEqualTo(97);
    }

    private SimUnit simulated() {
        return rig.orElseThrow().units().get(0);
    }

    private Prepared prepared(int job, Item... items) {
        return server.bean(Preparing.class).units(job, plan(job), Set.of(items), l -> true);
    }

    private int made(int job, Item... items) throws NotWrittenException {
        return server.bean(WriteRuns.class).prepare(job, "Test", "someone", true, prepared(job, items));
    }

    private List<Result> written(int job, Item... items) throws NotWrittenException {
        return run(job, made(job, items));
    }

    private List<Result> run(int job, int id) throws NotWrittenException {
        WriteRuns runs = server.bean(WriteRuns.class);
        runs.arm(job, id, false, true);
        runs.write(job, id);
        Wait.until(
                "it is not written",
                () -> runs.find(job, id).orElseThrow().list().state() == WriteList.State.ENDED);
        return runs.find(job, id).orElseThrow().list().results();
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
        server.http().post("/jobs/" + job + "/checks/read");
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
