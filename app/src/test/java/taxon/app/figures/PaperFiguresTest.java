package taxon.app.figures;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.streaming.SXSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import taxon.app.testing.BigRig;
import taxon.app.testing.Figures;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonProcess;
import taxon.app.testing.TaxonServer;
import taxon.core.paper.Cell;
import taxon.core.paper.Paper.Listing;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.paper.Papers;
import taxon.core.rig.Plan;
import taxon.formats.json.JobJson;
import taxon.formats.workbook.WorkbookOut;

/** Prints what labels, papers and workbooks of large rigs cost in a process of 512 MB: {@code ./taxon bench papers}. */
@EnabledIfSystemProperty(named = "taxon.figures", matches = "true")
class PaperFiguresTest {
    @Test
    void labelsPapersAndWorkbooksAreMeasured() {
        try (TaxonProcess process =
                TaxonProcess.serve(List.of(), List.of("-Xmx512m", "-XX:TieredStopAtLevel=4"), TaxonServer.newStore())) {
            Http http = new Http(process.url());
            labels(http, "/jobs/" + BigRig.make(http, 2_000));
            bundles(http, "/jobs/" + BigRig.make(http, 200));
            String large = "/jobs/" + BigRig.make(http, 10_000);
            say("paper by fixture of 10,000, PDF, first", () -> http.printed(large + "/paperwork/by-fixture/prints"));
            say("the next", () -> http.printed(large + "/paperwork/by-position/prints"));
            say("workbook of 10,000, first", () -> http.get(large + "/paperwork/by-fixture.xlsx"));
            say("the next", () -> http.get(large + "/paperwork/by-fixture.xlsx"));
            ratio(http.get(large + "/job.json").text());
        }
    }

    private static void labels(Http http, String job) {
        say("2,000 unit labels, first", () -> http.printed(job + "/labels/unit-labels/prints"));
        say("the next", () -> http.printed(job + "/labels/unit-labels/prints"));
        say("2,000 settings cards", () -> http.printed(job + "/paperwork/cards/prints"));
        say("what is out, with 4,000 labels and cards", () -> http.page(job + "/printed"));
        say("how many of these are untrue, first", () -> http.page(job + "/printed/tally"));
        say("asked again", () -> http.page(job + "/printed/tally"));
        say("page of labels", () -> http.page(job + "/labels/unit-labels"));
        say("page of setting the units", () -> http.page(job + "/setting"));
    }

    /** All papers as PDF, CSV and workbook, with what else is handed over. */
    private static void bundles(Http http, String job) {
        for (String letter : List.of("A", "B", "C")) {
            http.editOf(job, "/cells", "key", 1, "column", "note", "text", "for " + letter);
            http.editOf(job, "/revisions", "note", "");
            say("bundle " + letter + " of 200 fixtures", () -> http.get(job + "/revisions/" + letter + ".zip"));
        }
    }

    /** The same table by the library's plainest call, in the same run. */
    private static void ratio(String document) {
        Plan plan = JobJson.kept(document);
        Listing listing = Papers.of(plan, PaperKind.BY_FIXTURE, PaperChoice.ALL).list();
        for (int run = 1; run <= 3; run++) {
            double ours = Figures.timed(() -> WorkbookOut.write("Patch", listing));
            double plain = Figures.timed(() -> plain(listing));
            System.out.printf(
                    Locale.ROOT,
                    "workbook of 10,000 rows: %.0f ms, plainest %.0f ms, ratio %.2f%n",
                    ours,
                    plain,
                    ours / plain);
        }
    }

    private static void plain(Listing listing) {
        try (SXSSFWorkbook book = new SXSSFWorkbook(100)) {
            Sheet sheet = book.createSheet("Patch");
            int number = 0;
            for (List<Cell> cells : listing.rows()) {
                Row row = sheet.createRow(number++);
                for (int i = 0; i < cells.size(); i++) {
                    row.createCell(i).setCellValue(cells.get(i).words());
                }
            }
            book.write(new ByteArrayOutputStream());
        } catch (IOException e) {
            throw new UncheckedIOException("memory can always be written", e);
        }
    }

    private static void say(String what, Runnable work) {
        System.out.printf(Locale.ROOT, "%-52s %8.0f ms%n", what, Figures.timed(work));
    }
}
