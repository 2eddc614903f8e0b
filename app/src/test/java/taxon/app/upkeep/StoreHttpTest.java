package taxon.app.upkeep;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.Arrays;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.store.UpkeepStore;
import taxon.app.store.file.StoreFile;
import taxon.app.store.file.StoreTrouble;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Wait;
import tools.jackson.databind.JsonNode;

/** The store looked after, and what is left of it when some of it is damaged. */
class StoreHttpTest {
    private TaxonServer server;
    private Http http;

    @BeforeEach
    void start() {
        use(TaxonServer.empty());
    }

    private void open(Path data) {
        use(TaxonServer.on(data));
    }

    private void use(TaxonServer started) {
        server = started;
        http = started.http();
    }

    @AfterEach
    void stop() {
        server.close();
    }

    /** Changes the file behind Taxon's back, which is not running meanwhile. */
    private void tamper(String... statements) throws SQLException {
        server.close();
        StoreFile file = new StoreFile(server.data());
        try (Connection connection =
                        file.source("journal_mode=WAL&foreign_keys=off").getConnection();
                Statement statement = connection.createStatement()) {
            for (String sql : statements) {
                statement.execute(sql);
            }
        }
        open(server.data());
    }

    private String rig(String name) {
        String job = http.job(name);
        http.post(
                job + "/fixtures",
                "version",
                0,
                "count",
                4,
                "type",
                "generic-rgb/3-channel",
                "position",
                "Pipe",
                "firstId",
                1);
        return job;
    }

    @Test
    void theListOfJobsShowsWhatWasCountedWithTheLastEdit() {
        String job = rig("Quay");
        assertThat(listed(0).path("fixtures").asInt()).isEqualTo(4);
        http.post(job + "/cells", "version", http.version(job), "key", 1, "column", "address", "text", "1.1");
        http.post(job + "/cells", "version", http.version(job), "key", 2, "column", "address", "text", "1.2");
        assertThat(listed(0).path("stops").asInt()).isEqualTo(1);
        http.post(job + "/undo", "version", http.version(job));
        assertThat(listed(0).path("stops").asInt()).isZero();
        assertThat(http.page("/").text()).contains("Quay");
    }

    private JsonNode listed(int line) {
        return http.get("/jobs").json().path("jobs").get(line);
    }

    @Test
    void aJobThatWasNeverCountedIsCountedAfterTheStart() throws Exception {
        rig("Quay");
        tamper("delete from job_summary");
        Wait.until("never counted", () -> listed(0).has("fixtures"));
        assertThat(listed(0).path("fixtures").asInt()).isEqualTo(4);
    }

    @Test
    void aDamagedJobIsNamedAndTheOthersStayReachable() throws SQLException {
        String whole = rig("Whole");
        String broken = rig("Broken");
        http.post(broken + "/revisions", "version", http.version(broken), "note", "before");
        tamper(
                "update fixture set traits = '{' where job_id = 2 and number = 3",
                "update rig_group set members = 'x' where job_id = 2");
        assertThat(http.get(whole + "/fixtures").status()).isEqualTo(200);
        Answer page = http.page(broken + "/rig");
        assertThat(page.status()).isEqualTo(500);
        assertThat(page.text())
                .contains(
                        "Broken cannot be opened",
                        "3 fixtures",
                        "Fixture 3 cannot be read: what it holds is no JSON that can be read.")
                .contains("/jobs/2/revisions/A.zip", "/jobs/2/readable.json");
        Answer json = http.get(broken);
        assertThat(json.status()).isEqualTo(500);
        assertThat(json.reasons()).contains("Job 2 is damaged");
        assertThat(http.page("/").text()).contains("damaged: open it for what can be had");
        assertThat(listed(0).path("damaged").asBoolean()).isTrue();
        assertThat(listed(1).path("damaged").asBoolean()).isFalse();
        assertThat(http.get(broken + "/revisions/A.zip").status()).isEqualTo(200);
    }

    @Test
    void whatCanBeReadOfADamagedJobOpensAsANewOne() throws SQLException {
        String broken = rig("Broken");
        tamper(
                "update fixture set type_id = 'gone' where number = 2",
                "update position set name = '' where number = 9");
        Answer readable = http.get(broken + "/readable.json");
        assertThat(readable.status()).isEqualTo(200);
        Answer opened = http.upload("/jobs/import", "readable.json", readable.bytes());
        assertThat(opened.status()).as(opened.text()).isEqualTo(200);
        assertThat(http.get("/jobs/2/fixtures").json().path("fixtures")).hasSize(3);
    }

