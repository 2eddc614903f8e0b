package taxon.app.labels;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Zips;
import taxon.core.paper.PaperCode;
import tools.jackson.databind.JsonNode;

/** Labels as they come out of the printer, and whether they are still true. */
class LabelsHttpTest {
    private static final double POINTS_PER_MM = 72 / 25.4;
    private static final Pattern CODE = Pattern.compile("[2-9A-HJ-NP-Z]{4} [2-9A-HJ-NP-Z]{4} [2-9A-HJ-NP-Z]\\b");

    private static Http http;
    private String job = "";

    @BeforeAll
    static void start() {
        http = TaxonServer.shared().http();
    }

    @BeforeEach
    void newJob() {
        job = http.job("Lantern Pageant");
        edit("/fixtures", "count", 12, "type", "fernglass-tern/16-channel", "position", "Quay", "firstId", 101);
        edit("/cells", "key", 1, "column", "address", "text", "1.001");
    }

    private void edit(String path, Object... fields) {
        List<Object> all = new ArrayList<>(List.of("version", http.version(job)));
        all.addAll(List.of(fields));
        Answer answer = http.post(job + path, all.toArray());
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    private byte[] labels(Object... fields) {
        return http.printed(job + "/labels/unit-labels/prints", fields);
    }

    private static List<String> codes(byte[] pdf) {
        return CODE.matcher(Zips.pdfText(pdf))
                .results()
                .map(MatchResult::group)
                .map(c -> c.replace(" ", ""))
                .toList();
    }

    private JsonNode out() {
        return http.get(job + "/printed").json().path("out");
    }

    private List<String> untrue() {
        List<String> titles = new ArrayList<>();
        out().forEach(o -> {
            if (!o.path("stillTrue").asBoolean()) {
                titles.add(o.path("title").asString());
            }
        });
        return titles;
    }

    @Test
    void everyUnitHasALabelWithItsOwnCodeAndWhatItSays() {
        byte[] pdf = labels();
        assertThat(Zips.pdfText(pdf)).contains("101", "112", "1.001", "Tern, 16-channel", "Quay, unit 12");
        assertThat(codes(pdf)).hasSize(12).doesNotHaveDuplicates();
        assertThat(codes(pdf)).allMatch(c -> PaperCode.read(c).isPresent());
        assertThat(http.get(job + "/code?typed=" + codes(pdf).get(0))
                        .json()
                        .path("title")
                        .asString())
                .isEqualTo("Unit labels: 101");
    }

    /** ISO/IEC 18004: the square of each label as drawn at 300 dots an inch, read by a library. */
    @ParameterizedTest
    @CsvSource({"a4-48, 45.7, 21.2, 9.69, 21.3", "a4-24, 70, 37, 0, 0.5"})
    void theSquaresDecodeToTheLettersBesideThem(String stock, double width, double height, double left, double top)
            throws IOException, ReaderException {
        byte[] pdf = labels("pieces", "1,2,3", "stock", stock);
        double gap = (210 - 2 * left - (stock.equals("a4-48") ? 4 : 3) * width) / (stock.equals("a4-48") ? 3 : 2);
        List<String> read = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            BufferedImage sheet = new PDFRenderer(document).renderImageWithDPI(0, 300);
            for (int i = 0; i < 3; i++) {
                BufferedImage label =
                        sheet.getSubimage(pixels(left + i * (width + gap)), pixels(top), pixels(width), pixels(height));
                read.add(decoded(label));
            }
        }
        assertThat(read).containsExactlyInAnyOrderElementsOf(codes(pdf));
    }

    private static int pixels(double millimetres) {
        return (int) (millimetres * 300 / 25.4);
    }

    private static String decoded(BufferedImage image) throws ReaderException {
        int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        return new QRCodeReader()
                .decode(new BinaryBitmap(
                        new HybridBinarizer(new RGBLuminanceSource(image.getWidth(), image.getHeight(), pixels))))
                .getText();
    }

    /** Where each label's ID begins, in points from the top left: the stock's measures, row by row from the first free one. */
    @Test
    void labelsLieWhereTheStockHasThem() throws IOException {
        Map<String, double[]> places = places(labels("start", 3, "shiftX", "1.5", "shiftY", "-1"));
        double pitch = 66.04 * POINTS_PER_MM;
        // 63.5 × 38.1 mm, 21 on A4: the third is at the end of the first row, the fourth begins the second.
        double left = (210 - 3 * 63.5 - 2 * 2.54) / 2 * POINTS_PER_MM;
        double first = left + (3 + 3 + 1.5) * POINTS_PER_MM;
        assertThat(places.get("101")[0]).isCloseTo(first + 2 * pitch, within(2.0));
        assertThat(places.get("102")[0]).isCloseTo(first, within(2.0));
        assertThat(places.get("102")[1] - places.get("101")[1]).isCloseTo(38.1 * POINTS_PER_MM, within(0.1));
    }

