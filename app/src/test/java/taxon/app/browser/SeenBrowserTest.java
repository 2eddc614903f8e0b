package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import taxon.app.testing.Browser;
import taxon.app.testing.HeardJob;
import taxon.simrig.SimConsole;

class SeenBrowserTest {
    private static final int FIRST = 8_801;

    private static HeardJob heard;
    private static Browser browser;

    @BeforeAll
    static void start() throws IOException {
        heard = HeardJob.start(FIRST, 75);
        browser = Browser.start();
    }

    @AfterAll
    static void stop() {
        browser.close();
        heard.close();
    }

    private static String page(String rest) {
        return heard.server().url() + heard.job() + "/checks/seen" + rest;
    }

    @Test
    void whatIsSeenIsKeptTrueWhileOneLooks() {
        heard.desk().run(SimConsole.USUAL_RATE);
        browser.open(page(""));
        browser.see("#content", "Nobody listens.");
        browser.click("#listen");
        browser.see("tr[data-key=sacn-8801]", "As planned");
        browser.see("tr[data-key=sacn-8801]", "Pageant desk");
        browser.see("tr[data-key=sacn-8802]", "Planned, and nobody sends it.");
        browser.see("#announced-told", "8809");
        browser.type("#join", "8809");
        browser.click("button", "Listen for it too");
        browser.see("tr[data-key=sacn-8809]", "Not planned.");
        heard.desk().stop();
        browser.see("tr[data-key=sacn-8801]", "Planned, and nobody sends it.");
        browser.see("#seen-log", "Pageant desk said that it stops");
        browser.click("#end");
        browser.see("#content", "Nobody listens.");
        assertThat(browser.count("#seen")).isZero();
    }

    @Test
    void aUniverseMovesSlotBySlotAndTellsOfTheOneThatIsPointedAt() {
        heard.desk().run(SimConsole.USUAL_RATE);
        heard.http().post(heard.job() + "/checks/seen/listen");
        browser.open(page("/sacn-8801"));
        browser.see("#u-senders", "From Pageant desk, priority 100");
        browser.until("slot 10 does not move", () -> browser.count("#levels .level.moved") == 1);
        browser.focus("#levels");
        browser.press(Keys.ARROW_RIGHT);
        browser.see("#slot-told", "Slot 1: 1, between 1 and 1; stands.");
        browser.press(Keys.ARROW_DOWN);
        browser.see("#slot-told", "Slot 129: 0");
    }
}
