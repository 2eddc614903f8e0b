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

/** The tapes by hand: dragging, the keyboard, the wish with its prices, the split map, undo. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class TapesBrowserTest {
    private static final int PIXELS_OF_100_SLOTS = 162;

    private static OneJob job;
    private static Browser browser;

    @BeforeAll
    static void start() {
        job = OneJob.shared("Tapes");
        add(8, "fernglass-heron-380/24-channel", "Crane rail", 201);
        add(6, "generic-rgb/3-channel", "Dock floor", 101);
        browser = Browser.start();
    }

    private static void add(int count, String type, String position, int firstId) {
        job.edit("/fixtures", "count", count, "type", type, "position", position, "firstId", firstId);
    }

    @AfterAll
    static void stop() {
        browser.close();
    }

    private static void open(String path) {
        browser.open(job.url() + "/" + path);
    }

    private static String unit(int key) {
        return "#tapes g[data-k='" + key + "'] rect";
    }

    private static String at(int key) {
        return browser.attribute("#tapes g[data-k='" + key + "']", "data-s");
    }

    @Test
    @Order(1)
    void theWishIsStatedInASentenceAndItsPricesStandSideBySide() {
        open("addresses");
        browser.choose("#wish [name=scope]", "everything");
        browser.click("#propose");
        browser.see("#proposal h2", "14 fixtures move");
        browser.press(Keys.ENTER);
        browser.see(".told", "14 fixtures from 1.001");
        browser.see(".prices", "1 universe, the fewest there can be");
        browser.choose("#wish [name=scope]", "everything");
        browser.choose("#wish [name=split]", "position");
        browser.see(".prices", "2 universes, the fewest there can be");
        browser.click(".prices input[value='least-change']");
        browser.click("#propose");
        browser.see("#proposal", "Dock floor");
        browser.see("#proposal", "the least there can be");
        browser.click("#drop button");
        browser.see(".told", "Dropped");
    }

    @Test
    @Order(2)
    void aUnitIsDraggedAlongItsTapeAndUndone() {
        open("addresses");
        int before = Integer.parseInt(at(1));
        browser.pointer().drag(unit(1), 3 * PIXELS_OF_100_SLOTS, 0);
        browser.until("not moved", () -> !at(1).equals(Integer.toString(before)));
        assertThat(Integer.parseInt(at(1))).isBetween(before + 295, before + 305);
        browser.pressWith(Keys.CONTROL, "z");
        browser.see(".told", "Undone: 201 to 1.");
        assertThat(at(1)).isEqualTo(Integer.toString(before));
    }

    @Test
    @Order(3)
    void aUnitThatIsDroppedOnAnotherStaysWhereItWas() {
        open("addresses");
        String before = at(2);
        browser.pointer().drag(unit(2), 30, 0);
        browser.see(".hint", "is not free");
        assertThat(at(2)).isEqualTo(before);
    }

    @Test
    @Order(4)
    void theChosenAreLitAndMovedByKeyboardFromPlaceToPlace() {
        open("addresses?sel=3");
        assertThat(browser.count("#tapes .lit")).isPositive();
        browser.focus("#tapes");
        browser.press(Keys.ENTER);
        browser.until("not lifted", () -> browser.count("#tapes .ghost.on") == 1);
        browser.press(Keys.ARROW_RIGHT, Keys.ARROW_RIGHT);
        browser.press(Keys.ENTER);
        browser.see(".hint", "Moved to 1.");
        int moved = Integer.parseInt(at(3));
        assertThat(moved).isGreaterThan(200);
        browser.focus("#tapes");
        browser.press(Keys.ENTER);
        browser.until("not lifted", () -> browser.count("#tapes .ghost.on") == 1);
        browser.press(Keys.ARROW_LEFT);
        browser.press(Keys.ESCAPE);
        assertThat(browser.count("#tapes .ghost")).isZero();
        assertThat(at(3)).isEqualTo(Integer.toString(moved));
    }

    @Test
    @Order(5)
    void severalThatAreDraggedTogetherBecomeAProposal() {
        open("addresses?sel=4-6");
        browser.pointer().drag(unit(5), 2 * PIXELS_OF_100_SLOTS, 0);
        browser.see("#proposal h2", "3 fixtures move");
        browser.see("#proposal", "put there by hand");
        browser.press(Keys.ENTER);
        browser.see(".told", "3 fixtures from 1.");
    }

    @Test
    @Order(6)
    void severalAreMovedToATypedTargetOrToldWhyNot() {
        open("addresses?sel=4-6");
        browser.type("#shift-to", "1.511");
        browser.click("#shift");
        browser.see(".card .reason", "1.511");
        assertThat(browser.value("#shift-to")).isEqualTo("1.511");
        browser.type("#shift-to", "2.101");
        browser.click("#shift");
        browser.see("#proposal h2", "3 fixtures move");
        assertThat(browser.count("#tapes g[data-u='2'] .unit.chosen")).isEqualTo(3);
        browser.click(".views a", "As it is");
        browser.until("not as it is", () -> browser.count("#tapes g[data-u='2'] .unit") == 0);
        browser.click("#drop button");
        browser.see(".told", "Dropped");
    }

    @Test
    @Order(7)
    void aWishIsPutInForceTakenUpAgainAndLifted() {
        open("addresses");
        browser.click("#more summary");
        browser.type("#wish [name=gap]", "2");
        browser.type("#wish [name=wishName]", "touring default");
        browser.click("#enforce");
        browser.see("#more summary", "gap 2");
        browser.click("#more summary");
        browser.see("#more", "In force: touring default");
        browser.click("#lift");
        browser.seeNo("#more summary", "gap 2");
        browser.click("#more summary");
        browser.click("#more button", "touring default");
        browser.see("#more summary", "gap 2");
        browser.click("#more summary");
        browser.click("#lift");
        browser.seeNo("#more summary", "gap 2");
    }

    @Test
    @Order(8)
    void theSplitMapShowsWhatIsSpreadAndChangesIt() {
        open("split");
        browser.click("#split a[data-source='Dock floor']");
        browser.see("#picked h2", "Dock floor on universe 1: 6 fixtures, 18 slots");
        browser.type("#s-from", "2.001");
        browser.click("#picked button");
        browser.see("#proposal h2", "6 fixtures move");
        browser.press(Keys.ENTER);
        open("split");
        browser.until("not split", () -> browser.count("#split a[data-source='Dock floor'][data-universe='2']") == 1);
        open("split?by=type");
        browser.see("#split", "Heron 380");
    }

    @Test
    @Order(9)
    void aUniverseIsReadSlotBySlotAndTheWholeJobAtAGlance() {
        open("universes/1");
        browser.see("h1", "Universe 1");
        assertThat(browser.count("#slots .cell")).isEqualTo(512);
        open("addresses?zoom=overview&tint=position");
        assertThat(browser.count("#overview .unit")).isEqualTo(14);
        browser.click("#overview .unit[data-k='9']");
        browser.see(".card .id", "101");
        assertThat(browser.url()).contains("zoom=overview");
        assertThat(browser.complaints()).allMatch(c -> c.contains("status of 422"));
    }
}
