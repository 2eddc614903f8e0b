package taxon.app.types;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.formats.testing.GdtfByHand.channel;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.Random;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import taxon.formats.testing.GdtfByHand;
import tools.jackson.databind.JsonNode;

/** GDTF files in and out of a running server, and types built from a sheet. */
class TypeFilesHttpTest {
    private static TaxonServer server;
    private static Http http;
    private static String job;

    @BeforeAll
    static void start() {
        server = TaxonServer.empty();
        http = server.http();
        job = "/jobs/" + http.post("/jobs", "name", "Files").json().path("job").asInt();
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    private static byte[] wader(String name, String guidEnd) {
        return new GdtfByHand()
                .head("Name=\"" + name + "\" ShortName=\"" + name + "\" LongName=\"" + name
                        + "\" Manufacturer=\"Pellucid\" FixtureTypeID=\"0F1E2D3C-4B5A-6978-8796-A5B4C3D2E1" + guidEnd
                        + "\"")
                .mode("3-channel", channel("1", "Dimmer"), channel("2,3", "Pan"))
                .file();
    }

    @Test
    void aFileBecomesATypeAndIsKeptAsItCame() throws Exception {
        byte[] file = wader("Wader", "01");
        Answer answer = give("Pellucid@Wader.gdtf", file);
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.json().path("types").get(0).path("id").asString()).isEqualTo("pellucid-wader");

        JsonNode type = http.get(job + "/types/pellucid-wader").json();
        assertThat(type.path("source").asString()).isEqualTo("imported file");
        assertThat(type.path("modes").get(0).path("name").asString()).isEqualTo("3-channel");
        assertThat(http.get(job + "/types?q=wader").json().path("found").asInt())
                .isEqualTo(1);

        String digest =
                HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(file));
        Answer original = http.page(job + "/types/pellucid-wader/originals/" + digest);
        assertThat(original.bytes()).isEqualTo(file);
        assertThat(original.response()
                        .headers()
                        .firstValue("Content-Disposition")
                        .orElse(""))
                .contains("Pellucid@Wader.gdtf");
        assertThat(http.page(job + "/types/pellucid-wader/originals/" + "0".repeat(64))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void theSameFileAgainMakesNoSecondTypeAndANewerOneTakesItsPlace() {
        give("a.gdtf", wader("Godwit", "02"));
        Answer again = give("a.gdtf", wader("Godwit", "02"));
        assertThat(again.json().path("types").get(0).path("again").asBoolean()).isTrue();
        Answer renamed = give("b.gdtf", wader("Godwit B", "02"));
        assertThat(renamed.json().path("types").get(0).path("id").asString()).isEqualTo("pellucid-godwit");
        assertThat(http.get(job + "/types?q=godwit").json().path("found").asInt())
                .isEqualTo(1);
    }

    @Test
    void anotherTypeOfTheSameNameGetsAnIdOfItsOwn() {
        give("a.gdtf", wader("Sanderling", "03"));
        assertThat(give("a.gdtf", wader("Sanderling", "04"))
                        .json()
                        .path("types")
                        .get(0)
                        .path("id")
                        .asString())
                .isEqualTo("pellucid-sanderling-2");
    }

    @Test
    void whatIsWrittenReadsBackAsTheSameType() throws Exception {
        Answer written = http.page(job + "/types/pellucid-bittern/gdtf");
        assertThat(written.status()).isEqualTo(200);
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(written.bytes()))) {
            assertThat(zip.getNextEntry().getName()).isEqualTo("description.xml");
            assertThat(new String(zip.readAllBytes(), StandardCharsets.UTF_8)).contains("DataVersion=\"1.2\"");
        }
        String id = give("bittern.gdtf", written.bytes())
                .json()
                .path("types")
                .get(0)
                .path("id")
                .asString();
        assertThat(id).isEqualTo("pellucid-bittern-2");
        JsonNode before = http.get(job + "/types/pellucid-bittern").json();
        JsonNode after = http.get(job + "/types/" + id).json();
        assertThat(after.path("modes")).isEqualTo(before.path("modes"));
        assertThat(after.path("facts")).isEqualTo(before.path("facts"));
    }

    @Test
    void aHostileFileIsRefusedWithASentenceAndLeavesNothing() {
        int before = known();
        byte[] noise = new byte[50_000];
        new Random(3).nextBytes(noise);
        assertThat(give("noise.gdtf", noise).status()).isEqualTo(422);
        String entities =
                "<?xml version=\"1.0\"?><!DOCTYPE x [<!ENTITY a \"ha\"><!ENTITY b \"&a;&a;&a;&a;\">]><GDTF>&b;</GDTF>";
        assertThat(give("x.gdtf", GdtfByHand.zip("description.xml", entities.getBytes(StandardCharsets.UTF_8)))
                        .reasons())
                .startsWith("x.gdtf: ");
        assertThat(give("bomb.gdtf", GdtfByHand.zip("description.xml", new byte[300 << 20]))
                        .reasons())
                .contains("description.xml has 314572800 bytes");
        assertThat(give("up.gdtf", GdtfByHand.zip("../../etc/passwd", new byte[10]))
                        .status())
                .isEqualTo(422);
        assertThat(give("empty.gdtf", new byte[0]).status()).isEqualTo(422);
        assertThat(known()).isEqualTo(before);
    }

    @Test
    void aFileNameOfThePathKindOrOfHtmlDoesNoHarm() {
        Answer answer = give("../../<b>x.gdtf", wader("Whimbrel", "05"));
        assertThat(answer.status()).isEqualTo(200);
        assertThat(http.page(job + "/types/pellucid-whimbrel").text()).doesNotContain("<b>x");
    }

    @Test
    void aSheetIsPreviewedWithoutBeingKept() {
        int before = known();
        JsonNode preview = http.post(job + "/types/build/preview", "sheet", "Mode: A\nDimmer\n1 Red\nPan fine")
                .json();
        assertThat(preview.path("whole").asBoolean()).isFalse();
        assertThat(preview.path("findings").toString()).contains("slot-twice", "fine-without-coarse");
        assertThat(known()).isEqualTo(before);
    }

    @Test
    void aTypeIsBuiltChangedInPlaceAndDerivedFrom() {
        String id = build("maker", "Oxbow", "name", "Redshank", "sheet", "Mode: 2-channel\nDimmer\nRed", "rdm", "yes")
                .json()
                .path("type")
                .asString();
        assertThat(id).isEqualTo("oxbow-redshank");
        JsonNode made = http.get(job + "/types/" + id).json();
        assertThat(made.path("source").asString()).isEqualTo("made here");

        build("from", id, "maker", "Oxbow", "name", "Redshank", "sheet", "Mode: 3-channel\nDimmer\nRed\nBlue");
        assertThat(http.get(job + "/types/" + id)
                        .json()
                        .path("modes")
                        .get(0)
                        .path("name")
                        .asString())
                .isEqualTo("3-channel");

        String derived = build(
                        "from",
                        "fernglass-tern",
                        "maker",
                        "Fernglass",
                        "name",
                        "Tern of ours",
                        "sheet",
                        "Mode: 1\nDimmer")
                .json()
                .path("type")
                .asString();
        assertThat(http.get(job + "/types/" + derived).json().path("source").asString())
                .isEqualTo("derived from another type");
        assertThat(http.get(job + "/types/fernglass-tern").json().path("modes").size())
                .isEqualTo(3);
    }

    @Test
    void aTypeThatCannotBeKeptIsRefusedFieldByFieldAndTheSheetStays() {
        Answer answer = http.postPage(
                job + "/types/build", "maker", "", "name", "x".repeat(61), "load", "99", "sheet", "Mode: 2\nPan fine");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.text())
                .contains(
                        "Pan fine",
                        "it takes a whole number, 0 to 64",
                        "no Pan comes before it",
                        "it takes at most 60");
    }

    @Test
    void aTypePutAwayIsNotFoundButStaysWhereItIsUsed() {
        String id = build("maker", "Oxbow", "name", "Pochard", "sheet", "Mode: 1\nDimmer")
                .json()
                .path("type")
                .asString();
        assertThat(http.post(job + "/types/" + id + "/away").status()).isEqualTo(200);
        assertThat(http.get(job + "/types?q=pochard").json().path("found").asInt())
                .isZero();
        assertThat(http.page(job + "/types/" + id).text()).contains("put away");
        assertThat(http.post(job + "/types/" + id + "/away", "to", "library").status())
                .isEqualTo(200);
        assertThat(http.get(job + "/types?q=pochard").json().path("found").asInt())
                .isEqualTo(1);
        assertThat(http.post(job + "/types/fernglass-tern/away").status()).isEqualTo(409);
    }

    private static int known() {
        return server.bean(taxon.app.library.TypeLibrary.class).index().size();
    }

    private static Answer give(String name, byte[] content) {
        return http.upload(job + "/types/import", name, content);
    }

    private static Answer build(Object... fields) {
        Answer answer = http.post(job + "/types/build", fields);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer;
    }
}
