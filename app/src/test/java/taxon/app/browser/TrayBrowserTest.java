package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.Keys;
import taxon.app.testing.Browser;
import taxon.app.testing.OneJob;

/** What has no place yet, in a job where nothing has: dragged, pressed and keyed onto the empty tape. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class TrayBrowserTest {
    private static final int PIXELS_OF_100_SLOTS = 162;

    private static OneJob job;
    private static Browser browser;

    @BeforeAll
    static void start() {
        job = OneJob.shared("Tray");
        job.edit("/fixtures", "count", 5, "type", "fernglass-tern/16-channel", "position", "Pipe", "firstId", 101);
        browser = Browser.start();
    }

    @AfterAll
    static void stop() {
        browser.close();
    }

    private static void open() {
        browser.open(job.url() + "/addresses");
        browser.see("h1", "Addresses");
    }

    private static String address(int key) {
        return job.get("/fixtures")
                .json()
                .path("fixtures")
                .path(key - 1)
                .path("addresses")
                .toString();
    }

    private static String waiting(int key) {
        return "#tray .unit[data-k='" + key + "']";
    }

    @Test
    @Order(1)
    void anEmptyJobWithUnplacedUnitsDrawsAnEmptyTapeAndATray() {
        open();
        assertThat(browser.count("#tray .unit")).isEqualTo(5);
        assertThat(browser.count("#tapes [data-u]")).isEqualTo(1);
        browser.see("#tray", "No address yet: 5.");
    }

    @Test
    @Order(2)
    void aUnitOfTheTrayIsDraggedOntoTheTapeAndUndone() {
        open();
        browser.pointer().drag(waiting(2), PIXELS_OF_100_SLOTS, 80);
        browser.until("not placed", () -> browser.count("#tray .unit") == 4);
        assertThat(address(2)).contains("\"universe\":1");
        browser.pressWith(Keys.CONTROL, "z");
        browser.until("not undone", () -> browser.count("#tray .unit") == 5);
    }

    @Test
    @Order(3)
    void pressingAFreeSlotTwicePutsTheNextOfTheTrayThere() {
        open();
        browser.pointer().clickAt("#tapes [data-u='1'] .strip", 0.5);
        browser.see(".hint", "Press again to put 101 at 1.");
        browser.pointer().clickAt("#tapes [data-u='1'] .strip", 0.5);
        browser.until("not placed", () -> browser.count("#tray .unit") == 4);
        assertThat(address(1)).contains("\"slot\":25");
    }

    @Test
    @Order(4)
    void theTrayIsWalkedAndPlacedFromByKeyboard() {
        browser.open(job.url() + "/addresses?sel=3");
        browser.see("#tray", "No address yet: 4.");
        browser.focus("#tapes");
        browser.press(Keys.ENTER);
        browser.until("not lifted", () -> browser.count("#tapes .ghost.on") == 1);
        browser.press(Keys.ARROW_RIGHT);
        browser.press(Keys.ENTER);
        browser.until("not placed", () -> browser.count("#tray .unit") == 3);
        assertThat(address(3)).contains("\"slot\":2}");
    }

    @Test
    @Order(5)
    void severalOfTheTrayBecomeAProposalThatBeginsThere() {
        browser.open(job.url() + "/addresses?sel=4,5");
        browser.see("#tray", "No address yet: 3.");
        browser.pointer().clickAt("#tapes [data-u='1'] .strip", 0.8);
        browser.see(".hint", "Press again");
        browser.pointer().clickAt("#tapes [data-u='1'] .strip", 0.8);
        browser.see("#proposal h2", "2 fixtures");
    }
}
