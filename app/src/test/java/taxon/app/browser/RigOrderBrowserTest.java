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

/** Saying where positions lie, hanging units along them and numbering them. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class RigOrderBrowserTest {
    private static Browser browser;
    private static final OneJob ORDER = OneJob.shared("Order");
    private static String job;

    @BeforeAll
    static void start() {
        add(8, "fernglass-heron-380/24-channel", "Crane rail", 201);
        add(4, "fernglass-kestrel/18-channel", "Crane rail", 301);
        add(17, "fernglass-tern/16-channel", "North quay", 101);
        browser = Browser.start();
        job = ORDER.url() + "/";
    }

    private static void add(int count, String type, String position, int firstId) {
        ORDER.edit("/fixtures", "count", count, "type", type, "position", position, "firstId", firstId);
    }

    @AfterAll
    static void stop() {
        browser.close();
    }

    @Test
    @Order(1)
    void aPositionIsDescribedAndTheRigIsSeenFromAbove() {
        browser.open(job + "rig");
        assertThat(browser.count("#above")).isZero();
        browser.type("#position-1 input[name=length]", "wide");
        browser.click("#position-1 .btn");
        browser.see("#position-1 .reason", "The length reads wide; it takes metres");
        browser.type("#position-1 input[name=length]", "24 m");
        browser.type("#position-1 input[name=upstage]", "6");
        browser.choose("#position-1 select", "truss");
        browser.click("#position-1 .btn");
        browser.see(".told", "Crane rail changed.");
        browser.see("#above .place", "Crane rail");
        assertThat(browser.count("#above .guessed")).isEqualTo(12);
    }

    @Test
    @Order(2)
    void theChosenAreArrangedAboutTheCentreAndUndone() {
        browser.open(job + "rig?sel=1,2,3,4,5,6,7,8");
        browser.click("a", "Arrange");
        browser.type("#c-pitch", "-1");
        browser.click("#centred .btn");
        browser.see(".reason", "A pitch of -1 m about the centre is none");
        browser.type("#c-pitch", "1.5 m");
        browser.click("#centred .btn");
        browser.see("#proposal h2", "8 units arranged");
        browser.see("#proposal td", "-5.25 m");
        browser.press(Keys.ENTER);
        browser.see(".told", "8 units arranged.");
        browser.see("#table td", "5.25 m");
        assertThat(browser.count("#above .guessed")).isEqualTo(4);
        browser.pressWith(Keys.CONTROL, "z");
        browser.see(".told", "Undone: 8 units arranged.");
        browser.click("#redo button");
        browser.see(".told", "Done again: 8 units arranged.");
    }

    @Test
    @Order(3)
    void numbersFollowTheRigAndAFamilyIsBegunElsewhere() {
        browser.open(job + "numbering");
        assertThat(browser.script("return document.querySelector('input[name=keep]').checked"))
                .as("nothing is set or handed over yet, so that no number is known to anybody")
                .isEqualTo(false);
        browser.click("input[name=keep]");
        browser.click("#propose");
        browser.see("#families", "Fernglass Tern");
        browser.see("#families", "101 to 117");
        browser.see("#proposal h2", "stay");
        browser.type("input[aria-label='First number of Fernglass Kestrel']", "1301");
        browser.click("#propose");
        browser.see("#families", "1301 to 1304");
        browser.press(Keys.ENTER);
        browser.see(".told", "fixtures numbered.");
        browser.open(job + "rig?filter=1304");
        browser.see("#table td", "1304");
        browser.open(job + "rig");
        browser.pressWith(Keys.CONTROL, "z");
        browser.see(".told", "Undone:");
    }

    @Test
    @Order(4)
    void whatIsSpecialAboutAFixtureIsOnItsCard() {
        browser.open(job + "rig?sel=5");
        browser.click(".card summary", "Offset and what to know");
        browser.type("#t-parked", "nonsense");
        browser.type("#t-colour", "amber gel");
        browser.click(".card .btn", "Keep it");
        browser.see(".card .reason", "does not say block.slot = value and why");
        assertThat(browser.value("#t-colour")).isEqualTo("amber gel");
        browser.type("#t-parked", "1.5 = 255 house light");
        browser.click(".card input[name=panReversed]");
        browser.click(".card .btn", "Keep it");
        browser.see("#told", "Parked: slot 5 at 255, house light");
        browser.see("#told", "Pan reversed");
        assertThat(browser.complaints())
                .filteredOn(c -> !c.contains("status of 422"))
                .isEmpty();
    }
}
