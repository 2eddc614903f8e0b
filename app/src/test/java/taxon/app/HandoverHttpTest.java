package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.OneJob;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Zips;
import taxon.core.paper.PaperKind;
import taxon.formats.json.Json;
import taxon.formats.mvr.MvrReader;
import taxon.formats.mvr.ParsedMvr;
import tools.jackson.databind.JsonNode;

/** What is handed over, opened again by other readers. */
class HandoverHttpTest {
    private static TaxonServer server;
    private static Http http;
    private static byte[] zip;
    private static Map<String, byte[]> files;

    @BeforeAll
    static void freeze() {
        server = TaxonServer.demo();
        http = server.http();
        http.post("/jobs/1/revisions", "version", http.version(1), "note", "for the programmer");
        zip = http.get("/jobs/1/revisions/B.zip").bytes();
        files = Zips.entries(zip);
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    @Test
    void theRigGoesOutAsASceneThatIsReadBack() {
        ParsedMvr scene = MvrReader.read(http.get("/jobs/1/scene.mvr").bytes());
        assertThat(scene).isInstanceOf(ParsedMvr.Read.class);
        ParsedMvr.Read read = (ParsedMvr.Read) scene;
        assertThat(read.scene().fixtures()).hasSize(95);
        assertThat(read.types()).hasSize(10);
        assertThat(http.page("/jobs/1/handover").text()).contains("the rig as an MVR scene");
    }

    @Test
    void theBundleHoldsPapersJobSchemaAndManifest() {
        List<String> expected = new ArrayList<>(List.of(
                "job.json",
                "summary.html",
                "summary.pdf",
                "rig.mvr",
                "routes.csv",
                "routes.json",
                "taxon-job-1.schema.json",
                "manifest.json"));
        for (PaperKind kind : PaperKind.values()) {
            List.of("pdf", "csv", "xlsx").forEach(e -> expected.add("papers/" + kind.slug() + "." + e));
        }
        List.of("crew", "network", "programmer").forEach(a -> expected.add("papers/changes-for-" + a + ".pdf"));
        assertThat(files.keySet()).containsAll(expected);
        assertThat(files.keySet().stream().filter(n -> !expected.contains(n)))
                .hasSize(10)
                .allMatch(n -> n.matches("types/.+\\.gdtf"));
    }

    @Test
    void aBundleIsHeldAgainstItsManifestAndAgainstTheRevisionKeptHere() {
        JsonNode whole = http.upload("/jobs/1/bundles/check", "b.zip", zip).json();
        assertThat(whole.path("whole").asBoolean()).isTrue();
        assertThat(whole.path("here").asString()).isEqualTo("It holds the same job as revision B of this one.");
        JsonNode none = http.upload("/jobs/1/bundles/check", "b.zip", new byte[] {1, 2, 3})
                .json();
        assertThat(none.path("whole").asBoolean()).isFalse();
        assertThat(none.path("troubles").toString()).contains("no ZIP archive");
    }

    @Test
    void everySumInTheManifestIsThatOfItsFile() throws Exception {
        JsonNode listed = Json.parse(files.get("manifest.json")).path("files");
        assertThat(listed).hasSize(files.size() - 1);
        for (JsonNode file : listed) {
            byte[] sum = MessageDigest.getInstance("SHA-256")
                    .digest(files.get(file.path("name").asString()));
            assertThat(file.path("sha256").asString()).isEqualTo(HexFormat.of().formatHex(sum));
        }
    }

    @Test
    void aRevisionIsTheSameBytesWheneverItIsAskedFor() {
        assertThat(http.get("/jobs/1/revisions/B.zip").bytes()).isEqualTo(zip);
    }

    @Test
    void thePdfHoldsJobRevisionDateAndPageNOfM() {
        String text = Zips.pdfText(files.get("papers/by-fixture.pdf"));
        assertThat(text)
                .contains("Lantern Pageant, Old dry dock. Revision B.", "page 1 of ", "Fernglass Heron 380", "2.085");
        assertThat(text).doesNotContain("#");
        int pages = text.split("\f").length;
        assertThat(text).contains("page " + pages + " of " + pages);
    }

    @Test
    void theCsvIsReadByAnotherReaderRowByRow() throws IOException {
        String text = new String(files.get("papers/by-fixture.csv"), StandardCharsets.UTF_8).substring(1);
        try (CSVParser parser = CSVFormat.RFC4180.parse(new StringReader(text))) {
            List<CSVRecord> records = parser.getRecords();
            List<String> header = records.get(0).toList();
            assertThat(header).startsWith("Fixture ID").endsWith("Job", "Revision", "Date");
            assertThat(records.get(1).toList()).contains("Lantern Pageant", "Revision B");
            CSVRecord heron = records.stream()
                    .filter(r -> r.get(0).equals("204"))
                    .findFirst()
                    .orElseThrow();
            assertThat(header.indexOf("Universe")).isEqualTo(header.indexOf("Unit") + 1);
            assertThat(List.of(heron.get(header.indexOf("Universe")), heron.get(header.indexOf("Slot"))))
                    .containsExactly("2", "85");
            assertThat(records).hasSize(1 + 95);
        }
    }

    @Test
    void theJobSatisfiesThePublishedSchema() {
        var schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(http.get("/schema/taxon-job-1.schema.json").text(), InputFormat.JSON);
        assertThat(schema.validate(new String(files.get("job.json"), StandardCharsets.UTF_8), InputFormat.JSON))
                .isEmpty();
        assertThat(schema.validate("{\"format\":\"taxon-job\"}", InputFormat.JSON))
                .isNotEmpty();
    }

    @Test
    void importedIntoAnotherStoreItIsTheSameJob() {
        Http other = TaxonServer.shared().http();
        int job = other.upload("/jobs/import", "job.json", files.get("job.json"))
                .json()
                .path("job")
                .asInt();
        assertThat(other.get("/jobs/" + job + "/job.json").bytes()).isEqualTo(files.get("job.json"));
    }

    @Test
    void laterEditsAreCountedAndUndoingThemCountsBack() {
        Http shared = TaxonServer.shared().http();
        OneJob own = new OneJob(shared, shared.jobOfTerns("Counted edits", 7));
        own.edit("/revisions", "note", "");
        assertThat(revision(own)).isEqualTo("Revision A");
        own.edit("/sheet", "name", "Counted edits", "note", "an edit since");
        assertThat(revision(own)).isEqualTo("Revision A, 1 edit since");
        own.edit("/revisions", "note", "");
        assertThat(revision(own)).isEqualTo("Revision B");
        for (int key = 5; key <= 7; key++) {
            own.edit("/fixtures/" + key + "/address", "block", 1, "address", "9." + key * 50);
        }
        assertThat(revision(own)).isEqualTo("Revision B, 3 edits since");
        assertThat(own.post("/fixtures/5/set").status()).isEqualTo(200);
        assertThat(revision(own))
                .as("what is learnt of the rig is no edit of the plan")
                .isEqualTo("Revision B, 3 edits since");
        own.edit("/undo");
        assertThat(revision(own))
                .as("the last act was the tick, which is no edit of the plan either")
                .isEqualTo("Revision B, 3 edits since");
        for (int i = 0; i < 3; i++) {
            own.edit("/undo");
        }
        assertThat(revision(own)).isEqualTo("Revision B");
        own.edit("/undo");
        assertThat(revision(own)).as("undone beyond the revision").isEqualTo("Revision B, 1 edit since");
    }

    @Test
    void freezingWhatSomeoneElseChangedMeanwhileIsRefused() {
        assertThat(http.post("/jobs/1/revisions", "version", 0, "note", "").status())
                .isEqualTo(409);
    }

    private static String revision(OneJob own) {
        return own.get("").json().path("revision").asString();
    }

    @Test
    void theMarkOfAStopIsShownOnlyWhereThereIsOne() {
        assertThat(http.page("/jobs/1/handover").text())
                .contains("stops are open")
                .containsPattern("(?s)verdict stop.*?#mark-stop");
        String clean = http.job("Nothing yet");
        String page = http.page(clean + "/handover").text();
        assertThat(page).contains("No stops.");
        assertThat(page.substring(page.indexOf("What the programmer gets"), page.indexOf("No stops.")))
                .doesNotContain("<svg");
    }
}
