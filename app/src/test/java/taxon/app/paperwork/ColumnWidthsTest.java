package taxon.app.paperwork;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import taxon.core.paper.Cell;
import taxon.core.paper.Column;
import taxon.core.paper.Paper;
import taxon.core.paper.Paper.Listing;
import taxon.core.paper.Paper.Part;
import taxon.core.paper.PaperKind;

class ColumnWidthsTest {
    private static Sheet sheet(List<String> columns, List<List<String>> rows) {
        Paper paper = new Paper(
                PaperKind.BY_FIXTURE,
                "",
                columns.stream().map(c -> new Column(c, Column.Shape.TEXT)).toList(),
                List.of(new Part(
                        "",
                        rows.stream()
                                .map(r -> r.stream().map(Cell::of).toList())
                                .toList())),
                new Listing(List.of(), List.of()));
        return new Sheet(paper, "Job", "", "Revision A", "2026-05-01");
    }

    @Test
    void aColumnHasRoomForItsHeadAndItsLongestText() {
        List<Double> widths = ColumnWidths.of(
                sheet(List.of("Slots", "Type"), List.of(List.of("1", "Gull"), List.of("12", "Heron Spot 7"))));
        assertThat(widths.get(0) / widths.get(1)).isEqualTo((5 + 2) / (12 + 2.0), within(1e-9));
    }

    @Test
    void oneVeryLongTextWrapsInsteadOfTakingTheRoomOfTheOthers() {
        List<Double> widths =
                ColumnWidths.of(sheet(List.of("Fixture ID", "Note"), List.of(List.of("204", "x".repeat(2_000)))));
        assertThat(widths.get(0)).isGreaterThan(20);
    }

    @Test
    void theyAreAWholeTogetherAlsoWhereThereIsNoRow() {
        List<Double> widths = ColumnWidths.of(sheet(List.of("Fixture ID", "Type", "Mode"), List.of()));
        assertThat(widths.stream().mapToDouble(w -> w).sum()).isEqualTo(100, within(1e-9));
    }

    @Test
    void whereThereIsNoRoomForAllTheLongestWrapAndNoWordIsTorn() {
        String long30 = "a note of some thirty letters.";
        List<Double> widths = ColumnWidths.of(sheet(
                List.of("Offset", "a", "b", "c", "d", "e"),
                List.of(List.of("-4.583 m", long30, long30, long30, long30, long30))));
        double letter = 145 / 100.0;
        assertThat(widths.get(0) * letter).isGreaterThan("-4.583 m".length() + 1.9);
        assertThat(widths.get(1) * letter).isBetween("letters.".length() + 2.0, 30.0);
    }
}
