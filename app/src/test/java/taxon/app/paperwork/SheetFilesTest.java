package taxon.app.paperwork;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Zips;
import taxon.core.paper.Cell;
import taxon.core.paper.Column;
import taxon.core.paper.Paper;
import taxon.core.paper.Paper.Listing;
import taxon.core.paper.Paper.Part;
import taxon.core.paper.PaperCode;
import taxon.core.paper.PaperKind;

/** Papers so long that they are drawn in parts: nobody sees where they were joined. */
class SheetFilesTest {
    private static final int ROWS = 5_100;
    private static final PaperCode CODE = PaperCode.of(1, "by-fixture", "", 0);
    private static TaxonServer server;

    @BeforeAll
    static void start() {
        server = TaxonServer.shared();
    }

    private static Sheet sheet(int rows) {
        List<List<Cell>> all = IntStream.range(0, rows)
                .mapToObj(i -> List.of(Cell.of("r" + i), Cell.of("Heron")))
                .toList();
        Paper paper = new Paper(
                PaperKind.BY_FIXTURE,
                "",
                List.of(new Column("Fixture ID", Column.Shape.FIGURE), new Column("Type", Column.Shape.TEXT)),
                List.of(new Part("", all)),
                new Listing(List.of(), List.of()));
        return new Sheet(paper, "Lantern Pageant", "", "Revision A", "2026-05-01");
    }

    @Test
    void everyRowIsThereOnceInOrderAndThePagesAreNumberedThrough() {
        byte[] pdf = server.bean(SheetFiles.class).pdf(sheet(ROWS), CODE, DrawnPaper.NONE);
        String[] pages = Zips.pdfText(pdf).split("\f");
        for (int i = 0; i < pages.length; i++) {
            assertThat(pages[i])
                    .contains("page " + (i + 1) + " of " + pages.length, "Patch by fixture", "Fixture ID", "Heron");
        }
        List<String> rows = Arrays.stream(pages)
                .flatMap(p -> Arrays.stream(p.split("\\s+")))
                .filter(w -> w.matches("r\\d+"))
                .toList();
        assertThat(rows)
                .isEqualTo(IntStream.range(0, ROWS).mapToObj(i -> "r" + i).toList());
    }

    /** ISO 32000-1, 14.8: headings, tables and their headers can be told apart by what reads a page aloud. */
    @Test
    void aPaperIsTagged() throws IOException {
        try (PDDocument document =
                Loader.loadPDF(server.bean(SheetFiles.class).pdf(sheet(30), CODE, DrawnPaper.NONE))) {
            assertThat(document.getDocumentCatalog().getMarkInfo().isMarked()).isTrue();
            assertThat(document.getDocumentCatalog().getStructureTreeRoot().getKids())
                    .isNotEmpty();
            assertThat(document.getDocumentInformation().getTitle()).startsWith("Patch by fixture");
        }
    }

    @Test
    void theSameLongSheetGivesTheSameBytes() {
        SheetFiles files = server.bean(SheetFiles.class);
        assertThat(Arrays.equals(
                        files.pdf(sheet(2_600), CODE, DrawnPaper.NONE), files.pdf(sheet(2_600), CODE, DrawnPaper.NONE)))
                .isTrue();
    }

    @Test
    void anEmptySheetHasOneNumberedPage() {
        String text = Zips.pdfText(server.bean(SheetFiles.class).pdf(sheet(0), CODE, DrawnPaper.NONE));
        assertThat(text).contains("page 1 of 1", "No fixture yet.");
    }
}
