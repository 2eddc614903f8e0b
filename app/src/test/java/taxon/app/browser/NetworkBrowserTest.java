package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import taxon.app.testing.Browser;
import taxon.app.testing.OneJob;
import tools.jackson.databind.JsonNode;

/** The network as someone sets it up by hand: boxes, ways, numbers, addresses, the card. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class NetworkBrowserTest {
    private static OneJob job;
    private static Browser browser;

    @BeforeAll
    static void start() {
        job = OneJob.shared("Network");
        browser = Browser.start();
        browser.open(job.url() + "/network");
    }

    @AfterAll
    static void stop() {
        browser.close();
    }

    private static JsonNode network() {
        return job.get("/network").json();
    }

    private static void add(String kind, String name, String ip) {
        browser.choose("#box-kind", kind);
        browser.type("#box-name", name);
        browser.type("#box-ip", ip);
        browser.click("form[action$='/boxes'] .btn");
        browser.see(".told", name);
    }

    @Test
    @Order(1)
    void aDoubleAddressIsSeenAndEndedByItsRemedy() {
        add("node", "Quay node", "10.0.0.11");
        add("node", "Gate node", "10.0.0.11");
        browser.see(".finding", "Quay node and Gate node have one IP address, 10.0.0.11");
        browser.click(".finding button", "Give Gate node 10.0.0.12/8");
        browser.see("h1", "Network");
        browser.seeNo(".finding", "one IP address");
        assertThat(network().path("boxes").get(1).path("card").path("ip").asString())
                .isEqualTo("10.0.0.12");
    }

    @Test
    @Order(2)
    void aPortIsTurnedRoundOnThePageOfItsBox() {
        browser.click(".drawing a[href$='/boxes/2']");
        browser.see("h1", "Gate node");
        browser.choose("select[name='port-2-direction']", "input");
        browser.choose("#b-shows", "Sub-Net · Universe, in Net 0");
        browser.click("#box .btn");
        browser.see(".told", "Gate node");
        assertThat(network()
                        .path("boxes")
                        .get(1)
                        .path("ports")
                        .get(1)
                        .path("direction")
                        .asString())
                .isEqualTo("in");
        browser.click(".headline a", "Back to the network");
        browser.see(".drawing text", "input");
    }

    @Test
    @Order(3)
    void aUniverseIsSentBothWaysAndToldWhatToType() {
        browser.type("#nu", "20");
        browser.click("form[action$='/universes'] .btn");
        browser.click("#universes a", "Route it");
        browser.see("h1", "Universe 20");
        browser.choose("#w-outlet", "Gate node, port 1");
        browser.click("#ways .fields .btn");
        browser.see("#ways td", "1·4");
        browser.choose("#w-outlet", "Quay node, port 3");
        browser.choose("#w-protocol", "streaming ACN");
        browser.click("#ways .fields .btn");
        browser.see("#ways td", "universe 20, group 239.255.0.20");
        browser.see(".headline .wish", "2 ways");
    }

    @Test
    @Order(4)
    void allAreNumberedAfterALook() {
        browser.open(job.url() + "/network");
        browser.type("#c-first", "0");
        browser.click("#counting .btn", "Number all");
        browser.see("#proposed td", "Port-Address 19 = 0·1·3");
        browser.click("#apply .btn");
        browser.see("#universes td", "Port-Address 19 = 0·1·3");
    }

    @Test
    @Order(5)
    void addressesAreHandedOutAfterALook() {
        browser.type("#ip-range", "192.168.7.0/24");
        browser.click("#addresses .btn", "Hand out addresses");
        browser.see("#proposed td", "192.168.7.11/24");
        browser.see("#proposed td", "lies outside the range");
        browser.click("#apply .btn");
        browser.see(".drawing text", "192.168.7.12/24");
    }

    @Test
    @Order(6)
    void theCardIsChosenAndRemindedOf() {
        browser.click("#cards input[value='127.0.0.1']");
        browser.click("#cards .btn");
        browser.see(".told", "Spoken from 127.0.0.1");
        browser.click(".stages a", "Handover");
        browser.see(".finding", "127.0.0.1. Set the computer back");
    }
}
