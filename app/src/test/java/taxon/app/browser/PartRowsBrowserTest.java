package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import taxon.app.testing.Browser;
import taxon.app.testing.TaxonServer;

/** Cells and layers in the table by keyboard: opened, named, chosen with their fixture, filled, refused. */
class PartRowsBrowserTest {
    private static final int NAME = 8;
    private static final int PARKED = 9;

    @Test
    void cellsAreNamedParkedAndChosenLikeRowsOfTheirOwn() {
        try (TaxonServer server = TaxonServer.demo();
                Browser browser = Browser.start()) {
            browser.open(server.url() + "/jobs/1/rig?filter=curlew");
            browser.see("#grid.live #c-0-0", "401");
            browser.see("#shown", "12 of 95 rows");
            browser.click("#parts");
            browser.see("#shown", "12 of 95 rows and 144 of cells and layers");
            browser.see("#grid.live #c-1-0", "401, cell 1");

            browser.click("#c-1-" + NAME);
            browser.press("Bow end", Keys.ENTER);
            browser.until("not kept", () -> rows(server).contains("Bow end"));
            browser.see("#c-1-" + NAME, "Bow end");
            browser.see("#c-2-0", "401, cell 2");

            browser.click("#c-2-4");
            browser.press("7", Keys.ENTER);
            browser.see("#grid-told", "The unit is that of fixture 401; change it there.");
            assertThat(browser.value("#cell-editor")).isEqualTo("7");
            browser.press(Keys.ESCAPE);

            browser.click("#c-3-0");
            browser.see(".card .id", "401");
            browser.until("not all rows of the fixture chosen", () -> browser.count("#grid tr.chosen.part") == 12);

            browser.click("#c-1-" + PARKED);
            browser.press("red = 255 house light", Keys.ENTER);
            browser.see("#c-1-" + PARKED, "red = 255 house light");
            browser.see("#c-0-" + PARKED, "red cell 1 = 255 house light");
            browser.click("#c-1-" + PARKED);
            browser.pressWith(Keys.SHIFT, Keys.ARROW_DOWN);
            browser.pressWith(Keys.CONTROL, "d");
            browser.see("#proposed", "401, cell 2");
            browser.click("button", "Apply");
            browser.see("#grid.live #c-2-" + PARKED, "red = 255 house light");
            browser.see("#parts", "Fixtures only");
        }
    }

    private static String rows(TaxonServer server) {
        return server.http().get("/jobs/1/rows?parts=rows&cols=id,name").text();
    }
}
