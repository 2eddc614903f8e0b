package taxon.app.browser;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.formats.testing.GdtfByHand.channel;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.Keys;
import taxon.app.testing.Browser;
import taxon.app.testing.TaxonServer;
import taxon.formats.testing.GdtfByHand;

/** Finding, reading, comparing, building and changing types as a technician does, on the demo job. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class TypesBrowserTest {
    private static TaxonServer server;
    private static Browser browser;
    private static String types;

    @BeforeAll
    static void start() {
        server = TaxonServer.demo();
        browser = Browser.start();
        types = server.url() + "/jobs/1/types";
    }

    @AfterAll
    static void stop() {
        browser.close();
        server.close();
    }

    @Test
    @Order(1)
    void theSearchFollowsTheTypingAndKeepsItInTheAddress() {
        browser.open(types);
        browser.see("h2", "The shelf");
        browser.see("#used", "short by 2");
        browser.type("#q", "16 ch wash");
        browser.see("#found h2", "1 type found");
        browser.see("#hits", "Fernglass Tern");
        assertThat(browser.value("#q")).isEqualTo("16 ch wash");
        browser.until("q=16", () -> browser.url().contains("q=16"));
        browser.type("#q", "no such thing");
        browser.see("#found h2", "Nothing found");
        browser.see("#used", "Fernglass Tern");
    }

    @Test
    @Order(2)
    void aSheetIsHeldAgainstTheManualAndDoubted() {
        browser.open(types + "/fernglass-heron-380/modes/3");
        browser.see("#sheet h3", "Shutter add-on, 4 slots; listens only after: Shutter module: on");
        browser.see("#sheet .channels tr:nth-child(8)", "strobe, 1 to 20 Hz");
        browser.see("#sheet .channels tr:nth-child(15)", "while gobo is 0–127");
        browser.click("#sheet summary", "This is not what the unit does");
        browser.type("#note", "The shutters listen on slot 25 at once.");
        browser.click("#sheet .btn", "Mark as doubted");
        browser.see("#doubted", "The shutters listen on slot 25 at once.");
        browser.open(server.url() + "/jobs/1/rig?sel=21");
        browser.see(".card .finding", "The shutters listen on slot 25 at once.");
        browser.open(types + "/fernglass-heron-380/modes/3");
        browser.click("#doubted .link", "It is right after all");
        browser.see(".told", "trusted again");
    }

    @Test
    @Order(3)
    void modesAreComparedAndOneIsProposedAppliedAndUndone() {
        browser.open(types + "/fernglass-tern");
        browser.click(".btn", "Compare modes");
        browser.see("#modes .totals", "17");
        browser.see("#modes tr.differs", "pan and tilt speed");
        browser.see("#modes td", "fine pan");
        browser.click("button[aria-label='Propose 20-channel for all']");
        browser.see("#proposal h2", "17 fixtures to Tern, 20-channel");
        browser.see("#styles", "Where they are, whatever runs into what");
        browser.see("#change .finding", "would run into");
        browser.press(Keys.ENTER);
        browser.see(".told", "17 fixtures to Tern, 20-channel");
        browser.see(".tally", "Undo: 17 fixtures to Tern, 20-channel");
        browser.pressWith(Keys.CONTROL, "z");
        browser.see(".told", "Undone: 17 fixtures to Tern, 20-channel");
        browser.open(types);
        browser.see("#used", "16-channel × 17");
    }

    @Test
    @Order(4)
    void someFixturesBecomeAnotherType() {
        browser.open(server.url() + "/jobs/1/rig?sel=27,28");
        browser.click(".card a", "Change type or mode");
        browser.see(".wish", "2 chosen fixtures, now Fernglass Heron 380");
        browser.choose("#to", "Kestrel, 18-channel");
        browser.click(".btn", "Propose it");
        browser.see("#change td", "18 slots, before 28");
        browser.click("button[aria-label='Propose: Where they are, whatever runs into what']");
        browser.see("#styles tr.chosen", "whatever runs into what");
        browser.click("#drop button");
        browser.see(".told", "Dropped; nothing has changed.");
    }

    @Test
    @Order(5)
    void aTypeIsBuiltFromItsManualWithProblemsShownAsOneTypes() {
        browser.open(types + "/build");
        browser.type("#maker", "Oxbow");
        browser.type("#name", "Godwit");
        browser.type("#sheet-text", "Mode: 9-channel\nDimmer fine\nRed");
        browser.see("#preview .finding", "fine is a fine channel, but no");
        browser.click("#keep");
        browser.see("#build .reason", "Line 2");
        assertThat(browser.value("#maker")).isEqualTo("Oxbow");
        browser.type(
                "#sheet-text",
                "Mode: 9-channel\nDimmer\nDimmer fine\nStrobe\n0-15 open\n16-255 strobe [1 to 25]\nCells: 2\nRed\nGreen\nBlue");
        browser.see("#preview", "Can be kept");
        browser.see("#preview .channels", "blue, cell 2");
        browser.see("#preview .channels", "strobe, 1 to 25 Hz");
        browser.click("#keep");
        browser.see(".told", "Oxbow Godwit kept.");
        browser.click(".btn", "Use it in this job");
        browser.see("#type option:checked", "Godwit, 9-channel");
    }

    @Test
    @Order(6)
    void aStandInIsFoundByChannelOrderOrBuiltFromIt() {
        browser.open(types + "/stand-in");
        browser.type("#order", "Dimmer, Dimmer fine, Strobe, R1, G1, B1, R2, G2, B2");
        browser.click(".btn", "Rank the known modes");
        browser.see("#ranked tbody tr:first-child", "Oxbow Godwit");
        browser.see("#ranked tbody tr:first-child", "exact");
        browser.type("#order", "R G B W A UV strobe dimmer");
        browser.click(".btn", "Rank the known modes");
        browser.see("#ranked tbody tr:first-child", "same order, shorter");
        browser.see("#ranked tbody tr:first-child", "Slot 7: the unit has shutter, which the console does not reach.");
        browser.click(".link", "Build a type from this order instead");
        assertThat(browser.value("#sheet-text")).startsWith("Mode: 8-channel\nred\ngreen");
        browser.see("#preview", "Can be kept");
    }

    @Test
    @Order(7)
    void adviceIsAskedForAndBecomesAProposal() {
        browser.open(types + "/advice");
        browser.choose("select[name=aim]", "modes with the fewest slots");
        browser.click("input[value='fernglass-tern~ColorAdd_R~fine']");
        browser.click("#ask .btn");
        browser.see("#advice h2", "It fits");
        browser.see("#advice tr.chosen", "20-channel");
        browser.click("#advice .btn", "Propose these modes");
        browser.see("#proposal h2", "units must be set again");
        browser.click("#drop button");
        browser.see(".told", "Dropped");
    }

    @Test
    @Order(8)
    void aFileIsReadWrittenAndRefused() throws IOException {
        Path folder = Files.createTempDirectory("gdtf");
        Path good = folder.resolve("Pellucid@Wader.gdtf");
        Files.write(
                good,
                new GdtfByHand()
                        .mode("3-channel", channel("1", "Dimmer"), channel("2,3", "Blorp"))
                        .file());
        browser.open(types);
        browser.put("#more input[type=file]", good.toString());
        browser.click("#more .btn", "Read it");
        browser.see(".told", "Pellucid Wader read: 1 mode, 1 note.");
        browser.click("summary", "1 note from reading the file");
        browser.see("li.finding", "Blorp");
        byte[] written = browser.download("a[href$='/gdtf']", "pellucid-wader.gdtf");
        assertThat(written).startsWith('P', 'K');

        Path bad = folder.resolve("bad.gdtf");
        Files.writeString(bad, "no archive at all");
        browser.open(types);
        browser.put("#more input[type=file]", bad.toString());
        browser.click("#more .btn", "Read it");
        browser.see("#more .reason", "bad.gdtf: ");
        assertThat(browser.complaints())
                .filteredOn(c -> !c.contains("status of 422"))
                .isEmpty();
    }
}
