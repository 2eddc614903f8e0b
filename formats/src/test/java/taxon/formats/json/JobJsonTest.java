package taxon.formats.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Ipv4;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class JobJsonTest {

    static LongStream seeds() {
        return Rigs.seeds(60);
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
    void aDocumentFromBeforeThereWereOtherBoxesThanNodesIsStillRead() {
        String older = """
                {"format":"taxon-job","version":1,"job":{"name":"Old","venue":"","note":""},"types":[],"positions":[],
                 "nodes":[{"number":1,"name":"Quay","ip":"10.0.0.11","ports":4}],
                 "universes":[{"number":5,"label":"hull",
                   "route":{"protocol":"sacn","universe":5,"node":1,"port":2}}],
                 "reserved":[],"fixtures":[],"evidence":[]}""";
        JobJson.Parsed parsed = JobJson.read(older.getBytes(StandardCharsets.UTF_8));
        assertThat(parsed).isInstanceOf(JobJson.Read.class);
        Plan plan = ((JobJson.Read) parsed).plan();
        assertThat(plan.boxes()).containsExactly(Box.node(1, "Quay", Ipv4.of(10, 0, 0, 11), 4));
        assertThat(plan.universe(UniverseNumber.of(5)).routes())
                .containsExactly(new Route.Sacn(new SacnUniverse(5), new PortRef(1, 2)));
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
                "{} | lacks",
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

    @Test
    void whatTheSchemaDoesNotAllowIsSaidInOurWordsWithItsPlace() {
        assertThat(refusal(print().replaceFirst("\"unit\" : \\d+", "\"unit\" : 10000")))
                .isEqualTo("At /fixtures/0/unit: it is 10000; the most is 9999.");
        assertThat(refusal(print().replaceFirst("\"unit\" : \\d+", "\"unit\" : \"four\"")))
                .isEqualTo("At /fixtures/0/unit: it is \"four\" and takes integer.");
        assertThat(refusal(print().replaceFirst("\"unit\" : \\d+", "\"shelf\" : 4")))
                .contains(
                        "At /fixtures/0: it lacks “unit”.", "At /fixtures/0: it has “shelf”, which is not known here.");
    }

    @Test
    void whatIsNoJsonIsSaidWithTheLineWhereItGoesWrong() {
        assertThat(refusal("{\n  \"format\": \"taxon-job\",\n  oops\n}"))
                .isEqualTo("The file is no JSON that can be read; it goes wrong at line 3, column 3.");
    }

    @Test
    void aFixtureWithTwoAddressesForOneBlockIsRefusedAndNoneIsDropped() {
        String twice = print().replaceFirst("(\"addresses\" : \\[ *)(\\{[^}]*\\})", "$1$2, $2");
        assertThat(refusal(twice)).contains("has two addresses for its block");
    }

    @Test
    void aKeyThatNoPageCouldNameIsRefused() {
        assertThat(refusal(print().replaceFirst("\"key\" : \\d+", "\"key\" : 2147483647")))
                .contains("it is 2147483647; the most is 999999999");
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

    @Test
    void whatWasKeptIsReadBackAndDamageIsNotTakenForAJob() {
        Plan plan = Rigs.ofEveryKind(3);
        assertThat(JobJson.kept(JobJson.print(plan))).isEqualTo(plan);
        assertThatThrownBy(() -> JobJson.kept("{}"))
                .isInstanceOf(IllegalStateException.class)
                .hasMessageContaining("damaged");
    }
}
