package taxon.core.label;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.label.LabelStock.Place;
import taxon.core.label.LabelStock.Size;

class LabelStockTest {
    /** How many of which size a sheet has: common practice, A4 and US letter. */
    @ParameterizedTest
    @CsvSource({
        "a4-24, 70, 37, 24",
        "a4-21, 63.5, 38.1, 21",
        "a4-14, 99.1, 38.1, 14",
        "a4-8, 99.1, 67.7, 8",
        "a4-48, 45.7, 21.2, 48",
        "letter-30, 66.675, 25.4, 30",
        "letter-10, 101.6, 50.8, 10",
        "roll-100, 100, 50, 1",
        "roll-102, 102, 152, 1"
    })
    void aSheetHasAsManyLabelsOfItsSizeAsAreSoldOnIt(String slug, double width, double height, int count) {
        LabelStock stock = LabelStock.called(slug).orElseThrow();
        assertThat(stock.label().width()).isCloseTo(width, within(0.01));
        assertThat(stock.label().height()).isCloseTo(height, within(0.01));
        assertThat(stock.perSheet()).isEqualTo(count);
    }

    static java.util.List<LabelStock> common() {
        return LabelStock.common();
    }

    @ParameterizedTest
    @MethodSource("common")
    void everyLabelLiesOnItsSheetAndOnNoOther(LabelStock stock) {
        Set<String> corners = new HashSet<>();
        for (int i = 0; i < 2 * stock.perSheet(); i++) {
            Place place = stock.place(i);
            assertThat(place.sheet()).isEqualTo(i / stock.perSheet());
            assertThat(place.x())
                    .isBetween(-0.05, stock.sheet().width() - stock.label().width() + 0.05);
            assertThat(place.y())
                    .isBetween(-0.05, stock.sheet().height() - stock.label().height() + 0.05);
            assertThat(corners.add(place.toString())).isTrue();
        }
        Place first = stock.place(0);
        for (int i = 1; i < stock.perSheet(); i++) {
            Place other = stock.place(i);
            assertThat(other.x() - first.x() >= stock.label().width() - 0.01
                            || other.y() - first.y() >= stock.label().height() - 0.01)
                    .isTrue();
        }
    }

    @Test
    void rowsGoAcrossFirst() {
        LabelStock stock = LabelStock.called("a4-21").orElseThrow();
        assertThat(stock.place(1).x() - stock.place(0).x()).isCloseTo(66.04, within(0.001));
        assertThat(stock.place(3).x()).isEqualTo(stock.place(0).x());
        assertThat(stock.place(3).y() - stock.place(0).y()).isCloseTo(38.1, within(0.001));
    }

    @Test
    void anySizeFillsASheet() {
        LabelStock own = LabelStock.filling("own", LabelStock.A4, new Size(50, 25), 5, 2);
        assertThat(own.columns()).isEqualTo(3);
        assertThat(own.rows()).isEqualTo(11);
        assertThat(own.left()).isCloseTo(25, within(0.001));
    }

    @Test
    void aLabelThatNoSheetHoldsIsRefusedWithItsSizes() {
        assertThatThrownBy(() -> LabelStock.filling("own", LabelStock.A4, new Size(300, 20), 0, 0))
                .hasMessage("1 by 14 labels of 300 × 20 mm take 300 × 280 mm, and the sheet has 210 × 297 mm.");
    }

    @ParameterizedTest
    @CsvSource({"0, 5", "-1, 5", "5, 1001", "NaN, 5", "5, Infinity"})
    void aSizeThatIsNoneIsRefused(double width, double height) {
        assertThatThrownBy(() -> new Size(width, height)).hasMessageContaining("is none");
    }
}
