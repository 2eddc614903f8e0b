package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.Keys;
import taxon.app.testing.Browser;
import taxon.app.testing.Http;
import taxon.app.testing.TakesLong;
import taxon.app.testing.TaxonServer;

/** The hands: areas and drags on the drawing, the table by keyboard, pasted rows, the jot line, two browsers, a restart. */
@TakesLong
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class RigHandsBrowserTest {
    private static TaxonServer server;
    private static Browser browser;
    private static Path data;

    @BeforeAll
    static void start() {
        server = TaxonServer.empty();
        data = server.data();
        server.http().post("/jobs", "name", "Hands");
        add(8, "fernglass-heron-380/24-channel", "Crane rail", 201);
        add(200, "generic-rgb/3-channel", "Dock floor", 1001);
        post("/jobs/1/positions/1", "name", "Crane rail", "length", "20 m", "upstage", "6");
        browser = Browser.start();
    }

    private static void add(int count, String type, String position, int firstId) {
        post("/jobs/1/fixtures", "count", count, "type", type, "position", position, "firstId", firstId);
    }

    private static void post(String path, Object... fields) {
        Http http = server.http();
        Object[] all = new Object[fields.length + 2];
        all[0] = "version";
        all[1] = http.version(1);
        System.arraycopy(fields, 0, all, 2, fields.length);
        assertThat(http.post(path, all).status()).isEqualTo(200);
    }

    @AfterAll
    static void stop() {
        browser.close();
        server.close();
    }

    private static String job() {
        return server.url() + "/jobs/1/";
    }

    private static String unit(int key) {
        return "#above g[data-k='" + key + "'] rect, #above rect[data-k='" + key + "']";
    }

    private static void cell(String row, int column) {
        browser.until(
                "no row " + row,
                () -> browser.texts("#grid.live td[data-c='0']").contains(row));
        int at = browser.texts("#grid.live td[data-c='0']").indexOf(row);
        int first = Integer.parseInt(browser.attribute("#grid.live td[data-c='0']", "data-r"));
        browser.click("#c-" + (first + at) + "-" + column);
    }

    @Test
    @Order(1)
    void anAreaOfTheDrawingIsChosenWithShiftAndCtrlOnTop() {
        browser.open(job() + "rig");
        browser.see("#shown", "208 rows");
        browser.pointer().dragOver(unit(1), unit(3), 6);
        browser.see(".card .id", "3");
        assertThat(browser.url()).endsWith("?sel=1-3");
        browser.clickWith(Keys.CONTROL, unit(2));
        browser.see(".card .id", "2");
        assertThat(browser.url()).endsWith("?sel=1,3");
        browser.clickWith(Keys.SHIFT, unit(6));
        browser.until("no run", () -> browser.url().endsWith("?sel=1-6"));
        browser.click("#legend a", "Heron 380");
        browser.see(".told", "8 fixtures chosen.");
        browser.click("[data-all='1']");
        browser.until("not all on the position", () -> browser.url().endsWith("?sel=1-8"));
    }

    @Test
    @Order(2)
    void unitsAreDraggedAlongTheirPositionOnSteps() {
        post("/jobs/1/jot", "q", "arrange 201-208 from -7 to 7");
        browser.open(job() + "rig?sel=2-4");
        browser.pointer().drag(unit(3), 40, 0);
        browser.see("#proposal h2", "3 units arranged");
        assertThat(browser.texts("#proposal td").toString()).contains("-3 m", "-2 m", "-1 m");
        browser.press(Keys.ENTER);
        browser.see(".told", "3 units arranged.");
        browser.pointer().drag(unit(8), -41, 6);
        browser.until("not moved", () -> browser.texts("#grid td").contains("6 m"));
        browser.pressWith(Keys.CONTROL, "z");
        browser.see(".told", "Undone: Offset of 208.");
    }

    @Test
    @Order(3)
    void whatIsHeldStaysInTheHandWhileSomebodyElseEdits() {
        browser.open(job() + "rig");
        browser.pointer().press(unit(8));
        browser.pointer().move(-20, 0);
        browser.see("#grid-told.plain", "208 to 6.5 m");
        post("/jobs/1/cells", "key", 1, "column", "note", "text", "meanwhile");
        browser.see("#news", "Note of 201");
        browser.pointer().move(-21, 6);
        browser.pointer().release();
        browser.until("not moved", () -> browser.texts("#grid td").contains("6 m"));
        browser.until("not told", () -> browser.texts("#grid td").contains("meanwhile"));
    }

    /** The first answers to these questions are had from the server at once, and come to the page when {@link #letCome} says so. */
    private static void hold(String questions, int first) {
        browser.script("""
                const [questions, first] = arguments;
                const real = window.fetch;
                window.held = [];
                window.fetch = async (url, options) => {
                  const answer = await real(url, options);
                  if (String(url).includes(questions) && window.held.length < first) {
                    await new Promise((done) => window.held.push(done));
                  }
                  return answer;
                };""", questions, first);
    }

    private static void untilHeld(int answers) {
        browser.until(
                "not asked", () -> browser.script("return window.held.length").equals((long) answers));
    }

    private static void letCome(int answer) {
        browser.script("window.held[arguments[0]]()", answer);
    }

    /** The rows of a page that begins are asked for before an edit and behind it, and the older answer comes last. */
    @Test
    @Order(3)
    void anOlderAnswerTakesNotThePlaceOfANewerOne() {
        browser.open(job() + "rig?cols=id,purpose");
        browser.until("no rows", () -> browser.count("#grid.live td") > 0);
        hold("/rows?", 1);
        browser.script("""
                document.getElementById('grid').classList.remove('live');
                document.dispatchEvent(new CustomEvent('taxon:fresh'));""");
        untilHeld(1);
        post("/jobs/1/cells", "key", 2, "column", "purpose", "text", "edited meanwhile");
        browser.until("not shown", () -> browser.texts("#grid td").contains("edited meanwhile"));
        letCome(0);
        browser.pause(500);
        assertThat(browser.texts("#grid td")).contains("edited meanwhile");
        post("/jobs/1/undo");
    }

    /** Two edits are asked about before either answer is there: each answer tells of what the page knew when it asked. */
    @Test
    @Order(3)
    void whatNeitherOfTwoAnswersKnewIsAskedForBehindThem() {
        browser.open(job() + "rig?cols=id,purpose");
        browser.until("no rows", () -> browser.count("#grid.live td") > 0);
        hold("/rows?", 2);
        post("/jobs/1/cells", "key", 2, "column", "purpose", "text", "first edit");
        untilHeld(1);
        post("/jobs/1/cells", "key", 3, "column", "purpose", "text", "second edit");
        untilHeld(2);
        letCome(0);
        browser.until("not shown", () -> browser.texts("#grid td").contains("first edit"));
        letCome(1);
        browser.until("not shown", () -> browser.texts("#grid td").contains("second edit"));
        assertThat(browser.texts("#grid td")).contains("first edit");
        post("/jobs/1/undo");
        post("/jobs/1/undo");
    }

    /** Of a large rig the drawing comes after its page, and again after each edit. */
    @Test
    @Order(3)
    void anOlderDrawingTakesNotThePlaceOfANewerOne() {
        browser.open(job() + "rig?cols=id");
        browser.until("no rows", () -> browser.count("#grid.live td") > 0);
        browser.script("""
                const real = window.fetch;
                window.drawings = [];
                window.fetch = (url, options) =>
                  String(url).startsWith('/drawn')
                    ? new Promise((done) => window.drawings.push((text) => done(new Response(text))))
                    : real(url, options);
                document.querySelector('main').insertAdjacentHTML('beforeend', '<p id="later" data-drawing="/drawn"></p>');
                document.dispatchEvent(new CustomEvent('taxon:fresh'));
                delete document.getElementById('later').dataset.asked;
                document.dispatchEvent(new CustomEvent('taxon:fresh'));
                window.drawings[1]('newer');""");
        browser.see("#later", "newer");
        browser.script("window.drawings[0]('older')");
        browser.pause(500);
        assertThat(browser.texts("#later")).containsExactly("newer");
    }

    @Test
    @Order(3)
    void unitsThatAreDrawnSmallAreChosenAndLabelledWhenOneLooksCloser() {
        post("/jobs/1/positions/2", "name", "Dock floor", "length", "30 m", "upstage", "1");
        browser.open(job() + "rig");
        assertThat(browser.count("#above rect[data-k]")).isEqualTo(200);
        assertThat(browser.texts("#above text")).contains("201").doesNotContain("1001");
        browser.pointer().dragOver(unit(9), unit(12), 4);
        // A unit is four pixels wide here, so the area may just hold one more.
        browser.until("no area", () -> browser.url().matches(".*\\?sel=9-1[23]"));
        browser.click("[data-zoom=chosen]");
        browser.see("#above .near text", "1002");
        browser.click("[data-zoom=all]");
        browser.until("still near", () -> browser.count("#above .near") == 0);
        post("/jobs/1/undo");
    }

    @Test
    @Order(4)
    void cellsAreTypedIntoAndASeriesIsCountedOn() {
        browser.open(job() + "rig?filter=heron");
        cell("201", 6);
        browser.press("2.1", Keys.ENTER);
        browser.until("not kept", () -> browser.texts("#grid td").contains("2.001"));
        browser.press(Keys.ARROW_UP);
        for (int i = 0; i < 7; i++) {
            browser.pressWith(Keys.SHIFT, Keys.ARROW_DOWN);
        }
        browser.click("[data-grid=series]");
        browser.see("#proposal h2", "Address counted on");
        browser.see("#proposal td", "2.169");
        browser.press(Keys.ENTER);
        browser.see(".told", "Address counted on.");
        assertThat(browser.url()).contains("filter=heron");
        browser.until("not there", () -> browser.texts("#grid.live td").contains("2.169"));
        cell("203", 4);
        browser.press("none", Keys.TAB);
        browser.see("#grid-told", "The unit cannot be none; it takes a whole number, 1 to 9999.");
        assertThat(browser.value("#cell-editor")).isEqualTo("none");
        browser.press(Keys.ESCAPE);
    }

    @Test
    @Order(5)
    void twoHundredRowsArePasted() {
        browser.open(job() + "rig?sort=-id");
        browser.until("no rows", () -> browser.texts("#grid.live td").contains("1200"));
        assertThat(browser.count("#grid tbody tr"))
                .as("only what is in sight is in the page")
                .isLessThan(80);
        browser.focus("#grid table");
        browser.paste("ID\tNote\n"
                + IntStream.rangeClosed(1001, 1200)
                        .mapToObj(i -> i + "\tlamp " + i)
                        .collect(Collectors.joining("\n")));
        browser.see("#proposal", "200 cells of 200 fixtures");
        browser.press(Keys.ENTER);
        browser.see(".told", "200 rows pasted.");
        browser.until("not there", () -> browser.texts("#grid.live td").contains("lamp 1200"));
        browser.focus("#grid table");
        browser.pressWith(Keys.CONTROL, Keys.END);
        browser.until("not scrolled", () -> browser.texts("#grid td").contains("201"));
    }

    @Test
    @Order(6)
    void theJotLineCompletesShowsAndDoes() {
        browser.open(job() + "rig");
        browser.focus("#grid table");
        browser.open(job() + "addresses");
        browser.pressForJotLine();
        browser.press("add 4 tern");
        browser.see("#jot-told", "Next: in which mode");
        browser.press(Keys.TAB);
        browser.see("#jot-told", "They hang nowhere yet.");
        browser.press(" on Gate tower as 401");
        browser.see("#jot-told", "Enter: 4 × Fernglass Tern added");
        browser.see("#jot-told", "Gate tower is a new position.");
        browser.press(Keys.ENTER);
        browser.see(".told", "4 × Fernglass Tern added.");
        browser.see(".card .id", "4");
        browser.pressForJotLine();
        browser.press("move 401 to");
        browser.see("#jot-told", "Next: to which position");
        browser.press(Keys.ENTER);
        browser.see(".refused", "to which position is missing");
        assertThat(browser.value("#jot")).isEqualTo("move 401 to");
    }

    @Test
    @Order(7)
    void twoBrowsersFollowEachOtherAndNeverOverwriteSilently() {
        try (Browser other = Browser.start()) {
            other.open(job() + "rig?sel=1");
            browser.open(job() + "rig?sel=1");
            other.click(".card summary", "Change this fixture");
            other.type("#f-note", "typed by the other");
            browser.click(".card summary", "Change this fixture");
            browser.type("#f-name", "Bow");
            browser.click(".card .btn", "Keep changes");
            browser.see(".told", "Fixture 201 changed.");
            other.see("#news", "Fixture 201 changed. What you are typing is kept.");
            other.until("the table follows", () -> other.texts("#grid td").contains("Bow"));
            assertThat(other.value("#f-note")).isEqualTo("typed by the other");
            other.click(".card .btn", "Keep changes");
            other.see(".refused", "The job changed since this page was made");
            assertThat(other.value("#f-note")).isEqualTo("typed by the other");
            other.click(".card .btn", "Keep changes");
            other.see(".told", "Fixture 201 changed.");
            browser.until("the first follows", () -> browser.texts("#grid td").contains("typed by the other"));
        }
    }

    private static String version() {
        return String.valueOf(browser.script("return document.querySelector('.frame').dataset.version"));
    }

    @Test
    @Order(8)
    void undoGoesOnAfterARestart() {
        String before = browser.texts("#undo").get(0);
        assertThat(before).contains("Undo: Fixture 201 changed");
        server.close();
        server = TaxonServer.on(data);
        browser.open(job() + "rig?sel=1");
        browser.click("#undo button");
        browser.see(".told", "Undone: Fixture 201 changed.");
        // The second may be called like the first: the page of the next version tells them apart.
        String version = version();
        browser.click("#undo button");
        browser.until("the second is undone", () -> !version().equals(version));
        browser.click("#redo button");
        browser.see(".told", "Done again:");
        browser.open(job() + "sheet");
        browser.see("#work td", "200 rows pasted");
    }
}
