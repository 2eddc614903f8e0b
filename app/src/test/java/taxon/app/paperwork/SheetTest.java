package taxon.app.paperwork;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import taxon.core.paper.Cell;
import taxon.core.paper.Column;
import taxon.core.paper.Paper;
import taxon.core.paper.Paper.Listing;
import taxon.core.paper.Paper.Part;
import taxon.core.paper.PaperKind;

class SheetTest {
    private static Part part(String title, int rows) {
        return new Part(
                title,
                IntStream.range(0, rows)
                        .mapToObj(i -> List.of(Cell.of(title + " row " + i)))
                        .toList());
    }

    static Sheet sheet(Part... parts) {
        Paper paper = new Paper(
                PaperKind.BY_FIXTURE,
                "",
                List.of(new Column("Row", Column.Shape.TEXT)),
                List.of(parts),
                new Listing(List.of("Row"), List.of(List.of(Cell.of(1)))));
        return new Sheet(paper, "Job", "Dock", "Revision A", "2026-05-01");
    }

    @Test
    void aLongSheetIsDrawnInPartsOfAboutEqualLengthThatHoldEveryRowOnce() {
        Sheet sheet = sheet(part("Universe 1", 50), part("Universe 2", 60));
        List<Sheet> parts = sheet.parts(40);
        assertThat(parts).extracting(p -> p.paper().size()).containsExactly(37, 37, 36);
        assertThat(parts.get(1).paper().parts())
                .extracting(Part::title)
                .containsExactly("Universe 1, continued", "Universe 2");
        assertThat(parts.stream().flatMap(SheetTest::rows))
                .containsExactlyElementsOf(rows(sheet).toList());
        assertThat(sheet.parts(110)).containsExactly(sheet);
    }

    private static Stream<List<Cell>> rows(Sheet sheet) {
        return sheet.paper().parts().stream().flatMap(p -> p.rows().stream());
    }

    @Test
    void aScreenShowsTheFirstRowsAndSaysHowManyMoreThereAre() {
        Sheet sheet = sheet(part("Universe 1", 2_990), part("Universe 2", 30));
        assertThat(sheet.beginning()).extracting(p -> p.rows().size()).containsExactly(2_990, 10);
        assertThat(sheet.beyond()).isEqualTo(20);
        assertThat(sheet(part("", 3_000)).beyond()).isZero();
    }

    @Test
    void aPartWithoutRowsKeepsItsTitle() {
        assertThat(sheet(part("Universe 1", 0), part("Universe 2", 1)).beginning())
                .extracting(Part::title)
                .containsExactly("Universe 1", "Universe 2");
    }

    @Test
    void cellsAreEscapedAndFiguresMarked() {
        Paper paper = new Paper(
                PaperKind.BY_FIXTURE,
                "101",
                List.of(new Column("Fixture ID", Column.Shape.FIGURE), new Column("Name", Column.Shape.TEXT)),
                List.of(),
                new Listing(List.of(), List.of()));
        Sheet sheet = new Sheet(paper, "job", "", "A", "2026-05-01");
        assertThat(sheet.cells(List.of(Cell.of("204"), Cell.of("<b>\"Ada\" & Ω</b>"))))
                .isEqualTo("<td class=\"n\">204</td><td>&lt;b&gt;&quot;Ada&quot; &amp; Ω&lt;/b&gt;</td>");
        assertThat(sheet.title()).isEqualTo("Patch by fixture: 101");
        assertThat(sheet.origin()).isEqualTo("job. A. 2026-05-01.");
    }

    @Test
    void aListTellsOfWhatJobRevisionAndDayEachRowIs() {
        Listing listing = sheet().listing();
        assertThat(listing.header()).containsExactly("Row", "Job", "Revision", "Date");
        assertThat(listing.rows().get(0))
                .extracting(Cell::words)
                .containsExactly("1", "Job", "Revision A", "2026-05-01");
    }
}