    @Test
    void aCheckOfAllNamesTheDamagedJob() throws Exception {
        rig("Broken");
        tamper("update fixture set traits = '{'");
        http.post("/store/check");
        JsonNode check = checked();
        assertThat(check.path("faults").toString()).contains("Job 1 is damaged");
        assertThat(http.page("/store").text()).contains("Every page and every job was checked", "Job 1 is damaged");
    }

    private JsonNode checked() {
        Wait.until(
                "never checked",
                () -> http.get("/store").json().path("check").path("whole").asBoolean());
        return http.get("/store").json().path("check");
    }

    @Test
    void damagedPagesOfTheFileAreToldAndTheFirstPageStays() throws Exception {
        String job = rig("Broken");
        for (int n = 0; n < 30; n++) {
            http.post(job + "/positions", "version", http.version(job), "name", "Pipe " + n, "length", "10 m");
        }
        server.close();
        byte[] bytes = Files.readAllBytes(server.data());
        int page = pageOf(server.data(), "journal");
        Arrays.fill(bytes, (page - 1) * 4096, page * 4096, (byte) 0x5a);
        Files.write(server.data(), bytes);
        open(server.data());
        http.post("/store/check");
        assertThat(checked().path("faults")).isNotEmpty();
        assertThat(http.page("/store").text()).contains("this is wrong");
        // Only the history lies on that page: the plan can be read.
        assertThat(http.get(job + "/fixtures").json().path("fixtures")).hasSize(4);
    }

    private static int pageOf(Path data, String table) throws SQLException {
        try (Connection connection =
                        new StoreFile(data).source("busy_timeout=100").getConnection();
                Statement statement = connection.createStatement();
                var row = statement.executeQuery("select rootpage from sqlite_master where name = '" + table + "'")) {
            row.next();
            return row.getInt(1);
        }
    }

    @Test
    void aCopyIsMadeByTheButtonAndIsAStoreOfItsOwn() {
        rig("Quay");
        Answer made = http.post("/store/backups");
        assertThat(made.json().path("told").asString()).startsWith("Copied and checked");
        Path copy = Path.of(made.json().path("file").asString());
        assertThat(http.page("/store").text()).contains(copy.getFileName() + "</td>", "They lie in test.db-backups");
        try (TaxonServer other = TaxonServer.on(copy)) {
            assertThat(other.http().get("/jobs/1/fixtures").json().path("fixtures"))
                    .hasSize(4);
        }
    }

    @Test
    void theCopyOfTheDayIsMadeOnceAndOnlyWhenThereIsSomethingNew() {
        rig("Quay");
        Backups backups = server.bean(Backups.class);
        backups.makeIfDue();
        backups.makeIfDue();
        assertThat(backups.all()).hasSize(1);
    }

    @Test
    void aCopyThatFailsSaysWhyAndWhatItNeeds() throws Exception {
        rig("Quay");
        Files.writeString(new StoreFile(server.data()).backups(), "a file stands where the folder would");
        Answer failed = http.post("/store/backups");
        assertThat(failed.status()).isEqualTo(507);
        assertThat(failed.reasons()).contains("could not be written");
        assertThat(http.page("/store").text()).contains("The last copy failed");
    }

    @Test
    void endedProposalsGoAfterAWeekAndOpenOnesAfterTwoMonths() throws SQLException {
        String job = rig("Quay");
        for (int n = 0; n < 4; n++) {
            http.upload(
                    job + "/imports", "list.csv", "Quantity,Type\n2,generic-rgb\n".getBytes(StandardCharsets.UTF_8));
        }
        int before = proposals();
        assertThat(before).isGreaterThan(1);
        tamper(
                "update proposal set state = 'DROPPED', ended_at = '" + daysAgo(8) + "' where id = 1",
                "update proposal set made_at = '" + daysAgo(61) + "' where id = 2");
        UpkeepStore.Cleared cleared = server.bean(UpkeepStore.class).clear();
        assertThat(cleared).isEqualTo(new UpkeepStore.Cleared(1, 1, 0));
        assertThat(proposals()).isEqualTo(before - 2);
    }

    private int proposals() throws SQLException {
        try (Connection connection =
                        new StoreFile(server.data()).source("busy_timeout=5000").getConnection();
                Statement statement = connection.createStatement();
                var row = statement.executeQuery("select count(*) from proposal")) {
            row.next();
            return row.getInt(1);
        }
    }

    private static String daysAgo(int days) {
        return Instant.now().minusSeconds(days * 86_400L).toString();
    }