    private static Map<String, double[]> places(byte[] pdf) throws IOException {
        Map<String, double[]> places = new TreeMap<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            new PDFTextStripper() {
                @Override
                protected void writeString(String text, List<TextPosition> positions) {
                    places.put(text.strip(), new double[] {
                        positions.get(0).getXDirAdj(), positions.get(0).getYDirAdj()
                    });
                }
            }.getText(document);
        }
        return places;
    }

    @Test
    void aSheetIsAsLargeAsItsStockAndItsFontsAreInIt() throws IOException {
        try (PDDocument document = Loader.loadPDF(labels("stock", "roll-100"))) {
            assertThat(document.getNumberOfPages()).isEqualTo(12);
            PDPage page = document.getPage(0);
            assertThat((double) page.getMediaBox().getWidth()).isCloseTo(100 * POINTS_PER_MM, within(0.01));
            assertThat((double) page.getMediaBox().getHeight()).isCloseTo(50 * POINTS_PER_MM, within(0.01));
            for (COSName font : page.getResources().getFontNames()) {
                assertThat(page.getResources().getFont(font).isEmbedded()).isTrue();
            }
        }
    }

    @Test
    void copiesComeOneAfterTheOther() {
        byte[] pdf = labels("pieces", "2", "copies", 3);
        assertThat(codes(pdf)).hasSize(3);
        assertThat(codes(pdf).stream().distinct()).hasSize(1);
        assertThat(out()).hasSize(1);
    }

    @Test
    void exactlyTheLabelsWhoseWordsChangedAreNoLongerTrueAndAreReplaced() {
        labels();
        assertThat(untrue()).isEmpty();
        edit("/cells", "key", 3, "column", "address", "text", "2.001");
        edit("/cells", "key", 5, "column", "name", "text", "front left");
        edit("/cells", "key", 6, "column", "note", "text", "is on no label");
        assertThat(untrue()).containsExactlyInAnyOrder("Unit labels: 103", "Unit labels: 105");
        String page = http.page(job + "/printed").text();
        assertThat(page).contains("12 out, 2 no longer true", "Print the 2 new ones", "pieces=");
        assertThat(http.page(job + "/printed/tally").text()).contains("2").contains("papers no longer true");
        assertThat(http.page(job + "/printed/of/3").text()).contains("1 thing differs");
        labels("pieces", "3,5");
        assertThat(out()).hasSize(14);
        String old = Stream.of(out())
                .flatMap(o -> o.valueStream())
                .filter(o -> !o.path("stillTrue").asBoolean())
                .map(o -> o.path("print").asString())
                .collect(Collectors.joining(","));
        assertThat(http.post(job + "/printed/back", "keys", old).status()).isEqualTo(200);
        assertThat(out()).hasSize(12);
        assertThat(untrue()).isEmpty();
        assertThat(http.post(job + "/printed/back", "keys", old).status()).isEqualTo(409);
        edit("/undo");
        assertThat(untrue()).isEmpty();
    }

    @Test
    void aMoveAndItsUndoLeaveNothingUntrue() {
        labels();
        edit("/cells", "key", 3, "column", "address", "text", "2.001");
        edit("/undo");
        assertThat(untrue()).isEmpty();
        assertThat(http.page(job + "/printed/tally").text()).doesNotContain("no longer true");
    }

    @Test
    void aLabelOfAUnitThatIsGoneIsUntrueAndSaysSo() {
        labels();
        edit("/fixtures/remove", "keys", "4");
        assertThat(untrue()).containsExactly("Unit labels: 104");
    }

    @Test
    void cardsAreRememberedOneByOneToo() {
        byte[] pdf = http.printed(job + "/paperwork/cards/prints");
        assertThat(codes(pdf)).hasSize(12).doesNotHaveDuplicates();
        assertThat(Zips.pdfText(pdf)).contains("101", "Control > Mode 2", "showed before");
        edit("/cells", "key", 7, "column", "menu", "text", "fan = quiet");
        assertThat(untrue()).containsExactly("Settings cards: 107");
        byte[] anew = http.printed(job + "/paperwork/cards/prints?only=chosen&sel=7");
        assertThat(Zips.pdfText(anew)).contains("107", "quiet").doesNotContain("106");
    }

    @Test
    void whatHasNoRoomIsToldBeforeItIsPrinted() {
        edit("/cells", "key", 2, "column", "name", "text", "x".repeat(80));
        JsonNode told = http.get(job + "/labels/unit-labels").json().path("doNotFit");
        assertThat(told).hasSize(1);
        assertThat(told.get(0).path("label").asString()).isEqualTo("102");
        assertThat(told.get(0).path("why").asString()).startsWith("Name needs");
        assertThat(http.page(job + "/labels/unit-labels").text()).contains("1 of 12 has no room for all");
        assertThat(Zips.pdfText(labels())).doesNotContain("xxx");
    }

    @Test
    void lettersThatTheFontLacksAreToldAndNothingBreaks() {
        edit("/cells", "key", 2, "column", "name", "text", "الرصيف 🎭");
        assertThat(http.get(job + "/labels/unit-labels")
                        .json()
                        .path("doNotFit")
                        .get(0)
                        .path("why")
                        .asString())
                .startsWith("the font lacks");
        assertThat(codes(labels())).hasSize(12);
    }

    @Test
    void onALabelOfAMillimetreNothingFitsAndThatIsSaid() {
        JsonNode told = http.get(job + "/labels/unit-labels?stock=own&width=1&height=1")
                .json()
                .path("doNotFit");
        assertThat(told).hasSize(12);
        assertThat(told.get(0).path("why").asString()).startsWith("everything needs 6 mm");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "stock=none | No stock is called",
                "stock=own&width=300&height=20&sheet=a4 | and the sheet has 210 × 297 mm",
                "stock=own&width=0&height=20 | is no width of a label",
                "stock=own&width=NaN&height=20 | is no width of a label",
                "stock=own&width=20&height=20&sheet=b5 | is no sheet",
                "start=22 | it takes 1 to 21",
                "start=x | is no first free label",
                "copies=0 | it takes 1 to 20",
                "shiftX=9 | it takes -5 to 5 mm",
            })
    void whatCannotBeIsASentenceAndNothingIsPrinted(String query, String sentence) {
        assertThat(http.get(job + "/labels/unit-labels?" + query)
                        .json()
                        .path("faults")
                        .toString())
                .contains(sentence);
        assertThat(http.page(job + "/labels/unit-labels?" + query).text()).contains(sentence.replace("'", "&#39;"));
        Answer answer = http.post(job + "/labels/unit-labels/prints?" + query);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains(sentence);
        assertThat(out()).isEmpty();
    }

    @Test
    void noLabelAtAllIsASentence() {
        String empty = http.job("Nothing");
        for (String kind : List.of("unit-labels", "cable-labels", "box-labels", "case-labels")) {
            assertThat(http.page(empty + "/labels/" + kind).status()).isEqualTo(200);
            Answer answer = http.post(empty + "/labels/" + kind + "/prints");
            assertThat(answer.status()).isEqualTo(422);
            assertThat(answer.reasons()).contains("no label to print");
        }
        assertThat(http.page(empty + "/labels/by-fixture").status()).isEqualTo(404);
    }

    @Test
    void theOutlinesOfAStockAreAPageOfItsSize() throws IOException {
        try (PDDocument document = Loader.loadPDF(http.get(job + "/labels/unit-labels/calibration.pdf?stock=letter-30")
                .bytes())) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            assertThat(document.getPage(0).getMediaBox().getWidth()).isCloseTo(612f, within(0.1f));
        }
        assertThat(out()).isEmpty();
    }

    @Test
    void casesHoldAsManyAsTheTypeSays() {
        String text = Zips.pdfText(http.printed(job + "/labels/case-labels/prints"));
        assertThat(text).contains("case 1 of 3", "4 units: 101–104");
    }

    @Test
    void aPrintThatIsNoneIsNotThere() {
        assertThat(http.get(job + "/prints/9999").status()).isEqualTo(404);
        assertThat(http.get(job + "/prints/9999/file").status()).isEqualTo(404);
        assertThat(http.post(job + "/prints/9999/stop").status()).isEqualTo(404);
    }

    @Test
    void whatIsDrawnAlreadyCannotBeStopped() {
        String print = http.post(job + "/labels/unit-labels/prints")
                .json()
                .path("next")
                .asString();
        assertThat(http.get(print).json().path("title").asString()).isEqualTo("Unit labels, 12");
        labels();
        assertThat(http.post(print + "/stop").status()).isEqualTo(409);
    }
}
