package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.Keys;
import taxon.app.testing.Browser;
import taxon.app.testing.TaxonServer;

/** What is on the screen at once: drawing and table side by side, and a phone's narrow page. */
class PanesBrowserTest {
    private static TaxonServer server;
    private static Browser browser;

    @BeforeAll
    static void start() {
        server = TaxonServer.demo();
        browser = Browser.start();
    }

    @AfterAll
    static void stop() {
        browser.close();
        server.close();
    }

    private static double bottom(String selector) {
        return ((Number) browser.script(
                        "return document.querySelector('" + selector + "').getBoundingClientRect().bottom"))
                .doubleValue();
    }

    private static double height(String selector) {
        return ((Number) browser.script(
                        "return document.querySelector('" + selector + "').getBoundingClientRect().height"))
                .doubleValue();
    }

    private static String share() {
        return String.valueOf(browser.script("return document.getElementById('divide').getAttribute('aria-valuenow')"));
    }

    @ParameterizedTest
    @CsvSource({"1280, 800", "1920, 1080"})
    void drawingAndTableAreBothOnTheScreen(int width, int height) {
        browser.size(width, height);
        browser.open(server.url() + "/jobs/1/rig");
        browser.until("the panes are divided", () -> browser.count("#grid td") > 0);
        assertThat(height("#drawn")).isGreaterThan(250);
        assertThat(height("#grid")).isGreaterThan(140);
        assertThat(bottom("#grid"))
                .isLessThanOrEqualTo(((Number) browser.script("return window.innerHeight")).doubleValue());
        assertThat(height("#legend")).as("the legend has one line").isLessThan(48);
    }

    @Test
    void theLineBetweenThemMovesIsKeptAndFoldsEitherSide() {
        browser.size(1280, 800);
        browser.open(server.url() + "/jobs/1/rig");
        browser.until("the line is there", () -> share().equals("40"));
        browser.script("document.getElementById('divide').focus()");
        browser.press(Keys.ARROW_DOWN);
        browser.until("it moved", () -> share().equals("44"));
        browser.open(server.url() + "/jobs/1/rig");
        browser.until("it was kept", () -> share().equals("44"));
        browser.pressWith(Keys.ALT, Keys.ARROW_UP);
        browser.until("the drawing is folded", () -> share().equals("0"));
        assertThat(height("#drawn")).isZero();
        browser.pressWith(Keys.ALT, Keys.ARROW_UP);
        browser.until("it is back where it was", () -> share().equals("44"));
        browser.pressWith(Keys.ALT, Keys.ARROW_DOWN);
        browser.until("the table is folded", () -> height("#grid") == 0);
        browser.pressWith(Keys.ALT, Keys.ARROW_DOWN);
        browser.until("both are there", () -> height("#grid") > 0);
        browser.script("localStorage.removeItem('taxon-drawn')");
    }

    @Test
    void aPhoneHasOneLineOfHeaderTheStagesBehindItAndOneFigureBelow() {
        browser.size(390, 844);
        browser.open(server.url() + "/jobs/1/rig");
        assertThat(height(".band")).isLessThan(60);
        assertThat(height(".stages")).isZero();
        browser.click(".stagebutton");
        browser.until("the stages open", () -> height(".stages") > 200);
        browser.click(".stages a", "Checks");
        browser.see("h1", "Checks");
        assertThat(height(".stages")).as("they close behind whoever went there").isZero();
        assertThat(
                        browser.script(
                                "return [...document.querySelectorAll('.tally > a')].filter(a => a.offsetParent !== null).length"))
                .as("the tally is one figure")
                .isEqualTo(1L);
        browser.open(server.url() + "/jobs/1/rig");
        browser.until(
                "the drawing fits",
                () -> ((Number)
                                        browser.script(
                                                "const d = document.querySelector('.drawing'); return d.scrollWidth - d.clientWidth"))
                                .intValue()
                        <= 1);
        browser.size(1280, 800);
    }
}
