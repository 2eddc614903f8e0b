package taxon.core.label;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.fixture.TypeId;
import taxon.core.label.Label.Field;
import taxon.core.label.LabelLayout.Square;
import taxon.core.label.LabelLayout.Text;
import taxon.core.label.LabelLayout.Unfit;
import taxon.core.label.LabelStock.Size;
import taxon.core.testing.Rigs;

class LabelLayoutTest {
    /** Letters of half their height, whatever they are. */
    private static final TextMeasure HALF = (face, text) -> 0.5 * text.length();

    private static final String CODE = "K7F4 Q2M9 X";
    private static final List<Field> FIELDS = List.of(
            new Field("Address", "2.073"),
            new Field("Type", "Tern, 16-channel"),
            new Field("Position", "Crane rail, unit 4"),
            new Field("Name", ""));

    private static Label label(String head, List<Field> fields, boolean turned) {
        return new Label("4", head, fields, Optional.of(TypeId.of("tern")), turned);
    }

    private static LabelLayout layout(String head, List<Field> fields, double width, double height) {
        return LabelLayout.of(label(head, fields, false), new Size(width, height), CODE, HALF);
    }

    private static List<String> words(LabelLayout layout) {
        return layout.texts().stream().map(Text::words).toList();
    }

    @Test
    void aLabelOfTheUsualSizeHoldsAllWithTheIdLargest() {
        LabelLayout layout = layout("204", FIELDS, 63.5, 38.1);
        assertThat(words(layout)).containsExactly("204", "2.073", "Tern, 16-channel", "Crane rail, unit 4", CODE);
        assertThat(layout.leftOut()).isEmpty();
        Text id = layout.texts().get(0);
        assertThat(layout.texts().stream().skip(1)).allMatch(t -> t.size() < id.size());
        // A capital is read at about 250 times its height: this one from more than two metres.
        assertThat(id.size() * 0.7 * 250).isGreaterThan(2000);
    }

    @Test
    void theCodeHasModulesThatAPhoneReadsAndItsQuietZone() {
        LabelLayout layout = layout("204", FIELDS, 63.5, 38.1);
        Square square = layout.codes().get(0);
        double module = square.side() / 21;
        assertThat(module).isGreaterThanOrEqualTo(0.4);
        assertThat(layout.texts())
                .allSatisfy(t -> assertThat(t.x() + t.size() * HALF.width(t.face(), t.words()))
                        .isLessThanOrEqualTo(square.x() - 4 * module + 0.001));
    }

    @Test
    void whereTheSquareHasNoRoomTheLettersOfTheCodeStay() {
        LabelLayout layout = layout("204", List.of(), 30, 13);
        assertThat(layout.codes()).isEmpty();
        assertThat(words(layout)).contains(CODE);
        assertThat(layout.leftOut()).extracting(Unfit::what).containsExactly("the code as a square");
    }

    @Test
    void aTextThatIsTooLongBreaksAtItsSpacesBeforeItIsLeftOut() {
        List<Field> fields = List.of(new Field("Name", "one two three four five six seven eight nine ten"));
        LabelLayout layout = layout("204", fields, 50, 40);
        assertThat(layout.leftOut()).isEmpty();
        List<String> lines = words(layout);
        assertThat(String.join(" ", lines.subList(1, lines.size() - 1)))
                .isEqualTo("one two three four five six seven eight nine ten");
    }

    @Test
    void oneThatCannotBreakIsLeftOutWholeAndTold() {
        LabelLayout layout = layout("204", List.of(new Field("Name", "x".repeat(500))), 63.5, 38.1);
        assertThat(words(layout)).containsExactly("204", CODE);
        assertThat(layout.leftOut()).singleElement().satisfies(u -> {
            assertThat(u.what()).isEqualTo("Name");
            assertThat(u.needed()).isGreaterThan(u.room());
            assertThat(u.words()).matches("Name needs 441 mm and has [\\d.]+");
        });
    }

