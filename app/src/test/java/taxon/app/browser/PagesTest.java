package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.openqa.selenium.Keys;
import taxon.app.testing.Browser;
import taxon.app.testing.CheckedRig;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;

/**
 * Every page of the demo: nothing asked of another host, no complaint, WCAG 2.2 AA by axe-core, by day and by night. It takes
 * longest of all, and begins before those that mostly wait: it has the cores while they do not.
 */
@Order(0)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class PagesTest {
    private static final List<String> PAGES = List.of(
            "/",
            "/jobs/1/rig?sel=25",
            "/jobs/1/rig?sel=25,26",
            "/jobs/1/types",
            "/jobs/1/types?q=wash",
            "/jobs/1/types/fernglass-kestrel/modes/2",
            "/jobs/1/types/brackwater-smew-5/modes/2",
            "/jobs/1/types/fernglass-heron-380/compare?with=fernglass-tern",
            "/jobs/1/types/build?from=pellucid-wren",
            "/jobs/1/types/brackwater-plover/setting",
            "/jobs/1/setting",
            "/jobs/1/types/stand-in?order=R+G+B+W+blorp",
            "/jobs/1/types/advice?universes=4",
            "/jobs/1/changes?sel=25,26",
            "/jobs/1/numbering",
            "/jobs/1/arranging?sel=25,26",
            "/jobs/1/rig?sort=-unit&filter=tern&cols=id,unit,colour",
            "/jobs/1/tree?sel=25,26",
            "/jobs/1/jot-line",
            "/jobs/1/history/1",
            "/jobs/1/paperwork/to-know",
            "/jobs/1/paperwork/lines",
            "/jobs/1/paperwork/settings",
            "/jobs/1/paperwork/rig-plan?paper=a3&scale=100",
            "/jobs/1/paperwork/network",
            "/jobs/1/labels/unit-labels?stock=a4-48",
            "/jobs/1/code?typed=abc",
            "/jobs/1/printed",
            "/jobs/1/addresses",
            "/jobs/1/network",
            "/jobs/1/boxes/1",
            "/jobs/1/network/universes/2",
            "/jobs/1/lines",
            "/jobs/1/lines/1",
            "/jobs/1/wireless",
            "/jobs/1/simulated-rig",
            "/jobs/1/simulated-rig/units",
            "/jobs/1/simulated-rig/practice",
            "/jobs/1/checks/raise?sel=24",
            "/jobs/1/checks/explain?saw=2.033:+nothing",
            "/jobs/1/paperwork/by-universe",
            "/jobs/1/checks?standing=stale",
            "/jobs/1/checks/seen",
            "/jobs/1/checks/seen/sacn-5",
            "/jobs/1/checks/boxes",
            "/jobs/1/checks/writes",
            "/jobs/1/checks/writes/1",
            "/jobs/1/checks/units/7FF0-00000017",
            "/jobs/1/checks/list",
            "/jobs/1/checks/list/25?item=pan",
            "/jobs/1/handover",
            "/jobs/1/compare",
            "/jobs/1/comparisons/1",
            "/jobs/1/comparisons/1/note",
            "/jobs/1/variants",
            "/jobs/1/take-overs/2",
            "/jobs/1/notice",
            "/jobs/1/findings",
            "/jobs/1/sheet",
            "/jobs/99");

    /** Of all kinds of drawings, tables, cards and forms. */
    private static final Set<String> AT_NIGHT = Set.of(
            "/jobs/1/rig?sel=25",
            "/jobs/1/types/fernglass-kestrel/modes/2",
            "/jobs/1/types/fernglass-heron-380/compare?with=fernglass-tern",
            "/jobs/1/types/build?from=pellucid-wren",
            "/jobs/1/addresses",
            "/jobs/1/network",
            "/jobs/1/boxes/1",
            "/jobs/1/network/universes/2",
            "/jobs/1/lines",
            "/jobs/1/wireless",
            "/jobs/1/checks?standing=stale",
            "/jobs/1/checks/seen",
            "/jobs/1/checks/seen/sacn-5",
            "/jobs/1/checks/writes/1",
            "/jobs/1/checks/list/25?item=pan",
            "/jobs/1/comparisons/1",
            "/jobs/1/take-overs/2",
            "/jobs/1/handover",
            "/jobs/1/findings");

    private static TaxonServer server;
    private static Browser browser;

    @BeforeAll
    static void start() {
        server = TaxonServer.demo();
        Http http = server.http();
        http.post("/jobs/1/checks/seen/listen");
        http.post("/jobs/1/checks/boxes/look");
        new CheckedRig(http).read();
        http.post("/jobs/1/checks/writes", "units", "all", "items", "address,label");
        http.post("/jobs/1/compare/rows", "rows", "ID\tType\tUniverse\tSlot\n301\tKestrel\t2\t243\n\tTern\t9\t1\n");
        http.post("/jobs/1/take-overs", "from", "revision", "which", "A");
        http.post("/jobs/1/variants", "name", "shorter");
        browser = Browser.startWithRequests();
    }

    @AfterAll
    static void stop() {
        browser.close();
        server.close();
    }

    @Test
    @Order(1)
    void everyPageIsAccessibleByDayAndReadableByNight() {
        assertThat(PAGES).containsAll(AT_NIGHT);
        PAGES.forEach(p -> check(p, AT_NIGHT.contains(p)));
    }

    @Test
    @Order(2)
    void pagesComeByNightUntilItIsDayAgain() {
        browser.open(server.url() + "/");
        browser.click("button[name=theme]", "Night");
        browser.see("button[name=theme]", "Day");
        browser.open(server.url() + "/jobs/1/findings");
        assertThat(String.valueOf(browser.script("return document.documentElement.className")))
                .isEqualTo("night");
        browser.click("button[name=theme]", "Day");
        browser.see("button[name=theme]", "Night");
    }

    private static void check(String page, boolean byNight) {
        browser.open(server.url() + page);
        browser.until("still loading", () -> browser.count("#grid:not(.live), .drawing.later, .htmx-request") == 0);
        assertThat(byNight ? browser.faultsByDayAndNight() : browser.accessibilityFaults())
                .as(page)
                .isEmpty();
        assertThat(browser.requests())
                .as(page)
                .allMatch(u -> u.startsWith(server.url()) || u.startsWith("data:") || u.startsWith("chrome"));
        assertThat(browser.complaints())
                .as(page)
                .filteredOn(c -> !c.contains("status of 404") && !isStreamThatEnded(c))
                .isEmpty();
    }

    /** So that no fault among the pages means something. */
    @Test
    @Order(6)
    void aFaultWouldBeSeen() {
        browser.open(server.url() + "/");
        browser.script("""
                const main = document.querySelector('main');
                main.append(document.createElement('img'));
                for (let line = 0; line < 30; line++) {
                    const text = document.createElement('p');
                    text.textContent = line === 20 ? 'Hardly to be read' : 'One of many';
                    text.style.color = line === 20 ? '#cccccc' : '#000000';
                    text.style.backgroundColor = '#ffffff';
                    main.append(text);
                }
                const dark = document.createElement('p');
                dark.textContent = 'Dark on what is behind it';
                dark.style.color = '#303030';
                main.append(dark);""");
        assertThat(browser.faultsByDayAndNight())
                .hasSize(3)
                .anyMatch(f -> f.startsWith("image-alt: [<img"))
                .anyMatch(f -> f.startsWith("color-contrast: [<p") && !f.contains("Dark on"))
                .anyMatch(f -> f.startsWith("by night color-contrast: [<p") && f.contains("Dark on"));
    }

    /** A stream that ends is asked for again by the page itself; that it is, CutOffBrowserTest sees. */
    private static boolean isStreamThatEnded(String complaint) {
        return complaint.contains("/follow") && complaint.contains("INCOMPLETE_CHUNKED");
    }

    @ParameterizedTest
    @Order(3)
    @ValueSource(
            strings = {
                "/jobs/1/rig",
                "/jobs/1/checks",
                "/jobs/1/checks/seen",
                "/jobs/1/checks/boxes",
                "/jobs/1/checks/writes/1",
                "/jobs/1/checks/units/7FF0-00000017",
                "/jobs/1/checks/list",
                "/jobs/1/checks/list/25?item=pan",
                "/jobs/1/checks/seen/sacn-5",
                "/jobs/1/handover",
                "/jobs/1/rig?sel=25",
                "/jobs/1/types",
                "/jobs/1/types/fernglass-heron-380/modes/3",
                "/jobs/1/types/build",
                "/jobs/1/setting?one=25",
                "/jobs/1/labels/cable-labels"
            })
    void onAPhoneNothingRunsOutOfThePage(String page) {
        browser.size(390, 844);
        browser.open(server.url() + page);
        assertThat((Long) browser.script("return document.documentElement.scrollWidth"))
                .isLessThanOrEqualTo(390);
        browser.size(1280, 800);
    }

    @Test
    @Order(4)
    void theKeyboardFindsChoosesAndUndoes() {
        browser.open(server.url() + "/jobs/1/addresses");
        browser.pressForJotLine();
        browser.press("2.73", Keys.ENTER);
        browser.see("#card-id", "203");
        browser.press("nothing like it", Keys.ENTER);
        browser.see(".refused", "Nothing is called “nothing like it”");
        assertThat(browser.value("#jot")).isEqualTo("nothing like it");
    }

    @Test
    @Order(4)
    void aFormThatIsRefusedOutrightLeavesThePageWithWhatWasTyped() {
        browser.open(server.url() + "/jobs/1/sheet");
        browser.type("#venue", "Half typed");
        browser.forgetCookies();
        browser.click("main form button.btn");
        browser.see("#failed", "its token is old");
        assertThat(browser.value("#venue")).isEqualTo("Half typed");
        assertThat(browser.texts("h1")).isNotEmpty();
        browser.open(server.url() + "/jobs/1/sheet");
    }

    @Test
    @Order(5)
    void ofTwoBrowsersEditingOneFixtureTheLaterIsToldAndKeepsItsInput() {
        try (Browser other = Browser.start()) {
            for (Browser each : List.of(browser, other)) {
                each.open(server.url() + "/jobs/1/addresses?sel=30");
                each.see("#card-id", "302");
            }
            other.type("#address-1", "2.450");
            browser.type("#address-1", "2.400");
            browser.click("button[title^='An empty field']");
            browser.see(".told", "302 to 2.400");
            other.see("#news", "302 to 2.400. What you are typing is kept.");
            other.click("button[title^='An empty field']");
            other.see(".refused", "The job changed since this page was made: “302 to 2.400” (at this machine).");
            assertThat(other.value("#address-1")).isEqualTo("2.450");
            other.click("button[title^='An empty field']");
            other.see(".told", "302 to 2.450");
        }
    }
}
