package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.Keys;
import taxon.app.testing.Browser;
import taxon.app.testing.TakesLong;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Zips;
import taxon.core.text.Sums;
import taxon.formats.json.JobJson;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;

/**
 * The whole job once, as a technician walks it, in one browser: from an equipment list to a proved, handed-over patch. The
 * steps build on each other, so they run in order. The simulated rig of the demo stands behind it.
 */
@TakesLong
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class JourneyTest {
    private static TaxonServer server;
    private static Browser browser;
    private static Map<String, byte[]> bundle;

    @BeforeAll
    static void start() {
        server = TaxonServer.demo();
        browser = Browser.startWithRequests();
    }

    @AfterAll
    static void stop() {
        browser.close();
        server.close();
    }

    @Test
    @Order(1)
    void aJobIsMade() {
        browser.open(server.url());
        browser.see("td", "Lantern Pageant");
        browser.type("#name", "Harbour evening");
        browser.type("#venue", "Dock 4");
        browser.date("#from", "2026-05-01");
        browser.click(".btn", "Make the job");
        browser.see(".told", "Harbour evening is job 2.");
        browser.see("#work", "Nothing hangs yet");
        browser.see("#revision", "No revision yet, 0 edits");
    }

    @Test
    @Order(2)
    void anEquipmentListIsLookedAtCorrectedAndApplied() throws IOException {
        Path list = Files.createTempFile("list", ".csv");
        Files.writeString(
                list,
                demoList()
                        .replace("12;Oxbow;Curlew 12;37ch", "12;Oxbow;Curlwe 12;37ch")
                        .replace(
                                "4;Fernglass;Kestrel;18ch;Crane rail;301-304",
                                "-3;Fernglass;Kestrel;18ch;Crane rail;301"),
                StandardCharsets.UTF_8);
        browser.put("#import input[type=file]", list.toString());
        browser.click("#import .btn");
        browser.see("#work", "2 rows cannot be added yet; the others can.");
        browser.see("#line-10", "The type “Curlwe 12” is not known; closest are Oxbow Curlew 12");
        browser.see("#line-9", "The quantity is -3; it takes 1 to 1000.");
        browser.see("td", "skipped: a row of totals");
        browser.choose("#line-10 select", "Oxbow Curlew 12, 37-channel");
        browser.click("#line-10 .btn");
        browser.see("#line-10", "12 × Oxbow Curlew 12, 37-channel on Gate tower, IDs 401 to 412, from 3.001");
        browser.see(".tally", "0 fixtures");
        browser.click("#apply button");
        browser.see(".told", "86 fixtures added from an equipment list.");
        browser.see(".tally", "86 fixtures");
    }

    private static String demoList() throws IOException {
        try (var in = JourneyTest.class.getResourceAsStream("/taxon/app/demo/equipment.csv")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    @Order(3)
    void moreIsAddedByHandAndABadNumberStaysInItsField() {
        browser.type("#count", "0");
        browser.choose("#type", "Kestrel, 18-channel");
        browser.type("#position", "Crane rail");
        browser.type("#firstId", "301");
        browser.click("#add .btn");
        browser.see("#add .reason", "The number of fixtures is 0; it takes a whole number, 1 to 1000.");
        assertThat(browser.value("#count")).isEqualTo("0");
        assertThat(browser.value("#position")).isEqualTo("Crane rail");
        browser.type("#count", "4");
        browser.click("#add .btn");
        browser.see(".tally", "90 fixtures");
        browser.see(".tally", "Undo: 4 × Fernglass Kestrel added");
    }

    @Test
    @Order(4)
    void aTypeShowsItsChannelsInOrder() {
        browser.click(".stages a", "Types");
        browser.click("#work a", "Heron 380");
        browser.see("h2", "24-channel");
        browser.click("#modes a", "24-channel with shutters");
        browser.see("h3", "Shutter add-on, 4 slots; listens only after: Shutter module: on");
        assertThat(browser.texts("#sheet .channels tbody tr:nth-child(2)"))
                .first()
                .asString()
                .contains("2", "pan", "fine");
    }

    @Test
    @Order(5)
    void whatHasNoAddressIsPlacedAroundWhatIsThereAndUndone() {
        browser.click(".stages a", "Addresses");
        browser.see("svg text", "101 to 116 Tern, 16 each");
        browser.type("input[name=from]", "2.225");
        browser.click("#propose");
        browser.see("#proposal h2", "4 fixtures move, 0 stay, nothing that is set is touched");
        browser.see("#proposal td", "2.279");
        browser.press(Keys.ENTER);
        browser.see(".told", "4 fixtures from 2.225.");
        browser.see("svg text", "301 to 304 Kestrel, 18 each");
        browser.pressWith(Keys.CONTROL, "z");
        browser.see(".told", "Undone: 4 fixtures from 2.225.");
        browser.click("#redo button");
        browser.see(".told", "Done again: 4 fixtures from 2.225.");
    }

    @Test
    @Order(6)
    void anAddressIsTypedAnOverlapIsFoundAndItsRemedyPressed() {
        browser.pressForJotLine();
        browser.press("205", Keys.ENTER);
        browser.see("#card-id", "205");
        browser.type("#address-1", "2.513");
        browser.click("button[title^='An empty field']");
        browser.see(".card .reason", "The slot is 513; it takes 1 to 512.");
        assertThat(browser.value("#address-1")).isEqualTo("2.513");
        browser.type("#address-1", "2/100");
        browser.click("button[title^='An empty field']");
        browser.see(".told", "It brought 2 stops: Overlap at 2.100 to 2.108.");
        browser.see(".card .finding", "Overlap at 2.100 to 2.108");
        browser.see(".stages .count.stop", "2");
        browser.click(".card .finding .link", "Move 205 Main to 2.113");
        browser.seeNo(".card .finding", "Overlap");
        browser.pressWith(Keys.CONTROL, "z");
        browser.see(".told", "Undone: 205 Main to 2.113");
        browser.pressWith(Keys.CONTROL, "z");
        browser.see(".card .blocks", "2.113");
        browser.type("#address-1", "");
        browser.click("button[title^='An empty field']");
        browser.see(".card .finding", "205 Fernglass Heron 380 has no address for Main; it needs 24 slots.");
        browser.pressWith(Keys.CONTROL, "z");
        browser.see(".card .blocks", "2.113");
    }

    @Test
    @Order(7)
    void universesAreRoutedToNodes() {
        browser.click(".stages a", "Network");
        browser.see(".finding", "Universe 1 is routed nowhere: 352 slots of 20 fixtures reach no line.");
        addNode("Quay node", server.network() + ".300");
        browser.see(".reason", "it takes four numbers such as 10.0.0.20");
        addNode("Quay node", server.network() + ".2");
        addNode("Gate node", server.network() + ".3");
        for (int universe = 1; universe <= 4; universe++) {
            route(universe, "Art-Net", "Quay node, port " + universe);
        }
        route(5, "streaming ACN", "Gate node, port 1");
        route(6, "streaming ACN", "Gate node, port 2");
        browser.see("td", "Port-Address 3 = 0·0·3");
        browser.see("td", "universe 5, group 239.255.0.5");
        browser.see(".stages a[aria-current] .count.warn", "1");
    }

    private static void addNode(String name, String ip) {
        browser.type("#box-name", name);
        browser.type("#box-ip", ip);
        browser.click("form[action$='/boxes'] .btn");
        browser.see(".told, .reason", ip.endsWith(".300") ? "IP address" : name + " at " + ip);
    }

    private static void route(int universe, String protocol, String outlet) {
        browser.click("#universes a[href$='/network/universes/" + universe + "']");
        browser.choose("#w-outlet", outlet);
        browser.choose("#w-protocol", protocol);
        browser.click("#ways .fields .btn");
        browser.see(".told", "Universe " + universe + " routed.");
        browser.click(".headline a", "Back to the network");
    }

    @Test
    @Order(8)
    void papersShowJobRevisionDateAndPages() {
        browser.click(".stages a", "Paperwork");
        browser.see(".page", "Harbour evening, Dock 4");
        browser.see(".page p", "Harbour evening, Dock 4. No revision yet,");
        browser.click("nav[aria-label=Papers] a", "Patch by universe");
        browser.see("h3", "Universe 2, Art-Net 2 = 0·0·2 to Quay node port 2");
    }

    @Test
    @Order(9)
    void theRigIsReadAndOneUnitWrittenTo() {
        browser.click(".stages a", "Checks");
        browser.click("#read");
        browser.see("#comparison", "unexpected");
        browser.see("#comparison tr", "wrong address");
        browser.see("#comparison tr", "wrong mode");
        browser.see("#comparison tr", "missing");
        browser.see(".tally", "stale");
        String row = "#comparison tr:has(form):has(a[href$='" + keyOf("204") + "'])";
        browser.see(row, "2.065");
        browser.click(row + " .btn");
        browser.see("#orders", "204, unit 7FF0:");
        browser.see("#orders tr:last-child", "85");
        browser.click("#arm");
        browser.see("#armed", "1 write until");
        browser.click("#write");
        browser.see("#write-state", "1 of 1 written and read back.");
        browser.click("a[href$='/checks']");
        browser.see("#comparison tr:has(a[href$='" + keyOf("204") + "']) .verdict", "right");
        manyUnitsAreWrittenToByOneList();
    }

    /** What a list takes and what it leaves out is on its page before it is armed; all that it writes is read back. */
    private static void manyUnitsAreWrittenToByOneList() {
        browser.click("#make-list");
        browser.until("one order only", () -> browser.count("#orders tbody tr") > 1);
        browser.click("#arm");
        browser.see("#armed", "writes until");
        browser.click("#write");
        browser.see("#write-state", "written and read back.");
        browser.click("a[href$='/checks']");
        browser.see("#comparison", "unexpected");
    }

    private static int keyOf(String id) {
        for (JsonNode fixture : server.http().get("/jobs/2/fixtures").json().path("fixtures")) {
            if (fixture.path("id").asString("").equals(id)) {
                return fixture.path("key").asInt();
            }
        }
        throw new AssertionError("no fixture " + id);
    }

    @Test
    @Order(10)
    void aRevisionIsFrozenAndDownloaded() {
        browser.click(".stages a", "Handover");
        browser.type("#note", "for the programmer");
        browser.click(".btn", "Freeze revision A");
        browser.see("#revision", "Revision A");
        bundle = Zips.entries(browser.download("td a[href$='.zip']", "taxon-job-2-revision-A.zip"));
        assertThat(bundle).containsKeys("manifest.json", "rig.mvr", "papers/by-fixture.xlsx");
    }

    @Test
    @Order(11)
    void theFilesOpenInOtherReaders() throws IOException {
        for (JsonNode file : Json.parse(bundle.get("manifest.json")).path("files")) {
            assertThat(file.path("sha256").asString())
                    .isEqualTo(Sums.of(bundle.get(file.path("name").asString())));
        }
        assertThat(Zips.pdfText(bundle.get("papers/by-universe.pdf")))
                .contains("Harbour evening, Dock 4. Revision A.", "page 1 of", "Universe 7");
        String csv = new String(bundle.get("papers/by-fixture.csv"), StandardCharsets.UTF_8).substring(1);
        try (CSVParser parser = CSVFormat.RFC4180.parse(new StringReader(csv))) {
            List<CSVRecord> records = parser.getRecords();
            assertThat(records).hasSize(1 + 90);
            assertThat(records).anySatisfy(r -> assertThat(r.toList()).contains("204", "2", "85"));
        }
        var schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(new String(bundle.get(JobJson.SCHEMA_NAME), StandardCharsets.UTF_8), InputFormat.JSON);
        assertThat(schema.validate(new String(bundle.get("job.json"), StandardCharsets.UTF_8), InputFormat.JSON))
                .isEmpty();
    }

    @Test
    @Order(12)
    void theJobFileOpensAsTheSameJob() throws IOException {
        Path file = Files.createTempFile("job", ".json");
        Files.write(file, bundle.get("job.json"));
        browser.open(server.url());
        browser.put("input[type=file]", file.toString());
        browser.click(".btn", "Open it");
        browser.see(".told", "Harbour evening is job 3.");
        assertThat(server.http().get("/jobs/3/job.json").bytes()).isEqualTo(bundle.get("job.json"));
    }

    @Test
    @Order(13)
    void aLaterEditShowsInTheRevision() {
        browser.open(server.url() + "/jobs/2/addresses?sel=" + keyOf("101"));
        browser.type("#address-1", "");
        browser.click("button[title^='An empty field']");
        browser.see("#revision", "Revision A, 1 edit since");
    }

    @Test
    @Order(14)
    void nothingWasAskedOfAnotherHostAndNothingWasComplainedOf() {
        assertThat(browser.requests())
                .hasSizeGreaterThan(20)
                .allMatch(u -> u.startsWith(server.url()) || u.startsWith("data:") || u.startsWith("chrome"));
        assertThat(browser.complaints())
                .filteredOn(c -> !c.contains("status of 422"))
                .isEmpty();
    }
}
