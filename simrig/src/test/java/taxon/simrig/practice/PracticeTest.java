package taxon.simrig.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.rig.FixtureId;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.FixtureEdits;
import taxon.simrig.SimPersonality;
import taxon.simrig.SimPort;
import taxon.simrig.SimUnit;
import taxon.simrig.SimulatedRig;
import taxon.simrig.SimulatedRig.NodeSpec;
import taxon.wire.bytes.Bytes;
import taxon.wire.rdm.codec.CommandClass;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.Uid;

/** Four heads with an add-on on one line of a node; as they came, one had last show's address. */
class PracticeTest {
    private static final Ipv4 NODE = Ipv4.of(127, 81, 0, 2);
    private static final Instant BEGAN = Instant.EPOCH;
    private static final FixtureType HEAD = FixtureType.of(
            TypeId.of("head"),
            "Test",
            "head",
            "head",
            Facts.onALine(),
            List.of(mode("short", 1, "Dimmer Pan Tilt"), mode("long", 2, "Dimmer Pan:2 Tilt:2 Zoom")));

    private final List<SimUnit> units = new ArrayList<>();
    private Plan plan;
    private SimulatedRig rig;

    private static Mode mode(String name, int number, String words) {
        return new Mode(
                name,
                Optional.of(number),
                List.of(ChannelScript.block("Main", words), ChannelScript.block("Add-on", "Shutter1")));
    }

    @BeforeEach
    void start() throws IOException {
        Edit edit = FixtureEdits.add(
                "add",
                List.of(Added.of(HEAD, HEAD.modes().get(0), 4, Added.Words.on("Pipe"))
                        .withIds(Optional.of(FixtureId.of(101)))
                        .from(Optional.of(StartAddress.of(1, 1)))));
        Edit.Outcome outcome =
                edit.applyTo(Plan.empty(new JobSheet("Job", "", Optional.empty(), Optional.empty(), "")));
        plan = ((Edit.Changed) outcome).plan();
        plan.fixtures().forEach(f -> {
            List<Integer> starts =
                    f.addresses().values().stream().map(a -> a.slot().number()).toList();
            List<SimPersonality> modes =
                    HEAD.modes().stream().map(SimPersonality::of).toList();
            boolean last = f.label().equals("104");
            units.add(new SimUnit(
                            new Uid(0x7FF0, f.key().number()),
                            "Test",
                            "head",
                            f.label(),
                            modes,
                            1,
                            last ? List.of(300, 310) : starts,
                            false)
                    .hanging(f.label())
                    .moving(false, false, false));
        });
        rig = SimulatedRig.start(List.of(new NodeSpec(NODE, "Node", List.of(new SimPort(new PortAddress(1), units)))));
    }

    @AfterEach
    void stop() {
        rig.close();
    }

    private Practice begin(PracticeCase which, long seed) throws IOException {
        return Practice.begin(rig, plan, which, seed, BEGAN);
    }

    private static Instant after(long seconds) {
        return BEGAN.plusSeconds(seconds);
    }

    private static void set(SimUnit unit, int slot) {
        unit.answer(RdmMessage.request(
                unit.uid(),
                new Uid(0x7FF1, 1),
                1,
                0,
                CommandClass.SET,
                Pid.DMX_START_ADDRESS,
                Bytes.of(slot >> 8, slot & 0xFF)));
    }

    private int planned(SimUnit unit) {
        return plan.fixtures().stream()
                .filter(f -> f.label().equals(unit.hangs()))
                .findFirst()
                .flatMap(f -> f.address(1))
                .orElseThrow()
                .slot()
                .number();
    }

    private SimUnit faulty() {
        return units.stream().filter(u -> !u.faults().isEmpty()).findFirst().orElseThrow();
    }

    @ParameterizedTest
    @EnumSource(PracticeCase.class)
    void everyCaseHidesSomethingThatIsNotSolvedByDoingNothing(PracticeCase which) throws IOException {
        for (long seed = 0; seed < 5; seed++) {
            Practice practice = begin(which, seed);
            Score score = practice.score(Set.of(), after(10));
            assertThat(score.hidden()).as("%s %s", which, seed).isPositive();
            assertThat(score.solved()).isZero();
            assertThat(score.spoiled()).isEmpty();
            assertThat(score.points()).isZero();
            assertThat(score.faults()).hasSize(score.hidden());
            practice.end();
        }
    }

    @Test
    void aCaseThatIsSolvedByOneWriteInAMinuteHas99Points() throws IOException {
        Practice practice = begin(PracticeCase.LAST_SHOWS_ADDRESS, 7);
        SimUnit unit = faulty();
        set(unit, planned(unit));
        Score score = practice.score(Set.of(), after(80));
        assertThat(score.solved()).isEqualTo(1);
        assertThat(score.touched()).isEqualTo(1);
        assertThat(score.took()).isEqualTo(Duration.ofSeconds(80));
        assertThat(score.points()).isEqualTo(99);
    }

    @Test
    void writesTooManyAndWhatIsSpoiledCost() throws IOException {
        Practice practice = begin(PracticeCase.LAST_SHOWS_ADDRESS, 7);
        SimUnit unit = faulty();
        set(unit, 200);
        set(unit, planned(unit));
        SimUnit other = units.stream().filter(u -> !u.equals(unit)).findFirst().orElseThrow();
        set(other, 400);
        Score score = practice.score(Set.of("Node"), after(1));
        assertThat(score.spoiled()).containsExactly(other.hangs());
        assertThat(score.wronglyNamed()).containsExactly("Node");
        assertThat(score.points()).isEqualTo(100 - 2 * 5 - 2 * 10);
    }

    /** What has no power cannot be put right over the wire: it is found by naming it. */
    @Test
    void aDeadUnitIsSolvedByNamingIt() throws IOException {
        Practice practice = begin(PracticeCase.DEAD, 3);
        SimUnit dead = faulty();
        assertThat(dead.answer(RdmMessage.request(
                        dead.uid(), new Uid(0x7FF1, 1), 1, 0, CommandClass.GET, Pid.DEVICE_INFO, Bytes.NONE)))
                .isEmpty();
        assertThat(practice.score(Set.of(dead.hangs()), after(1)).points()).isEqualTo(100);
        assertThat(practice.score(Set.of(), after(1)).points()).isZero();
    }

    @Test
    void theRigIsSetAsPlannedForACaseAndAsItCameAfterIt() throws IOException {
        SimUnit last = units.get(3);
        assertThat(last.startAddress(0)).isEqualTo(300);
        Practice practice = begin(PracticeCase.PORT_IS_INPUT, 1);
        assertThat(last.startAddress(0)).isEqualTo(planned(last));
        practice.end();
        assertThat(last.startAddress(0)).isEqualTo(300);
        assertThat(rig.nodes().get(0).faults()).isEmpty();
    }

    @Test
    void theSameSeedHidesTheSame() throws IOException {
        List<String> once =
                begin(PracticeCase.THREE_AT_ONCE, 5).score(Set.of(), BEGAN).faults();
        assertThat(begin(PracticeCase.THREE_AT_ONCE, 5).score(Set.of(), BEGAN).faults())
                .isEqualTo(once)
                .hasSize(3);
    }
}
