package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.openqa.selenium.Keys;
import taxon.app.edit.JobEditor;
import taxon.app.testing.Browser;
import taxon.app.testing.TaxonServer;
import taxon.core.compare.PatchRow;
import taxon.core.compare.PlanPatch;
import taxon.core.dmx.StartAddress;

/** Takes the pictures of docs/screenshots anew from the demo: {@code ./taxon screenshots}. Not part of the test run. */
@EnabledIfSystemProperty(named = "taxon.screenshots", matches = "true")
class ScreenshotsTest {
    private static final Path FOLDER = Path.of("../docs/screenshots");

    @Test
    void allPicturesAreTaken() throws Exception {
        Files.createDirectories(FOLDER);
        try (TaxonServer server = TaxonServer.demo();
                Browser browser = Browser.start()) {
            String job = server.url() + "/jobs/1/";
            take(browser, job + "rig?sel=25", "rig");
            take(browser, job + "types", "types");
            take(browser, job + "types/fernglass-heron-380", "type");
            browser.open(job + "rig?sort=position,unit&sel=21-28");
            browser.until("no table", () -> browser.count("#grid.live") == 1);
            browser.click("#c-4-6");
            for (int i = 0; i < 5; i++) {
                browser.pressWith(Keys.SHIFT, Keys.ARROW_DOWN);
            }
            browser.scrollTo("#table");
            browser.screenshot(FOLDER.resolve("table.png"));
            takePriced(browser, job + "addresses?sel=28", "addresses");
            take(browser, job + "network?sel=30", "network");
            take(browser, job + "lines", "lines");
            take(browser, job + "paperwork/rig-plan", "paperwork");
            take(browser, job + "labels/unit-labels?start=4", "labels");
            take(browser, job + "setting?position=4", "setting");
            browser.open(job + "addresses");
            browser.click("#propose");
            browser.see("#proposal h2", "2 fixtures move");
            browser.screenshot(FOLDER.resolve("proposal.png"));
            Path list = Files.createTempFile("harbour", ".csv");
            Files.writeString(list, """
                    Equipment for the harbour evening
                    Qty,Manufacturer,Model,DMX Mode,Location,FID,Notes,Weight kg
                    8,Fernglass,Heron 380,24-channel,Crane rail,201,front,30
                    16,Fernglas,Tren,16ch,North quay,101-116,,9
                    0,Oxbow,Dunlin,3ch,Dock steps,901,,2
                    4,Brackwater,Plover,12ch,Dock floor,501,,4
                    2,Brackwater,Plover,9ch,Dock floor,521,,4
                    30,Total
                    """);
            browser.open(job + "rig");
            browser.put("#import input[type=file]", list.toString());
            browser.click("#import .btn");
            browser.see("#work", "3 rows cannot be added yet");
            browser.screenshot(FOLDER.resolve("import.png"));
            browser.open(job + "checks");
            browser.click("#read");
            browser.see("#comparison", "unexpected");
            browser.screenshot(FOLDER.resolve("checks.png"));
            browser.open(job + "checks/seen");
            browser.click("#listen");
            browser.see("#seen-table", "streaming ACN 5");
            browser.open(job + "checks/seen/sacn-5");
            browser.see("#u-remarks", "As planned");
            browser.until("nothing moves", () -> browser.count("#levels .level.moved") > 20);
            browser.screenshot(FOLDER.resolve("seen.png"));
            browser.open(job + "checks/raise");
            browser.type("#universes", "5-6");
            browser.click("#prepare-it");
            browser.until("it does not become ready", () -> browser.count("#arm-it:enabled") == 1);
            browser.click("#arm-it");
            browser.see("#drive-left", "0 slots held.");
            browser.click("#next-unit");
            browser.see("#held", "of universes 5, 6 since");
            browser.screenshot(FOLDER.resolve("raise.png"));
            browser.click("#let-go");
            browser.see("#drive-state", "Over. ");
            take(browser, job + "handover", "handover");
            browser.open(job + "compare");
            browser.script("document.getElementById('compare-rows').value = arguments[0]", othersPatch(server));
            browser.click("#rows button");
            browser.see("#patterns", "301 and 302 have each other's addresses there.");
            browser.screenshot(FOLDER.resolve("compared.png"));
            browser.click("button[name=theme]", "Night");
            browser.see("button[name=theme]", "Day");
            takePriced(browser, job + "addresses?sel=28", "addresses-night");
            browser.click("button[name=theme]", "Day");
            browser.size(390, 844);
            take(browser, job + "checks/list/24?item=pan", "check-list");
        }
        assertThat(FOLDER.resolve("check-list.png")).exists();
    }

    /** The demo's patch as another program has it: counted from 0, two exchanged, one left out and all behind it shifted. */
    private static String othersPatch(TaxonServer server) {
        List<PatchRow> rows =
                PlanPatch.of(server.bean(JobEditor.class).find(1).orElseThrow().plan());
        Map<Integer, StartAddress> starts = new HashMap<>();
        rows.forEach(r -> r.start().ifPresent(s -> starts.put(r.id().orElse(0), s)));
        StringBuilder list = new StringBuilder("ID\tFixture\tUniverse\tSlot\n");
        for (PatchRow row : rows) {
            int id = row.id().orElse(0);
            StartAddress start = starts.getOrDefault(id == 301 ? 302 : id == 302 ? 301 : id, StartAddress.of(1, 1));
            int lower = id > 503 && id <= 520 ? 9 : 0;
            if (id != 503 && row.start().isPresent()) {
                list.append(id)
                        .append('\t')
                        .append(row.type())
                        .append('\t')
                        .append(start.universe().number() - 1)
                        .append('\t')
                        .append(start.slot().number() - lower)
                        .append('\n');
            }
        }
        return list.toString();
    }

    /** The prices of the styles come after their page. */
    private static void takePriced(Browser browser, String url, String name) {
        browser.open(url);
        browser.see(".prices", "the fewest there can be");
        browser.screenshot(FOLDER.resolve(name + ".png"));
    }

    private static void take(Browser browser, String url, String name) {
        browser.open(url);
        browser.until("still loading", () -> browser.count("#grid:not(.live), .drawing.later, .htmx-request") == 0);
        browser.see("#revision", "Revision A");
        browser.screenshot(FOLDER.resolve(name + ".png"));
    }
}
