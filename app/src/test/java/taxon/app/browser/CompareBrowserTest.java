package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Browser;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;

/** A plan held against a list, tried otherwise and handed over, as somebody does it. Each test has a job of its own. */
class CompareBrowserTest {
    private static Http http;
    private static Browser browser;

    @BeforeAll
    static void start() {
        http = TaxonServer.shared().http();
        browser = Browser.start();
    }

    @AfterAll
    static void stop() {
        browser.close();
    }

    private static String job(String name) {
        String job = http.jobOfTerns(name, 4);
        for (int i = 1; i <= 4; i++) {
            http.editOf(job, "/fixtures/" + i + "/address", "block", 1, "address", "2." + (1 + (i - 1) * 16));
        }
        return job;
    }

    private static void open(String job, String page) {
        browser.open(TaxonServer.shared().url() + job + page);
    }

    private static void paste(String job, String rows) {
        open(job, "/compare");
        browser.script("document.getElementById('compare-rows').value = arguments[0]", rows);
        browser.click("#rows button");
    }

    /** No header is known: what the columns hold is told and kept; then the pattern is taken over, and the rest is a note. */
    @Test
    void aListOfUnknownColumnsIsToldAndItsPatternIsTaken() {
        String job = job("Held");
        paste(job, "Aaa\tBbb\tCcc\n101\t7\t1\n102\t7\t17\n103\t7\t33\n104\t7\t90\n");
        browser.see("#came", "What its columns hold is not known");
        for (String[] column : new String[][] {{"0", "first-id"}, {"1", "universe"}, {"2", "slot"}}) {
            browser.script(
                    "document.querySelector('[name=\"column-' + arguments[0] + '\"]').value = arguments[1]",
                    column[0],
                    column[1]);
        }
        browser.type("#keepAs", "Show file");
        browser.click("#mapping button.btn");
        browser.see("#patterns", "Universes are 5 higher there, in 4 rows");
        browser.see("#tapes", "Universe 7");
        browser.click("#patterns button");
        browser.see("#proposal", "4 things taken over");
        browser.click("#apply button");
        browser.see("#came", "4 taken for the same");
        browser.until(
                "the pattern is still there",
                () -> browser.count("#patterns") == 0 || browser.count("#patterns tr") == 0);
        assertThat(http.get(job).text()).contains("\"universe\" : 7");
    }

    @Test
    void whatTheOtherSideHasToChangeIsWrittenDown() {
        String job = job("Noted");
        paste(job, "ID\tUniverse\tSlot\n101\t2\t1\n102\t2\t100\n103\t2\t33\n104\t2\t49\n");
        browser.see("#rows", "2.100");
        browser.click("#to-note");
        browser.see("#note", "2.017");
        assertThat(browser.count("#note tbody tr")).isEqualTo(1);
    }

    @Test
    void aVariantIsTriedAndTakenOverInParts() {
        String job = job("Tried");
        open(job, "/variants");
        browser.type("#variant-name", "on five");
        browser.click("#try button");
        browser.see(".job", "Tried: on five");
        String variant = "/jobs/"
                + http.get(job + "/variants")
                        .json()
                        .path("variants")
                        .get(0)
                        .path("job")
                        .asInt();
        http.editOf(variant, "/fixtures/1/address", "block", 1, "address", "5.1");
        http.editOf(variant, "/fixtures/2/address", "block", 1, "address", "5.17");
        open(job, "/variants");
        browser.see("#variants", "2 parts");
        browser.click("#variants form[action$='/take-overs'] button");
        browser.see("#parts", "5.017");
        browser.click("#parts input[value='FIXTURE 1']");
        browser.click("#take-parts");
        browser.see("#proposal", "1 part taken over, 1 left");
        browser.click("#apply button");
        browser.see("#variants", "Tried: on five");
        String document = http.get(job).json().path("document").path("fixtures").toString();
        assertThat(document).contains("\"universe\":5,\"slot\":17").doesNotContain("\"universe\":5,\"slot\":1}");
    }

    @Test
    void aJobIsSignedOffOnceWhatStandsInTheWayIsTakenOverByName() {
        String job = job("Signed");
        http.editOf(job, "/fixtures/4/address", "block", 1, "address", "2.33");
        open(job, "/handover");
        browser.see("#verdict", "It cannot be handed over yet");
        browser.type("#sign-by", "Kim");
        browser.click("#sign button");
        browser.see("#ready", "in the way; close each, or take it over with a reason.");
        browser.type("#take-reason", "as agreed with the director");
        browser.type("#take-by", "Kim");
        browser.click("#take-all");
        browser.see("#verdict", "It can be handed over.");
        browser.see("#taken", "as agreed with the director");
        browser.type("#sign-by", "Kim");
        browser.click("#sign button");
        browser.see(".signed", "Signed off for the crew by Kim");
    }

    @Test
    void aChangeIsToldToThoseWhomItConcerns() {
        String job = job("Changed");
        assertThat(http.post(job + "/revisions", "version", http.version(job), "note", "first")
                        .status())
                .isEqualTo(200);
        http.editOf(job, "/fixtures/2/address", "block", 1, "address", "3.1");
        open(job, "/notice");
        browser.see("#heading", "1 unit has to be touched");
        browser.see("#notice", "3.001");
        open(job, "/notice?for=programmer");
        browser.see("#heading", "To patch: 1 moved");
    }
}
