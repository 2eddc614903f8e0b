package taxon.core.modes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Part;
import taxon.core.modes.ModeComparison.Column;
import taxon.core.modes.ModeComparison.Row;
import taxon.demo.DemoTypes;

class ModeComparisonTest {
    private static final FixtureType TERN = DemoTypes.book().named("", "Tern").orElseThrow();
    private static final FixtureType CURLEW =
            DemoTypes.book().named("", "Curlew 12").orElseThrow();
    private static final FixtureType BITTERN =
            DemoTypes.book().named("", "Bittern").orElseThrow();
    private static final FixtureType DUNLIN =
            DemoTypes.book().named("", "Dunlin").orElseThrow();

    @Test
    void eachAttributeIsARowWithTheSlotsOfEachMode() {
        ModeComparison comparison = ModeComparison.of(TERN);
        assertThat(comparison.columns()).hasSize(TERN.modes().size());
        assertThat(words(comparison, "Pan", Part.Kind.WHOLE)).containsExactly("1", "1, 2", "1, 2");
        assertThat(words(comparison, "PositionMSpeed", Part.Kind.WHOLE)).containsExactly("", "5", "5");
        assertThat(words(comparison, "ColorAdd_R", Part.Kind.WHOLE)).containsExactly("5", "9", "9, 10");
    }

    @Test
    void whatOneModeHasAndAnotherLacksIsTold() {
        ModeComparison comparison = ModeComparison.of(TERN);
        assertThat(comparison.onlyIn(1, 0)).containsExactly(Attribute.of("PositionMSpeed"));
        assertThat(comparison.onlyIn(0, 1)).isEmpty();
        assertThat(comparison.finerIn(2, 1))
                .extracting(Attribute::name)
                .containsExactly("ColorAdd_R", "ColorAdd_G", "ColorAdd_B", "ColorAdd_W");
    }

    @Test
    void theCellsOfABattenAreOneRowBesideItsWhole() {
        ModeComparison comparison = ModeComparison.of(CURLEW);
        assertThat(words(comparison, "ColorAdd_R", Part.Kind.WHOLE)).containsExactly("2", "", "");
        assertThat(words(comparison, "ColorAdd_R", Part.Kind.CELL)).containsExactly("", "2 … 35 (12)", "4 … 48 (12)");
        assertThat(row(comparison, "Dimmer", Part.Kind.WHOLE).isShared()).isTrue();
        assertThat(row(comparison, "Dimmer", Part.Kind.WHOLE).isSame()).isFalse();
    }

    @Test
    void slotsOfSeveralBlocksAreNamedByTheirBlock() {
        ModeComparison comparison = ModeComparison.of(BITTERN);
        assertThat(words(comparison, "MediaFolder1", Part.Kind.LAYER).get(0)).isEqualTo("Layer 1 3; Layer 2 3");
    }

    @Test
    void modesOfDifferentTypesCanBeHeldSideBySide() {
        ModeComparison comparison = ModeComparison.of(List.of(
                new Column(TERN, TERN.modes().get(0)),
                new Column(DUNLIN, DUNLIN.modes().get(1))));
        assertThat(comparison.onlyIn(0, 1)).contains(Attribute.of("Pan"));
        assertThat(comparison.footprints()).containsExactly(5, 12);
    }

    private static Row row(ModeComparison comparison, String attribute, Part.Kind kind) {
        return comparison.rows().stream()
                .filter(r -> r.attribute().equals(Attribute.of(attribute)) && r.kind() == kind)
                .findFirst()
                .orElseThrow();
    }

    private static List<String> words(ModeComparison comparison, String attribute, Part.Kind kind) {
        List<Optional<ModeComparison.Entry>> cells =
                row(comparison, attribute, kind).entries();
        return java.util.stream.IntStream.range(0, cells.size())
                .mapToObj(i -> cells.get(i)
                        .map(c -> ModeComparison.words(
                                c, comparison.columns().get(i).mode()))
                        .orElse(""))
                .toList();
    }
}
