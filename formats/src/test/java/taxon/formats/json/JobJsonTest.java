package taxon.formats.json;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class JobJsonTest {

    static LongStream seeds() {
        return LongStream.range(0, 60);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void readingBackWhatWasWrittenGivesAnEqualJob(long seed) {
        Plan plan = Rigs.ofEveryKind(seed);
        JobJson.Parsed reading = JobJson.read(JobJson.print(plan).getBytes(StandardCharsets.UTF_8));
        assertThat(reading).isEqualTo(new JobJson.Read(plan));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aChangeOfAPlanComesBackAsItWas(long seed) {
        PlanDelta delta = PlanDelta.between(Rigs.ofEveryKind(seed), Rigs.ofEveryKind(seed + 1));
        assertThat(PlanDeltaJson.read(Json.parse(Json.print(PlanDeltaJson.write(delta)))))
                .isEqualTo(delta);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void anElementOfAnyKindComesBackAsItWas(long seed) {
        Rigs.ofEveryKind(seed)
                .elements()
                .forEach((key, element) -> assertThat(
                                ElementJson.read(key.kind(), Json.parse(Json.print(ElementJson.write(element)))))
                        .isEqualTo(element));
    }

    @Test
    void everyBuiltInTypeComesBackAsItWas() {
        DemoTypes.withGeneric()
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
        JobJson.Parsed reading = JobJson.read(text.getBytes(StandardCharsets.UTF_8));
        assertThat(reading).isInstanceOf(JobJson.Refused.class);
        return String.join(" ", ((JobJson.Refused) reading).reasons());
    }
}
