package taxon.app.network;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.app.printing.PrintFonts;
import taxon.core.drawing.Drawing;
import taxon.core.drawing.Shape.Words;
import taxon.core.drawing.SheetSize;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.paper.PaperText;
import taxon.core.paper.Papers;
import taxon.core.rig.Element;
import taxon.core.rig.Fixture;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

class NetworkSheetsTest {
    static LongStream seeds() {
        return Rigs.seeds(60);
    }

    private static List<Drawing> draw(Plan plan) {
        return NetworkSheets.of(plan, SheetSize.A4, PrintFonts.shared());
    }

    private static PaperText words(Plan plan) {
        return PaperText.of(Papers.of(plan, PaperKind.NETWORK, PaperChoice.ALL), "");
    }

    private static List<String> written(List<Drawing> sheets) {
        return sheets.stream()
                .flatMap(d -> d.inside().stream())
                .filter(Words.class::isInstance)
                .map(s -> ((Words) s).text())
                .toList();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyBoxAndEveryUnitOfALineIsWrittenWhole(long seed) {
        Plan plan = Rigs.ofEveryKind(seed);
        List<String> written = written(draw(plan));
        plan.lines()
                .forEach(l -> l.stops().stream()
                        .filter(LineStop.Unit.class::isInstance)
                        .map(s -> plan.fixture(((LineStop.Unit) s).fixture()).orElseThrow())
                        .map(Fixture::label)
                        .forEach(label -> assertThat(written).contains(label)));
        plan.boxes().forEach(b -> assertThat(written).contains(b.name()));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void nothingLiesOutsideTheSheet(long seed) {
        for (Drawing sheet : draw(Rigs.ofEveryKind(seed))) {
            double right = sheet.size().width() - 12 + 1e-6;
            sheet.inside().stream()
                    .filter(Words.class::isInstance)
                    .map(s -> (Words) s)
                    .forEach(w -> {
                        assertThat(w.x()).isBetween(12 - 1e-6, right);
                        assertThat(PrintFonts.shared().width(w.face(), w.text()) * w.size())
                                .isLessThan(right - 12);
                    });
        }
    }

    /** The words of the paper are what tells whether it is still true: nothing may be drawn that they do not say. */
    @ParameterizedTest
    @MethodSource("seeds")
    void whereTheWordsAreTheSameTheDrawingIsToo(long seed) {
        Plan plan = Rigs.ofEveryKind(seed);
        int same = 0;
        for (Plan next : others(plan)) {
            if (words(next).equals(words(plan))) {
                same++;
                assertThat(draw(next)).isEqualTo(draw(plan));
            }
        }
        assertThat(same).isPositive();
    }

    /** Each with one element less, or one word changed. */
    private static List<Plan> others(Plan plan) {
        List<Plan> others = new ArrayList<>();
        others.add(plan.with(plan.sheet().withView(taxon.core.rig.RigView.USUAL)));
        for (Element element : plan.elements().values()) {
            try {
                others.add(plan.without(List.of(element.elementKey())));
            } catch (IllegalArgumentException itIsNeeded) {
                continue;
            }
        }
        for (Fixture fixture : plan.fixtures()) {
            others.add(plan.with(fixture.withWords("renamed", fixture.note())));
            others.add(plan.with(fixture.withAddresses(Map.of())));
        }
        return others;
    }
}
