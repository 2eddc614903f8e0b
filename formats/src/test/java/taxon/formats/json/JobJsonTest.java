package taxon.formats.json;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.BuiltInTypes;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Mark;
import taxon.core.rig.Node;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.RigType;
import taxon.core.rig.Universe;
import taxon.core.testing.Rigs;

class JobJsonTest {

    static LongStream seeds() {
        return LongStream.range(0, 60);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void readingBackWhatWasWrittenGivesAnEqualJob(long seed) {
        Plan plan = full(seed);
        JobJson.Reading reading = JobJson.read(JobJson.print(plan).getBytes(StandardCharsets.UTF_8));
        assertThat(reading).isEqualTo(new JobJson.Read(plan));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aChangeOfAPlanComesBackAsItWas(long seed) {
        PlanDelta delta = PlanDelta.between(full(seed), full(seed + 1));
        assertThat(PlanDeltaJson.read(Json.parse(Json.print(PlanDeltaJson.write(delta)))))
                .isEqualTo(delta);
    }

    @Test
    void everyBuiltInTypeComesBackAsItWas() {
        BuiltInTypes.all()
                .types()
                .forEach(t -> assertThat(FixtureTypeJson.read(FixtureTypeJson.write(t)))
                        .isEqualTo(t));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{ | no JSON",
                "[] | object",
                "{} | required",
                "{\"format\":\"taxon-job\",\"format\":\"taxon-job\"} | no JSON",
                "PK junk | no JSON"
            })
    void whatIsNoJobIsRefusedWithAReason(String text, String reason) {
        assertThat(refusal(text)).contains(reason);
    }

    @Test
    void anEmptyFileIsRefused() {
        assertThat(refusal("")).isNotBlank();
    }

    @Test
    void aNumberOutOfRangeIsRefusedWithItsPlace() {
        String text = print().replace("\"universe\" : 2", "\"universe\" : 64000");
        assertThat(refusal(text)).contains("/fixtures/0/addresses/0/universe").contains("63999");
    }

    @Test
    void aFixtureOfAnUnknownTypeIsRefused() {
        assertThat(refusal(print().replace("\"type\" : \"t\"", "\"type\" : \"u\"")))
                .contains("contradicts itself", "TYPE 0 u");
    }

    @Test
    void twoFixturesWithOneKeyAreRefused() {
        assertThat(refusal(print().replace("\"key\" : 2", "\"key\" : 1"))).contains("have a number that is taken");
    }

    @Test
    void nestingBeyondTheLimitIsRefused() {
        assertThat(refusal("[".repeat(100_000))).contains("no JSON");
    }

    private static String print() {
        return JobJson.print(
                Rigs.add(Rigs.empty(), Rigs.type("t", 16), 2, Optional.of(101), Optional.of(StartAddress.of(2, 1))));
    }

    private static String refusal(String text) {
        JobJson.Reading reading = JobJson.read(text.getBytes(StandardCharsets.UTF_8));
        assertThat(reading).isInstanceOf(JobJson.Refused.class);
        return String.join(" ", ((JobJson.Refused) reading).reasons());
    }

    /** A random rig with an element of every kind. */
    private static Plan full(long seed) {
        Random random = new Random(seed);
        Plan plan = Rigs.hung(seed);
        LocalDate from = LocalDate.of(2026, 5, 1 + random.nextInt(28));
        Mark mark = new Mark(StartAddress.of(1, 7), "only", Instant.ofEpochMilli(random.nextInt()), "crew");
        Route route = random.nextBoolean()
                ? new Route.ArtNet(new PortAddress(random.nextInt(32_768)), new PortRef(1, 2))
                : new Route.Sacn(new SacnUniverse(1 + random.nextInt(63_999)), new PortRef(1, 1));
        return plan.with(List.of(
                new JobSheet("Ænima “" + seed, "Dry dock", Optional.of(from), Optional.of(from.plusDays(3)), "a\nb"),
                new Node(1, "Quay node", Ipv4.of(10, 0, 0, random.nextInt(255)), 4),
                new Universe(UniverseNumber.of(1), "quay", Optional.of(route)),
                new RigType(BuiltInTypes.all().types().get(random.nextInt(17))),
                BlockEvidence.none(plan.blocks().get(0).ref()).withProved(mark, "7FF0:00000001")));
    }
}
