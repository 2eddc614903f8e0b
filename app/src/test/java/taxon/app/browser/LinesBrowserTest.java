package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.Keys;
import taxon.app.testing.Browser;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;

/** The drawing of the network worked on directly: universes to other ports, units to other places, with pointer and keys. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class LinesBrowserTest {
    private static TaxonServer server;
    private static Browser browser;

    @BeforeAll
    static void start() {
        server = TaxonServer.demo();
        browser = Browser.start();
        browser.open(server.url() + "/jobs/1/network");
    }

    @AfterAll
    static void stop() {
        browser.close();
        server.close();
    }

    private static String universeAt(String outlet) {
        return server.http()
                .get("/jobs/1/network")
                .json()
                .path("universes")
                .valueStream()
                .filter(u -> u.path("ways").path(0).path("outlet").asString("").equals(outlet))
                .map(u -> u.path("number").asString())
                .findFirst()
                .orElse("none");
    }

    private static List<String> stops(int line) {
        return server.http()
                .get("/jobs/1/lines/" + line)
                .json()
                .path("stops")
                .valueStream()
                .map(s -> s.path("what").asString().split(" ")[0])
                .toList();
    }

    @Test
    @Order(1)
    void aUniverseIsDraggedToASparePort() {
        browser.pointer().dragTo("[data-universe='6']", "[data-outlet='2/3'] rect");
        browser.see("#network-told", "Universe 6 leaves by port 2/3 now");
        assertThat(universeAt("2/3")).isEqualTo("6");
        browser.click("form[action$='/undo'] button");
        browser.see("[data-outlet='2/2'] .net-number", "6");
    }

    @Test
    @Order(2)
    void aUnitIsDraggedAlongItsLine() {
        assertThat(stops(2)).startsWith("201", "202", "203");
        browser.pointer().dragTo("[data-line='2'] [data-place='1']", "[data-line='2'] [data-place='3']");
        browser.see("#network-told", "is plugged into line 2");
        assertThat(stops(2)).startsWith("202", "203", "201");
    }

    @Test
    @Order(3)
    void theSameWithTheKeyboard() {
        browser.focus("[data-universe='7']");
        browser.press(Keys.SPACE);
        browser.see("#network-told", "picked up");
        browser.press(Keys.ARROW_UP);
        browser.see("#network-told", "To port 5/1?");
        browser.press(Keys.ENTER);
        browser.see("#network-told", "Universe 7 leaves by port 5/1 now");
        assertThat(universeAt("5/1")).isEqualTo("7");
    }

    @Test
    @Order(4)
    void linesAreDrawnFromTheFindingOfAUnitThatNoneReaches() {
        browser.click(".finding a", "Draw the lines");
        browser.see("h1", "Lines and cable");
        browser.click("#line-plan .btn");
        browser.see("h1", "Lines and their cable");
        browser.see(".moves", "305");
        browser.click("#proposal form[action$='/apply'] button");
        browser.see("h1", "Lines and cable");
        browser.seeNo(".finding", "Universe 2: no line reaches 305");
        assertThat(stops(2)).contains("305");
    }

    @Test
    @Order(5)
    void theChosenFixtureLightsItsWay() {
        browser.open(server.url() + "/jobs/1/network?sel=30");
        browser.see("#ways li", "Desk → Art-Net 0·0·2 → Quay node port 2 → line B");
        assertThat(browser.count(".net-row.onway")).isEqualTo(1);
        assertThat(browser.count(".net-cable.onway")).isEqualTo(2);
        assertThat(browser.complaints()).isEmpty();
        assertThat(browser.accessibilityFaults()).isEmpty();
    }

    @Test
    @Order(9)
    void aUnitIsDraggedToAnotherLineOfItsUniverse() {
        Http http = server.http();
        http.edit("/universes/2/ways", "protocol", "sacn", "outlet", "2/4");
        int line = http.get("/jobs/1/lines").json().path("lines").size() + 1;
        http.edit("/lines", "name", "B2", "outlet", "2/4");
        String first = stops(2).get(0);
        browser.open(server.url() + "/jobs/1/network");
        browser.pointer().dragTo("[data-line='2'] [data-place='1']", "[data-outlet='2/4'] rect");
        browser.see("#network-told", "is plugged into line " + line);
        assertThat(stops(line)).containsExactly(first);
        assertThat(stops(2)).doesNotContain(first);
    }
}
