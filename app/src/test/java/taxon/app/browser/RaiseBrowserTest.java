package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import taxon.app.testing.Browser;
import taxon.app.testing.HeardJob;
import taxon.app.testing.TakesLong;

@TakesLong
class RaiseBrowserTest {
    private static final int FIRST = 8_201;

    private static HeardJob heard;
    private static Browser browser;

    @BeforeAll
    static void start() throws IOException {
        heard = HeardJob.start(FIRST, 72);
        heard.edit("/fixtures", "count", 2, "type", "fernglass-tern/16-channel", "position", "Pipe", "firstId", 101);
        heard.edit("/fixtures/1/address", "block", 1, "address", "1.1");
        heard.edit("/fixtures/2/address", "block", 1, "address", "1.101");
        browser = Browser.start();
    }

    @AfterAll
    static void stop() {
        browser.close();
        heard.close();
    }

    /** What one test armed is not held for the next; where it was let go already there is nothing to do. */
    @AfterEach
    void letGo() {
        browser.size(1280, 800);
        browser.open(page("/checks/raise"));
        if (browser.count("#armings button") > 0) {
            browser.click("#armings button");
            browser.until("it is still armed", () -> browser.count("#held .held") == 0);
        }
    }

    private static String page(String rest) {
        return heard.server().url() + heard.job() + rest;
    }

    private static void armWhatIsPrepared() {
        browser.until("it does not become ready", () -> browser.count("#arm-it:enabled") == 1);
        browser.click("#arm-it");
        browser.see("#drive-left", "0 slots held.");
    }

    /** One-handed: what is to be looked at, raised from the same page, and noted; the next unit follows by itself. */
    @Test
    void theCheckListIsDoneOnAPhoneAndRaisesWhatItAsksFor() {
        browser.size(390, 844);
        browser.open(page("/checks/list"));
        browser.click("#go-on");
        browser.see("#check-unit .id", "101");
        browser.see("#question", "Does it hang there, unit 1 of Pipe");
        browser.click(".verdicts .right");
        browser.see("#question", "Does it show, and no other unit?");
        browser.click("#arm-here");
        armWhatIsPrepared();
        browser.click("a[href$='/checks/list']");
        browser.click("#go-on");
        browser.click("#raise-it");
        browser.see("#held", "of universe 1 since");
        assertThat((Long) browser.script("return document.documentElement.scrollWidth"))
                .as("nothing runs over the edge of a phone")
                .isLessThanOrEqualTo(390);
        browser.type(".verdicts .note", "102");
        browser.press(Keys.ENTER);
        assertThat(browser.count(".checkitems use[href='#mark-moss']"))
                .as("Enter in the note says nothing of the unit")
                .isEqualTo(1);
        browser.click(".verdicts [value='wrong-one']");
        browser.see("#question", "Does its light come up?");
        for (int i = 0; i < 20 && browser.count("#check-unit header .id") == 1 && isAt("101"); i++) {
            int done = browser.count(".checkitems use[href='#mark-moss']");
            browser.click(".verdicts .right");
            browser.until(
                    "it is not noted",
                    () -> !isAt("101") || browser.count(".checkitems use[href='#mark-moss']") > done);
        }
        browser.see("#check-unit .id", "102");
        browser.open(page("/checks/list"));
        browser.see("#wrong", "101 address: wrong one moved, 102");
        browser.click("#explain-it");
        browser.see("#seen-lines", "1.001 to 1.016: 102");
    }

    private static boolean isAt(String label) {
        return Boolean.TRUE.equals(browser.script(
                "return document.querySelector('#check-unit .id')?.textContent === arguments[0]", label));
    }

    @Test
    void aUnitIsRaisedOverTheConsoleAndLetGoAgain() {
        browser.open(page("/checks/raise?sel=1,2"));
        browser.click("#prepare-it");
        browser.see("#ways", "Pageant desk sends it with priority 100.");
        armWhatIsPrepared();
        browser.click("#next-unit");
        browser.see("#unit-label", "101");
        browser.until("nothing is held", () -> browser.count("#held-slots tbody tr") > 0);
        browser.see("#held", "of universe 1 since");
        browser.click("#next-unit");
        browser.see("#unit-label", "102");
        browser.click("#unit-channels tr[data-index='0'] input");
        browser.press(Keys.END);
        browser.see("#unit-channels tr[data-index='0'] [data-now]", "65535 (100 %)");
        browser.click("#let-go");
        browser.see("#drive-state", "Over. ");
        browser.until("the strip stays", () -> browser.count("#held .held") == 0);
    }

    /** What was seen is typed, the trial that tells causes apart is raised from the same page, and the mistake is named. */
    @Test
    void aMistakeIsExplainedByTheTrialsThatThePageRaises() {
        browser.open(page("/checks/explain"));
        browser.type("#saw", "101 intensity: nothing");
        browser.click("#explain");
        browser.see("#causes", "101 does nothing");
        browser.click("#arm-next");
        armWhatIsPrepared();
        browser.open(page("/checks/explain?saw=101+intensity:+nothing"));
        browser.see("#next-trial", "Raise next: 1.");
        browser.click("#raise-next");
        browser.until(
                "its line does not wait for what answered",
                () -> Boolean.TRUE.equals(
                        browser.script("return document.getElementById('saw').value.includes(': ?')")));
        browser.see("#held", "of universe 1 since");
        browser.see("#next-trial", "Raise next: 1.");
        browser.script("const saw = document.getElementById('saw');"
                + "saw.value = '101 intensity: nothing\\n1.002: 101 pan'");
        browser.click("#explain");
        browser.see("#causes", "101 listens at slot 2, 1 above its planned 1.");
        browser.see("#causes", "Set 101 to slot 1.");
    }

    @Test
    void leavingThePageLetsGo() {
        browser.open(page("/checks/raise?sel=1"));
        browser.click("#prepare-it");
        armWhatIsPrepared();
        browser.open(page("/rig"));
        browser.see("#held", "has armed universe 1");
        browser.until("it is still armed", () -> browser.count("#held .held") == 0);
        browser.open(page("/checks/raise"));
        browser.see("#armings", "No page that shows it answered any more.");
        assertThat(browser.count("#armings tbody tr")).isPositive();
    }
}
