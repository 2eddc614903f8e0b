package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import taxon.app.testing.Browser;
import taxon.app.testing.Http;
import taxon.app.testing.TakesLong;
import taxon.app.testing.TaxonProcess;
import taxon.app.testing.TaxonServer;

/** The server dies in the middle of the work and comes back: what was typed meanwhile is kept, in order, and conflicts are told. */
@TakesLong
class CutOffBrowserTest {
    private static void post(Http http, String path, Object... fields) {
        List<Object> all = new ArrayList<>(List.of("version", http.version(1)));
        all.addAll(List.of(fields));
        assertThat(http.post(path, all.toArray()).status()).isEqualTo(200);
    }

    private static void type(Browser browser, int row, String text) {
        browser.click("#c-" + row + "-1");
        browser.press(text, Keys.ENTER);
    }

    @Test
    void whatIsTypedWhileTheServerIsAwayIsKeptSentInOrderAndHeldAgainstWhatOthersDid() {
        Path data = TaxonServer.readyStore();
        TaxonProcess process = TaxonProcess.on(data);
        try (Browser browser = Browser.start()) {
            String url = process.url();
            process.http().post("/jobs", "name", "Cut off");
            post(
                    process.http(),
                    "/jobs/1/fixtures",
                    "count",
                    4,
                    "type",
                    "generic-rgb/3-channel",
                    "position",
                    "Pipe",
                    "firstId",
                    1);
            browser.open(url + "/jobs/1/rig?cols=id,note");
            browser.see("#c-0-0", "1");
            type(browser, 0, "before");
            browser.until(
                    "not kept",
                    () -> process.http().get("/jobs/1/fixtures").text().contains("before"));
            // The page has to know it, too, or it counts among what waits.
            browser.until("not told that it is kept", () -> browser.count("td.unkept") == 0);
            process.kill();

            type(browser, 0, "first");
            type(browser, 1, "second");
            type(browser, 1, "second thoughts");
            type(browser, 2, "ours");
            browser.see(".strip", "Taxon has not answered for");
            browser.see(".strip", "4 changes are kept here");
            browser.see("td.unkept", "second thoughts");
            browser.type("#jot", "name 4 Lamp");
            browser.put("#jot", Keys.ENTER.toString());
            browser.see("#failed", "Not sent: Taxon does not answer");
            assertThat(browser.value("#jot")).isEqualTo("name 4 Lamp");

            try (TaxonServer meanwhile = TaxonServer.on(data)) {
                post(meanwhile.http(), "/jobs/1/cells", "key", 3, "column", "note", "text", "theirs");
            }
            try (TaxonServer again = TaxonServer.on(data, URI.create(url).getPort())) {
                Http http = again.http();
                browser.see("#grid-told", "The job changed since this page was made");
                browser.until(
                        "not sent", () -> http.get("/jobs/1/fixtures").text().contains("second thoughts"));
                String kept = http.get("/jobs/1/fixtures").text();
                assertThat(kept).contains("first", "theirs").doesNotContain("ours");
                assertThat(browser.value("#cell-editor")).isEqualTo("ours");
                browser.until("still cut off", () -> browser.count(".strip.stop") == 0);
                assertThat(http.get("/jobs/1/fixtures")
                                .json()
                                .path("fixtures")
                                .get(1)
                                .path("note")
                                .asString())
                        .isEqualTo("second thoughts");
                browser.press(Keys.ESCAPE);
                browser.until("still unkept", () -> browser.count("td.unkept") == 0);
            }
        } finally {
            process.kill();
        }
    }

    @Test
    void aPageThatIsNoJobSaysItTooAndWhenItIsWholeAgain() {
        Path data = TaxonServer.readyStore();
        TaxonServer first = TaxonServer.on(data);
        try (Browser browser = Browser.start()) {
            String url = first.url();
            browser.open(url + "/");
            browser.see("h1", "Jobs");
            first.close();
            browser.see(".strip", "Taxon has not answered for");
            browser.type("#name", "Half typed");
            browser.click("button", "Make the job");
            browser.see("#failed", "What you typed is still here");
            try (TaxonServer again = TaxonServer.on(data, URI.create(url).getPort())) {
                browser.see(".strip", "Taxon answers again, after");
                assertThat(browser.value("#name")).isEqualTo("Half typed");
                browser.click("button", "Make the job");
                browser.see("h1", "Rig");
            }
        } finally {
            first.close();
        }
    }
}
