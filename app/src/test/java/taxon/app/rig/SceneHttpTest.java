package taxon.app.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.OneJob;
import taxon.app.testing.Zips;
import tools.jackson.databind.JsonNode;

/** A scene file on its way into a job. */
class SceneHttpTest {
    private static final String GDTF = "<?xml version=\"1.0\"?><GDTF DataVersion=\"1.2\"><FixtureType Name=\"Wader\""
            + " ShortName=\"Wader\" LongName=\"Pellucid Wader\" Manufacturer=\"Pellucid\""
            + " FixtureTypeID=\"0F1E2D3C-4B5A-6978-8796-A5B4C3D2E1F0\"><Geometries><Geometry Name=\"Body\"/></Geometries>"
            + "<DMXModes><DMXMode Name=\"Standard\" Geometry=\"Body\"><DMXChannels><DMXChannel DMXBreak=\"1\" Offset=\"1\""
            + " Geometry=\"Body\"><LogicalChannel Attribute=\"Dimmer\"><ChannelFunction Name=\"D\" Attribute=\"Dimmer\""
            + " DMXFrom=\"0/1\" Default=\"0/1\"/></LogicalChannel></DMXChannel></DMXChannels></DMXMode></DMXModes>"
            + "</FixtureType></GDTF>";

    private static final AtomicInteger TYPES = new AtomicInteger();

    private final OneJob job = OneJob.shared("Scene");
    private final Http http = job.http();
    /** Each test brings a type that the library has not: what one brings the library keeps. */
    private final int type = TYPES.incrementAndGet();

    private byte[] gdtf() {
        return Zips.zip(Map.of(
                "description.xml",
                GDTF.replace("Wader", "Wader" + type)
                        .replace("-A5B4C3D2E1F0", "-A5B4C3D2E" + (100 + type))
                        .getBytes(StandardCharsets.UTF_8)));
    }

    private int waders() {
        return job.get("/types?q=wader" + type).json().path("found").asInt();
    }

    private static String fixture(int n, int millimetres, int address) {
        return "<Fixture uuid=\"0f1e2d3c-4b5a-6978-8796-00000000000" + n + "\" name=\"\"><Matrix>{1,0,0}{0,1,0}{0,0,1}{"
                + millimetres + ",6000,7000}</Matrix><GDTFSpec>wader.gdtf</GDTFSpec><GDTFMode>Standard</GDTFMode>"
                + "<FixtureID>" + (200 + n) + "</FixtureID><Position>0f1e2d3c-4b5a-6978-8796-0000000000aa</Position>"
                + "<Addresses><Address break=\"0\">" + address + "</Address></Addresses></Fixture>";
    }

    private byte[] scene(boolean withType, String... fixtures) {
        String xml = "<GeneralSceneDescription verMajor=\"1\" verMinor=\"6\"><Scene><AUXData><Position"
                + " uuid=\"0f1e2d3c-4b5a-6978-8796-0000000000aa\" name=\"Crane rail\"/></AUXData><Layers><Layer"
                + " uuid=\"0f1e2d3c-4b5a-6978-8796-0000000000bb\" name=\"Lights\"><ChildList>"
                + String.join("", fixtures)
                + "</ChildList></Layer></Layers></Scene></GeneralSceneDescription>";
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("GeneralSceneDescription.xml", xml.getBytes(StandardCharsets.UTF_8));
        if (withType) {
            files.put("wader.gdtf", gdtf());
        }
        return Zips.zip(files);
    }

    private String give(byte[] scene) {
        Answer given = http.upload(job.path() + "/scenes", "dock.mvr", scene);
        assertThat(given.status()).as(given.text()).isEqualTo(200);
        return given.json().path("next").asString();
    }

    private Answer apply(String path) {
        return http.post(path + "/apply", "version", http.version(job.path()));
    }

    private JsonNode fixtures() {
        return job.get("/fixtures").json().path("fixtures");
    }

    @Test
    void aSceneIsLookedAtMergedAndUndoneAsOne() {
        String path = give(scene(true, fixture(1, -3000, 1), fixture(2, 3000, 2)));
        assertThat(http.get(path).json().path("headline").asString()).isEqualTo("2 new, 0 changed, 0 the same, 0 gone");
        assertThat(fixtures()).isEmpty();
        assertThat(waders()).as("nothing is kept in the library before").isZero();
        assertThat(apply(path).status()).isEqualTo(200);
        assertThat(fixtures()
                        .valueStream()
                        .map(f -> f.path("id").asInt() + " " + f.path("offset").asLong()))
                .containsExactly("201 -3000000", "202 3000000");
        assertThat(waders()).isEqualTo(1);
        assertThat(job.page("/rig").text()).contains("id=\"above\"", "Crane rail");
        assertThat(apply(path).status()).as("only once").isEqualTo(409);
        job.post("/undo", "version", http.version(job.path()));
        assertThat(fixtures()).isEmpty();
    }

    @Test
    void aSceneThatComesTooLateLeavesNothingInTheLibraryEither() {
        String path = give(scene(true, fixture(1, 0, 1)));
        long seen = http.version(job.path());
        job.post("/positions", "version", seen, "name", "Meanwhile");
        assertThat(http.post(path + "/apply", "version", seen).status()).isEqualTo(409);
        assertThat(waders()).isZero();
        assertThat(apply(path).status()).isEqualTo(200);
    }

