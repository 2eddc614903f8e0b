package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Browser;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Zips;

/** A paper is limited, given out, found untrue by its code, printed anew and taken back. */
class PapersBrowserTest {
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

    private static String code(byte[] pdf) {
        Matcher matcher =
                Pattern.compile("\\b([2-9A-Z]{4} [2-9A-Z]{4} [2-9A-Z])\\b").matcher(Zips.pdfText(pdf));
        assertThat(matcher.find()).isTrue();
        return matcher.group(1);
    }

    private static byte[] printed(String button) {
        browser.click(button);
        browser.see("#file", "Crane rail.pdf");
        return browser.download("#file", "Lantern Pageant, patch by fixture Crane rail.pdf");
    }

    @Test
    void aPaperThatIsNoLongerTrueIsFoundByItsCodeAndReplaced() {
        browser.open(server.url() + "/jobs/1/paperwork");
        browser.choose("#l-position", "Crane rail");
        browser.click("#limit button");
        browser.see("h2", "Patch by fixture: Crane rail");
        byte[] printed = printed("#print");
        browser.open(server.url() + "/jobs/1/paperwork");
        browser.type("#code", code(printed));
        browser.click(".headline form button");
        browser.see("#true", "Still true");
        server.http().edit("/cells", "key", 25, "column", "address", "text", "2.300");
        browser.click(".fields button");
        browser.see("#stale", "No longer true");
        browser.see("table", "2.300");
        byte[] anew = printed("#again");
        assertThat(code(anew)).isNotEqualTo(code(printed));
        browser.open(server.url() + "/jobs/1/printed");
        browser.see("h1 + span", "1 of 2 is no longer true.");
        browser.click("tbody tr:first-child form[action$='/back'] button");
        browser.see("h1 + span", "All of it is still true.");
        assertThat(browser.count("tbody tr")).isEqualTo(1);
    }
}
