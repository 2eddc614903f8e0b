package taxon.app.paperwork;

import static org.assertj.core.api.Assertions.assertThat;

import com.opencsv.CSVReader;
import com.opencsv.exceptions.CsvException;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import java.util.Set;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Zips;
import taxon.core.paper.PaperKind;

class PapersHttpTest {
    private static TaxonServer server;
    private static Http http;

    @BeforeAll
    static void start() {
        server = TaxonServer.demo();
        http = server.http();
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    @ParameterizedTest
    @EnumSource(PaperKind.class)
    void everyPaperComesAsPagePdfAndLists(PaperKind kind) throws IOException {
        String address = "/jobs/1/paperwork/" + kind.slug();
        assertThat(http.page(address).text()).contains("<h2>" + kind.title(), "Lantern Pageant");
        String pdf = Zips.pdfText(http.get(address + ".pdf").bytes());
        assertThat(pdf).contains(kind.title(), "Lantern Pageant", "page 1 of ").doesNotContain("#");
        int csvLines = http.get(address + ".csv").text().split("\r\n").length;
        try (ReadableWorkbook workbook = new ReadableWorkbook(
                new ByteArrayInputStream(http.get(address + ".xlsx").bytes()))) {
            List<Row> rows = workbook.getFirstSheet().read();
            assertThat(rows).hasSize(csvLines).hasSizeGreaterThan(1);
        }
    }

    @Test
    void aPaperIsLimitedAndOrderedByItsAddressInEveryForm() {
        String query = "?position=1&order=address";
        String page = http.page("/jobs/1/paperwork/by-fixture" + query).text();
        assertThat(page).contains(".pdf?order=address&amp;position=1", ".csv?order=address&amp;position=1");
        String all = http.get("/jobs/1/paperwork/by-fixture.csv").text();
        String some = http.get("/jobs/1/paperwork/by-fixture.csv" + query).text();
        assertThat(some.lines().count()).isBetween(2L, all.lines().count() - 1);
        assertThat(all.lines()).containsAll(some.lines().toList());
    }

    @Test
    void aChangeNoticeTellsWhatIsPlannedOtherwiseThanInARevision() {
        String page = http.page("/jobs/1/paperwork/changes?since=A").text();
        assertThat(page).contains("since revision A", "912", "911");
        assertThat(Zips.pdfText(http.printed("/jobs/1/paperwork/changes/prints?since=A")))
                .contains("Change notice: since revision A", "911");
        assertThat(http.page("/jobs/1/paperwork/changes?since=ZZ").status()).isEqualTo(404);
        assertThat(http.page("/jobs/1/paperwork/changes?since=a1").status()).isEqualTo(404);
    }

    @Test
    void aChangeNoticeGoesFromOneRevisionToAnother() {
        String job = http.job("Two revisions");
        for (String venue : List.of("Mill", "Barn")) {
            name(job, venue);
            assertThat(http.post(job + "/revisions", "version", http.version(job))
                            .status())
                    .isEqualTo(200);
        }
        name(job, "Shed");
        String notice = job + "/paperwork/changes";
        assertThat(http.page(notice + "?since=A&until=B").text()).contains("from revision A to revision B");
        assertThat(http.get(notice + ".csv?since=A&until=B").text())
                .contains("Mill", "Barn")
                .doesNotContain("Shed");
        assertThat(http.page(notice + "?until=B").text()).contains("from revision A to revision B");
        assertThat(http.page(notice + "?since=A").text()).contains("since revision A", "Mill", "Shed");
        assertThat(http.page(notice + "?since=B&until=A").status()).isEqualTo(404);
        assertThat(http.page(notice + "?since=B&until=B").status()).isEqualTo(404);
        assertThat(http.page(notice + "?until=Q").status()).isEqualTo(404);
    }

    private static void name(String job, String venue) {
        Answer answer =
                http.post(job + "/sheet", "name", "Two revisions", "venue", venue, "version", http.version(job));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    @Test
    void aRigPlanSaysItsScaleWhereTheFrontIsAndWhoDrewIt() {
        http.as("Mara");
        byte[] pdf = http.printed("/jobs/1/paperwork/rig-plan/prints?paper=a3&scale=100");
        String text = Zips.pdfText(pdf);
        assertThat(text)
                .contains("1:100 on A3", "Seen from above, audience below", "Drawn by Mara.", "Crane rail, 9 m high")
                .contains("page 1 of ");
        assertThat(http.get("/jobs/1/paperwork/rig-plan.pdf").bytes()).isNotEmpty();
        String page = http.page("/jobs/1/paperwork/rig-plan?paper=letter").text();
        assertThat(page).contains("1:200 on US letter", "clip-path");
    }

    @Test
    void aNetworkDrawingHasEveryBoxAndEveryUnitOfItsLines() {
        String text = Zips.pdfText(http.get("/jobs/1/paperwork/network.pdf").bytes());
        String first = text.substring(0, text.indexOf("page 1 of"));
        assertThat(first).contains("Quay node", "Dock switch", "Desk", "Art-Net 0·0·1", "Universe 7 is routed nowhere");
        assertThat(first.split("\\s+")).contains("101", "116", "401", "412", "801");
    }

    @Test
    void lettersBeyondLatinArePrintedAndThoseThatNoFontHasAreTold() {
        String job = http.job("Γέφυρα Мост שלום 漢");
        String page = http.page(job + "/paperwork/boxes").text();
        assertThat(page).contains("which are printed as ?: 漢");
        byte[] pdf = http.get(job + "/paperwork/boxes.pdf").bytes();
        assertThat(Zips.pdfText(pdf))
                .contains("Γέφυρα Мост", "שלום", "Letters that the fonts lack stand as ?: U+6F22")
                .doesNotContain("#");
    }

    @Test
    void aChoiceIsKeptByNameAndForgotten() {
        String keep = "/jobs/1/paperwork/by-fixture/keep?position=2&order=walk";
        assertThat(http.post(keep, "name", "For the <dock>").status()).isEqualTo(200);
        String page = http.page("/jobs/1/paperwork").text();
        assertThat(page).contains("For the &lt;dock&gt;", "/jobs/1/paperwork/by-fixture?order=walk&amp;position=2");
        http.post("/jobs/1/paperwork/boxes/keep", "name", "For the <dock>");
        assertThat(http.page("/jobs/1/paperwork").text())
                .contains("/jobs/1/paperwork/boxes\">For the &lt;dock&gt;")
                .doesNotContain("by-fixture?order=walk");
        assertThat(http.post("/jobs/1/paperwork/by-fixture/keep", "name", " ").status())
                .isEqualTo(422);
        assertThat(http.post("/jobs/1/paperwork/by-fixture/keep", "name", "x".repeat(61))
                        .status())
                .isEqualTo(422);
        assertThat(http.post("/jobs/1/paperwork/forget", "name", "For the <dock>")
                        .status())
                .isEqualTo(200);
        assertThat(http.post("/jobs/1/paperwork/forget", "name", "For the <dock>")
                        .status())
                .isEqualTo(409);
        assertThat(http.page("/jobs/1/paperwork").text()).doesNotContain("For the");
    }

    @Test
    void whatIsChosenLimitsAPaperOnlyWhereThatIsAsked() {
        long all = http.get("/jobs/1/paperwork/by-fixture.csv").text().lines().count();
        assertThat(http.get("/jobs/1/paperwork/by-fixture.csv?sel=1-5")
                        .text()
                        .lines()
                        .count())
                .isEqualTo(all);
        assertThat(http.get("/jobs/1/paperwork/by-fixture.csv?sel=1-5&only=chosen")
                        .text()
                        .lines()
                        .count())
                .isEqualTo(1 + 5);
        assertThat(http.page("/jobs/1/paperwork/by-fixture?sel=1-5").text()).contains("only what is chosen");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"position=first", "position=0", "universe=64000", "universe=1.5", "order=moon", "only=mine"})
    void whatMeansNothingIsSaidAndNoPaperIsMade(String query) {
        for (String ending : List.of("", ".pdf", ".csv", ".xlsx")) {
            Answer answer = http.get("/jobs/1/paperwork/by-fixture" + ending + "?" + query);
            assertThat(answer.status()).as(ending).isEqualTo(404);
            assertThat(answer.text()).contains(query.substring(query.indexOf('=') + 1));
        }
    }

    @Test
    void aPositionThatIsGoneGivesAPaperThatSaysSo() {
        assertThat(http.page("/jobs/1/paperwork/by-fixture?position=999").text())
                .contains("position 999, which is gone", "Nothing of this is on the paper.");
    }

    /** Where a unit hangs is counted anew, and what was set of it is no plan. */
    private static final Set<String> NOT_KEPT = Set.of("Unit", "Standing", "Job", "Revision", "Date");

    private static List<List<String>> kept(String csv) {
        try (CSVReader reader = new CSVReader(new StringReader(csv.substring(1)))) {
            List<String[]> rows = reader.readAll();
            List<String> header = List.of(rows.get(0));
            return rows.stream()
                    .skip(1)
                    .map(row -> header.stream()
                            .filter(k -> !NOT_KEPT.contains(k))
                            .map(k -> row[header.indexOf(k)])
                            .toList())
                    .toList();
        } catch (IOException | CsvException e) {
            throw new AssertionError(e);
        }
    }

    /** What goes out as a list comes in as the same rig, with the later blocks of each fixture. */
    @ParameterizedTest
    @ValueSource(strings = {"csv", "xlsx"})
    void thePatchByFixtureComesInAgainAsAnEquipmentList(String ending) {
        String lists = "/jobs/1/paperwork/by-fixture.";
        String job = http.job("Once more " + ending);
        String list = http.upload(
                        job + "/imports",
                        "patch." + ending,
                        http.get(lists + ending).bytes())
                .json()
                .path("next")
                .asString();
        // The one whose mode its type lacks is refused with a sentence.
        assertThat(http.get(list).json().path("fixtures").asInt()).isEqualTo(94);
        assertThat(http.get(list).text()).contains("The mode “12-channel” is not known");
        assertThat(http.post(list + "/apply", "version", http.version(job)).status())
                .isEqualTo(200);
        assertThat(kept(http.get(job + "/paperwork/by-fixture.csv").text()))
                .containsExactlyInAnyOrderElementsOf(
                        kept(http.get(lists + "csv").text()).stream()
                                .filter(row -> !row.get(0).equals("522"))
                                .toList());
    }
}