    @Test
    void aBundleThatWasTakenOutIsMadeAgainTheSameToTheByte() throws SQLException {
        String job = rig("Quay");
        http.post(job + "/revisions", "version", http.version(job), "note", "first");
        byte[] first = http.get(job + "/revisions/A.zip").bytes();
        tamper("update revision set bundle_at = '" + daysAgo(31) + "'");
        assertThat(server.bean(UpkeepStore.class).clear().bundles()).isEqualTo(1);
        assertThat(http.get(job + "/revisions/A.zip").bytes()).isEqualTo(first);
    }

    @Test
    void aThinnedHistoryIsSaidToBeAndNoEditFromBeforeItPassesUnseen() {
        String job = rig("Quay");
        http.post(job + "/cells", "version", 1, "key", 1, "column", "note", "text", "first");
        http.post(job + "/cells", "version", 2, "key", 2, "column", "note", "text", "second");
        http.post(job + "/revisions", "version", 3, "note", "");
        http.post(job + "/cells", "version", 3, "key", 3, "column", "note", "text", "third");
        Answer thinned = http.post("/store/jobs/1/thin");
        assertThat(thinned.json().path("entries").asInt()).isEqualTo(3);
        assertThat(http.page("/store").text()).contains("3 entries up to version 3 were taken out");
        assertThat(http.page(job + "/sheet").text()).contains("3 entries up to version 3 were taken out");
        // Made on a version whose successors are unknown now: it could overwrite one of them.
        assertThat(http.post(job + "/cells", "version", 1, "key", 1, "column", "note", "text", "late")
                        .status())
                .isEqualTo(409);
        assertThat(http.post(job + "/undo", "version", 4).status()).isEqualTo(200);
        assertThat(http.post(job + "/undo", "version", 5).status()).isEqualTo(409);
        assertThat(http.post("/store/jobs/1/thin").status()).isEqualTo(409);
    }

    @Test
    void aJobThatDidNotChangeIsNotFrozenTwice() {
        String job = rig("Quay");
        assertThat(http.post(job + "/revisions", "version", 1, "note", "").status())
                .isEqualTo(200);
        Answer again = http.post(job + "/revisions", "version", 1, "note", "");
        assertThat(again.status()).isEqualTo(409);
        assertThat(again.reasons()).contains("Nothing has changed since revision A");
        assertThat(http.get(job + "/handover").json().path("revisions")).hasSize(1);
    }

    @Test
    void aConflictWithManyEditsNamesThreeAndPointsToTheHistory() {
        String job = rig("Quay");
        for (int n = 1; n <= 12; n++) {
            http.post(job + "/cells", "version", n, "key", 1, "column", "note", "text", "note " + n);
        }
        Answer conflict = http.postPage(
                job + "/cells", "version", 1, "key", 1, "column", "note", "text", "late", "back", job + "/rig");
        assertThat(conflict.status()).isEqualTo(409);
        assertThat(conflict.text())
                .contains(
                        "9 more, which the history of the job lists",
                        "href=\"" + job + "/sheet\">The history of the job");
    }

    @Test
    void aDiskThatIsNearlyFullIsToldBeforeAnythingIsTried() {
        StoreFile file = new StoreFile(server.data());
        long[] free = {StoreHealth.ROOM_TO_WORK * 3};
        StoreHealth health = new StoreHealth(file, () -> free[0]);
        assertThat(health.warning()).isEmpty();
        free[0] = 5L << 20;
        StoreHealth later = new StoreHealth(file, () -> free[0]);
        assertThat(later.warning().orElseThrow())
                .startsWith("The disk is nearly full: an edit may fail. 5.0 MiB are free on the disk of");
        later.failed(StoreTrouble.FULL);
        assertThat(later.warning().orElseThrow()).startsWith("The disk is full: nothing was changed.");
    }

    @Test
    void freePagesAreGivenBackAndNothingElseIsLost() {
        String job = rig("Quay");
        for (int n = 0; n < 3; n++) {
            http.upload(
                    job + "/imports",
                    "list.csv",
                    ("Qty,Type\n" + "2,generic-rgb\n".repeat(4000)).getBytes(StandardCharsets.UTF_8));
        }
        assertThat(http.get("/store").json().path("bytes").asLong()).isGreaterThan(150_000);
        for (int proposal = 1; proposal <= 3; proposal++) {
            http.post(job + "/imports/" + proposal + "/drop");
        }
        JsonNode done = http.post("/store/compact").json();
        assertThat(done.path("after").asLong())
                .isPositive()
                .isLessThanOrEqualTo(done.path("before").asLong());
        assertThat(http.get("/store").json().path("free").asLong()).isZero();
        assertThat(http.get(job + "/fixtures").json().path("fixtures")).hasSize(4);
    }
}
