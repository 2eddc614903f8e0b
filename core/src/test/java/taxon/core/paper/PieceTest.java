package taxon.core.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.label.Label;
import taxon.core.label.Label.Field;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class PieceTest {
    private static final List<PaperKind> BY_PIECE =
            Stream.of(PaperKind.values()).filter(PaperKind::isByPiece).toList();

    static LongStream seeds() {
        return Rigs.seeds(60);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void eachPieceIsFoundAgainByItsKeyAndSaysTheSameAlone(long seed) {
        Plan plan = Rigs.ofEveryKind(seed);
        for (PaperKind kind : BY_PIECE) {
            Set<String> keys = new HashSet<>();
            for (Piece piece : Piece.of(plan, kind, PaperChoice.ALL)) {
                assertThat(keys.add(piece.key())).as(kind + " " + piece.key()).isTrue();
                assertThat(Papers.of(plan, kind, PaperChoice.piece(piece.key())))
                        .isEqualTo(piece.paper());
                assertThat(piece.paper().size()).isEqualTo(1);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void whatIsOnALabelIsInItsRow(long seed) {
        Plan plan = Rigs.ofEveryKind(seed);
        BY_PIECE.stream().filter(PaperKind::isLabels).forEach(kind -> {
            List<Label> labels = Labels.of(plan, kind, PaperChoice.ALL);
            List<Piece> pieces = Piece.of(kind, labels);
            for (int i = 0; i < labels.size(); i++) {
                List<String> row = pieces.get(i).paper().parts().get(0).rows().get(0).stream()
                        .map(Cell::words)
                        .toList();
                assertThat(row).contains(labels.get(i).head());
                assertThat(row)
                        .containsAll(labels.get(i).fields().stream()
                                .map(Field::text)
                                .map(t -> t.equals("no address") ? "none" : t)
                                .toList());
            }
        });
    }

    /** After any change exactly those labels are untrue whose words are others; one change and back leaves nothing. */
    @ParameterizedTest
    @MethodSource("seeds")
    void exactlyThoseLabelsAreUntrueWhoseWordsChanged(long seed) {
        Random random = new Random(seed);
        Plan plan = Rigs.add(Rigs.empty(), DemoTypes.book().named("", "Tern").orElseThrow(), 12, 201);
        Map<String, PaperText> printed = texts(plan);
        Plan now = plan;
        Set<Integer> touched = new HashSet<>();
        for (int i = 0; i < random.nextInt(5); i++) {
            Fixture fixture = now.fixtures().get(random.nextInt(12));
            boolean addresses = random.nextBoolean();
            now = now.with(
                    addresses
                            ? fixture.withAddresses(Map.of(1, StartAddress.of(7, 1 + random.nextInt(400))))
                            : fixture.withWords("named " + i, fixture.note()));
            touched.add(fixture.key().number());
        }
        Map<String, PaperText> after = texts(now);
        Set<Integer> untrue = printed.keySet().stream()
                .filter(k -> !PaperChanges.between(PaperKind.UNIT_LABELS, get(printed, k), get(after, k))
                        .isNone())
                .map(Integer::valueOf)
                .collect(Collectors.toSet());
        assertThat(untrue).isEqualTo(touched);
        assertThat(texts(now.with(plan.fixtures()))).isEqualTo(printed);
    }

    private static PaperText get(Map<String, PaperText> texts, String key) {
        return texts.getOrDefault(key, new PaperText("gone", "", List.of(), List.of()));
    }

    private static Map<String, PaperText> texts(Plan plan) {
        return Piece.of(plan, PaperKind.UNIT_LABELS, PaperChoice.ALL).stream()
                .collect(Collectors.toMap(Piece::key, p -> PaperText.of(p.paper(), "")));
    }

    @Test
    void bothEndsOfACableSayWhatIsThereAndWhatIsAtTheOther() {
        Plan plan = LongStream.range(0, 200)
                .mapToObj(Rigs::ofEveryKind)
                .filter(p ->
                        !Labels.of(p, PaperKind.CABLE_LABELS, PaperChoice.ALL).isEmpty())
                .findFirst()
                .orElseThrow();
        List<Label> labels = Labels.of(plan, PaperKind.CABLE_LABELS, PaperChoice.ALL);
        Label one = labels.get(0);
        Label other = labels.get(1);
        assertThat(one.head()).isEqualTo(other.head());
        assertThat(one.fields().get(0).text().substring("at ".length()))
                .isEqualTo(other.fields().get(1).text().substring("to ".length()));
        assertThat(one.isTurned()).isTrue();
    }

    @Test
    void aTypeOfWhichFourTravelInACaseHasACaseForEveryFour() {
        Plan plan = Rigs.add(Rigs.empty(), DemoTypes.book().named("", "Tern").orElseThrow(), 10, 201);
        assertThat(Labels.of(plan, PaperKind.CASE_LABELS, PaperChoice.ALL))
                .extracting(
                        l -> l.fields().get(1).text() + ", " + l.fields().get(0).text())
                .containsExactly(
                        "case 1 of 3, 4 units: 201–204",
                        "case 2 of 3, 4 units: 205–208",
                        "case 3 of 3, 2 units: 209, 210");
    }
}