    @Test
    void onALabelOfAMillimetreNothingFitsAndThatIsTold() {
        LabelLayout layout = layout("204", FIELDS, 1, 1);
        assertThat(layout.texts()).isEmpty();
        assertThat(layout.leftOut()).extracting(Unfit::words).containsExactly("everything needs 6 mm and has 1");
    }

    @Test
    void aCableLabelStandsThereTwiceAndTurned() {
        LabelLayout layout = LabelLayout.of(label("B 3", FIELDS.subList(0, 2), true), new Size(62, 60), CODE, HALF);
        List<Text> upright = layout.texts().stream().filter(t -> !t.isTurned()).toList();
        List<Text> turned = layout.texts().stream().filter(Text::isTurned).toList();
        assertThat(turned)
                .extracting(Text::words)
                .containsExactlyElementsOf(upright.stream().map(Text::words).toList());
        assertThat(upright).allMatch(t -> t.y() < 30);
        assertThat(turned).allMatch(t -> t.y() > 30);
        assertThat(layout.codes()).hasSize(2);
    }

    static LongStream seeds() {
        return Rigs.seeds(400);
    }

    /** Whatever is put on whatever size: inside the margins, beside each other, every word there or told to be missing. */
    @ParameterizedTest
    @MethodSource("seeds")
    void nothingIsCutAndNothingLiesOverAnother(long seed) {
        Random random = new Random(seed);
        List<Field> fields = new ArrayList<>();
        for (int i = 0; i < random.nextInt(6); i++) {
            String text = random.ints(random.nextInt(9), 1, 14)
                    .mapToObj("wxyz"::repeat)
                    .map(w -> w.substring(0, 1 + random.nextInt(w.length())))
                    .collect(Collectors.joining(" "));
            fields.add(new Field("field " + i, text));
        }
        boolean turned = random.nextInt(4) == 0;
        Size size = new Size(4 + random.nextDouble() * 120, 4 + random.nextDouble() * 80);
        String head = "9".repeat(1 + random.nextInt(6));
        LabelLayout layout = LabelLayout.of(label(head, fields, turned), size, CODE, HALF);
        List<Text> texts = layout.texts().stream().filter(t -> !t.isTurned()).toList();
        double bottom = turned ? size.height() / 2 - 1.5 : size.height() - 3;
        for (Text text : texts) {
            double end = text.x() + text.size() * HALF.width(text.face(), text.words());
            assertThat(text.x()).isGreaterThanOrEqualTo(3 - 1e-9);
            assertThat(end).isLessThanOrEqualTo(size.width() - 3 + 1e-9);
            assertThat(text.y() - 0.72 * text.size()).isGreaterThanOrEqualTo(3 - 1e-9);
            assertThat(text.y()).isLessThanOrEqualTo(bottom + 1e-9);
            assertThat(text.size()).isGreaterThanOrEqualTo(LabelLayout.SMALLEST_LETTERS - 1e-9);
        }
        for (int i = 1; i < texts.size(); i++) {
            assertThat(texts.get(i).y() - 0.72 * texts.get(i).size())
                    .isGreaterThanOrEqualTo(texts.get(i - 1).y() - 1e-9);
        }
        if (layout.leftOut().stream().noneMatch(u -> u.what().equals("everything"))) {
            String all = texts.stream().map(Text::words).collect(Collectors.joining(" "));
            List<String> missing = layout.leftOut().stream().map(Unfit::what).toList();
            fields.stream()
                    .filter(f -> !f.text().isEmpty() && !missing.contains(f.what()))
                    .forEach(f -> assertThat(all).contains(f.text()));
            assertThat(all.contains(head)).isNotEqualTo(missing.contains("“" + head + "”"));
            assertThat(all.contains(CODE)).isNotEqualTo(missing.contains("the code"));
        }
    }
}