    @Test
    void aLaterStateOfTheSceneIsMergedByUuid() {
        apply(give(scene(true, fixture(1, -3000, 1), fixture(2, 3000, 2))));
        String path = give(scene(true, fixture(1, -2500, 9), fixture(3, 0, 3)));
        JsonNode looked = http.get(path).json();
        assertThat(looked.path("headline").asString()).isEqualTo("1 new, 1 changed, 0 the same, 1 gone");
        assertThat(looked.path("changes").toString()).contains("-3 m", "-2.5 m", "1.001", "1.009");
        assertThat(http.page(path).text()).contains("stay on the rig");
        http.post(path + "/request", "changes", "yes", "removal", "yes");
        assertThat(http.get(path).json().path("changes").toString())
                .as("addresses are kept now")
                .contains("-2.5 m")
                .doesNotContain("1.009");
        apply(path);
        assertThat(fixtures().valueStream().map(f -> f.path("id").asInt())).containsExactly(201, 203);
    }

    @Test
    void fixturesOfAMissingTypeComeInAreAskedAboutAndGetItWhenTheSceneIsReadAgain() {
        String path = give(scene(false, fixture(1, 0, 1)));
        JsonNode asked = http.get(path).json().path("questions").path(0);
        assertThat(asked.path("spec").asString()).isEqualTo("wader.gdtf");
        assertThat(asked.path("fixtures").asInt()).isEqualTo(1);
        assertThat(http.page(path).text()).contains("What are these?", "takes no slots");
        assertThat(apply(path).status()).isEqualTo(200);
        assertThat(fixtures()).hasSize(1);
        assertThat(job.get("/findings").json().toString()).contains("type-unknown");

        http.upload(job.path() + "/types/import", "wader.gdtf", gdtf());
        String again = http.post(path + "/again").json().path("next").asString();
        http.post(
                again + "/types",
                "spec",
                "wader.gdtf",
                "mode",
                "Standard",
                "to",
                "pellucid-wader" + type + "/Standard");
        assertThat(http.get(again).json().path("headline").asString())
                .isEqualTo("0 new, 1 changed, 0 the same, 0 gone");
        apply(again);
        assertThat(fixtures().path(0).path("type").asString()).isEqualTo("pellucid-wader" + type);
        assertThat(job.get("/findings").json().toString())
                .contains(
                        "\"rule\":\"type-unknown\",\"title\":\"A type that nobody has\",\"severity\":\"stop\",\"findings\":[]");
    }

    @Test
    void aChoiceThatIsNoTypeIsRefusedAndOneCanBeTakenBack() {
        String path = give(scene(false, fixture(1, 0, 1)));
        assertThat(http.post(path + "/types", "spec", "wader.gdtf", "mode", "Standard", "to", "nobody/none")
                        .reasons())
                .contains("no type and mode that is known");
        http.post(path + "/types", "spec", "wader.gdtf", "mode", "Standard", "to", "generic-dimmer/1-channel");
        assertThat(http.get(path)
                        .json()
                        .path("questions")
                        .path(0)
                        .path("chosen")
                        .asString())
                .isEqualTo("generic-dimmer/1-channel");
        http.post(path + "/types", "spec", "wader.gdtf", "mode", "Standard", "to", "");
        assertThat(http.get(path)
                        .json()
                        .path("questions")
                        .path(0)
                        .path("chosen")
                        .asString())
                .isEmpty();
    }

    @Test
    void aSceneOfVeryManyUnknownTypesAsksTheFirstAndTheRestOnceTheseAreSettled() {
        String[] fixtures = new String[45];
        for (int i = 0; i < fixtures.length; i++) {
            fixtures[i] = fixture(1, 0, 1)
                    .replace("00000000000" + 1, String.format(java.util.Locale.ROOT, "%012d", 100 + i))
                    .replace("wader.gdtf", String.format(java.util.Locale.ROOT, "t%02d.gdtf", i))
                    .replace("<FixtureID>201", "<FixtureID>" + (301 + i));
        }
        String path = give(scene(false, fixtures));
        assertThat(http.page(path).text()).contains("t39.gdtf", "and 5 more").doesNotContain("t40.gdtf”");
        http.post(path + "/types", "spec", "t00.gdtf", "mode", "Standard", "to", "generic-dimmer/1-channel");
        assertThat(http.page(path).text()).contains("t40.gdtf”");
        assertThat(http.get(path).json().path("questions")).hasSize(45);
    }

    @Test
    void theJsonOfASceneShowsItsFixturesWithUuidPlaceAndHeight() {
        JsonNode fixture = http.get(give(scene(true, fixture(1, -3000, 513))))
                .json()
                .path("fixtures")
                .path(0);
        assertThat(fixture.path("uuid").asString()).isEqualTo("0f1e2d3c-4b5a-6978-8796-000000000001");
        assertThat(fixture.path("position").asString()).isEqualTo("Crane rail");
        assertThat(fixture.path("across").asDouble()).isEqualTo(-3);
        assertThat(fixture.path("upstage").asDouble()).isEqualTo(6);
        assertThat(fixture.path("height").asDouble()).isEqualTo(7);
        assertThat(fixture.path("addresses").path("1").asString()).isEqualTo("2.001");
    }

    @Test
    void theRigPageLeadsBackToTheLastScene() {
        String path = give(scene(true, fixture(1, 0, 1)));
        assertThat(job.page("/rig").text()).contains("dock.mvr", path);
        apply(path);
        assertThat(job.page("/rig").text()).contains(path + "/again");
    }

    @Test
    void whatIsNoSceneIsRefusedAndADroppedOneChangesNothing() {
        assertThat(http.upload(job.path() + "/scenes", "x.mvr", "no zip".getBytes(StandardCharsets.UTF_8))
                        .reasons())
                .contains("no ZIP archive");
        String path = give(scene(true, fixture(1, 0, 1)));
        assertThat(http.post(path + "/drop").status()).isEqualTo(200);
        assertThat(apply(path).status()).isEqualTo(409);
        assertThat(job.get("/scenes/99").status()).isEqualTo(404);
        assertThat(http.post(path + "/apply").status()).as("without a version").isEqualTo(422);
    }
}
