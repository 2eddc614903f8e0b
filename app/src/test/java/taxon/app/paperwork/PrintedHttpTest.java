package taxon.app.paperwork;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Zips;
import taxon.core.paper.PaperCode;
import tools.jackson.databind.JsonNode;

/** A paper that went out, and whether it is still true. */
class PrintedHttpTest {
    private static final Pattern CODE = Pattern.compile("([2-9A-HJ-NP-Z]{4}) ([2-9A-HJ-NP-Z]{4}) ([2-9A-HJ-NP-Z])\\b");
    private static Http http;
    private String job = "";

    @BeforeAll
    static void start() {
        http = TaxonServer.shared().http();
    }

    @BeforeEach
    void newJob() {
        job = http.job("Lantern Pageant");
        edit("/fixtures", "count", 3, "type", "fernglass-tern/16-channel", "position", "Quay", "firstId", 101);
        edit("/cells", "key", 1, "column", "address", "text", "1.001");
    }

    private void edit(String path, Object... fields) {
        Object[] all = new Object[fields.length + 2];
        all[0] = "version";
        all[1] = http.version(job);
        System.arraycopy(fields, 0, all, 2, fields.length);
        Answer answer = http.post(job + path, all);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    private byte[] print(String paper) {
        return http.printed(job + "/paperwork/" + paper.replaceFirst("\\.pdf", "/prints"));
    }

    private static String codeOn(byte[] pdf) {
        Matcher matcher = CODE.matcher(Zips.pdfText(pdf));
        assertThat(matcher.find()).isTrue();
        return matcher.group(1) + matcher.group(2) + matcher.group(3);
    }

    private JsonNode look(String typed) {
        return http.get(job + "/code?typed=" + typed).json();
    }

    @Test
    void aPaperIsTrueUntilItsContentChangesAndAgainWhenThatIsUndone() {
        String code = codeOn(print("by-fixture.pdf"));
        assertThat(look(code).path("stillTrue").asBoolean()).isTrue();
        assertThat(http.page(job + "/code?typed=" + code.toLowerCase(java.util.Locale.ROOT))
                        .text())
                .contains("Still true, word for word.");
        edit("/cells", "key", 1, "column", "address", "text", "1.100");
        JsonNode stale = look(code);
        assertThat(stale.path("stillTrue").asBoolean()).isFalse();
        assertThat(stale.path("rows")).hasSize(1);
        assertThat(stale.path("rows").get(0).path("fields").toString())
                .isEqualTo("[{\"field\":\"Address\",\"before\":\"1.001\",\"now\":\"1.100\"}]");
        assertThat(http.page(job + "/code?typed=" + code).text())
                .contains("No longer true.", "1.001", "1.100", "Print the new one")
                .doesNotContain("Still true");
        edit("/undo");
        assertThat(look(code).path("stillTrue").asBoolean()).isTrue();
    }

    @Test
    void whatAPaperDoesNotShowLeavesItTrue() {
        String groups = codeOn(print("boxes.pdf"));
        String types = codeOn(print("counts.pdf"));
        edit("/cells", "key", 1, "column", "address", "text", "3.001");
        assertThat(look(groups).path("stillTrue").asBoolean()).isTrue();
        assertThat(look(types).path("stillTrue").asBoolean()).isTrue();
    }

    @Test
    void aNewNameOfTheJobMakesItsPapersUntrue() {
        String code = codeOn(print("counts.pdf"));
        edit("/sheet", "name", "Harbour evening");
        assertThat(look(code).path("headings").toString()).contains("Lantern Pageant", "Harbour evening");
    }

    @Test
    void whatIsOutIsListedOnceAndIsTakenBackByATick() {
        byte[] first = print("by-fixture.pdf");
        assertThat(print("by-fixture.pdf")).isEqualTo(first);
        print("by-position.pdf?position=1");
        JsonNode out = http.get(job + "/printed").json().path("out");
        assertThat(out).hasSize(2);
        assertThat(out.toString()).contains("by-position?position=1", "\"stillTrue\":true");
        edit("/cells", "key", 1, "column", "address", "text", "1.100");
        assertThat(http.page(job + "/printed").text())
                .contains("2 of 2 are no longer true.", "1 thing differs", "by-position/prints?position=1");
        int print = out.get(0).path("print").asInt();
        assertThat(http.post(job + "/printed/" + print + "/back").status()).isEqualTo(200);
        assertThat(http.get(job + "/printed").json().path("out")).hasSize(1);
        assertThat(http.post(job + "/printed/" + print + "/back").status()).isEqualTo(409);
    }

    @Test
    void aLimitedPaperIsComparedWithTheSameLimits() {
        String code = codeOn(print("by-fixture.pdf?only=chosen&sel=1"));
        edit("/cells", "key", 2, "column", "address", "text", "5.001");
        assertThat(look(code).path("stillTrue").asBoolean()).isTrue();
        edit("/cells", "key", 1, "column", "address", "text", "5.100");
        assertThat(look(code).path("stillTrue").asBoolean()).isFalse();
    }

    @Test
    void aCodeLeadsToTheJobOfItsPaper() {
        String code = codeOn(print("by-fixture.pdf"));
        String own = job;
        newJob();
        for (String address : List.of("/code/" + code, job + "/code?typed=" + code)) {
            Answer answer = http.page(address);
            assertThat(answer.status()).isEqualTo(302);
            assertThat(answer.response().headers().firstValue("Location").orElse(""))
                    .endsWith(own + "/code?typed=" + code);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "204",
                "K7F4Q2M9",
                "OOOOOOOOO",
                "%3Cb%3E",
                "xxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxx"
            })
    void whatIsNoCodeIsASentence(String typed) {
        Answer answer = http.get(job + "/code?typed=" + typed);
        assertThat(answer.status()).isEqualTo(404);
        assertThat(answer.reasons()).contains("is no code");
        assertThat(http.page(job + "/code?typed=" + typed).text())
                .contains("is no code")
                .doesNotContain("“<b>”");
        assertThat(http.get("/code/" + typed).status()).isEqualTo(404);
    }

    @Test
    void aCodeThatNoPaperHasIsSaidToBeUnknown() {
        PaperCode unknown = PaperCode.of(99, "nothing", "at all", 0);
        assertThat(http.get(job + "/code?typed=" + unknown.letters()).reasons())
                .contains("No paper of this store has the code " + unknown);
        assertThat(http.get("/code/" + unknown.letters()).status()).isEqualTo(404);
    }

    /** ISO/IEC 18004 read back from the page as drawn at 200 dots an inch, as a phone would see it. */
    @Test
    void theSquareOnEveryPageReadsAsTheLettersBesideIt() throws IOException, ReaderException {
        byte[] pdf = print("by-fixture.pdf");
        String code = codeOn(pdf);
        try (PDDocument document = Loader.loadPDF(pdf)) {
            for (int page = 0; page < document.getNumberOfPages(); page++) {
                BufferedImage image = new PDFRenderer(document).renderImageWithDPI(page, 200);
                int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
                BinaryBitmap bitmap = new BinaryBitmap(
                        new HybridBinarizer(new RGBLuminanceSource(image.getWidth(), image.getHeight(), pixels)));
                assertThat(new QRCodeReader().decode(bitmap).getText()).isEqualTo(code);
            }
        }
    }
}
