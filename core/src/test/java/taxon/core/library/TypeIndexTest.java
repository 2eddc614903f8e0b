package taxon.core.library;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.core.fixture.TypeId;
import taxon.core.testing.RandomTypes;
import taxon.demo.DemoTypes;

class TypeIndexTest {
    private static final TypeIndex INDEX = TypeIndex.of(DemoTypes.withGeneric().types().stream()
            .map(t -> TypeSummary.of(t, Source.BUILT_IN))
            .toList());

    @ParameterizedTest
    @CsvSource({
        "heron, Fernglass Heron 380",
        "her, Fernglass Heron 380",
        "fern tern, Fernglass Tern",
        "oxbow 12, Oxbow Curlew 12",
        "laser, Pellucid Nightjar",
        "media layer, Pellucid Bittern",
        "wireless, Oxbow Dunlin",
        "blade, Fernglass Heron 380",
        "16 ch wash, Fernglass Tern",
        "19-21 ch wash, Fernglass Tern",
        "21 to 19 channels wash, Fernglass Tern",
        "12-channel fernglass, Fernglass Tern",
        "animation, ''",
    })
    void wordsAndLengthsFindTheType(String typed, String first) {
        List<TypeIndex.Hit> hits = INDEX.search(TypeQuery.of(typed), 5).hits();
        assertThat(hits.isEmpty() ? "" : hits.get(0).type().fullName()).isEqualTo(first);
    }

    @Test
    void aLengthLeavesOnlyTheModesThatHaveIt() {
        TypeIndex.Hits hits = INDEX.search(TypeQuery.of("24ch"), 10);
        assertThat(hits.hits())
                .isNotEmpty()
                .allSatisfy(h -> assertThat(h.fitting()).isNotEmpty().allMatch(m -> m.footprint() == 24));
    }

    @Test
    void everyWordMustBeMet() {
        assertThat(INDEX.search(TypeQuery.of("heron laser"), 5).total()).isZero();
    }

    @Test
    void anEmptyQueryFitsAllAndTellsHowManyThereAre() {
        TypeIndex.Hits hits = INDEX.search(TypeQuery.of("  "), 3);
        assertThat(hits.total()).isEqualTo(INDEX.size());
        assertThat(hits.hits()).hasSize(3);
    }

    @Test
    void aNameCountsMoreThanAnAttribute() {
        assertThat(INDEX.search(TypeQuery.of("dimmer"), 3).hits().get(0).type().name())
                .startsWith("Dimmer");
    }

    @Test
    void aTypeCanBeAddedReplacedAndTakenOut() {
        TypeSummary made = TypeSummary.of(RandomTypes.of(1), Source.MADE_HERE);
        TypeIndex more = INDEX.with(made);
        assertThat(more.size()).isEqualTo(INDEX.size() + 1);
        assertThat(more.with(made).size()).isEqualTo(more.size());
        assertThat(more.find(made.id())).contains(made);
        assertThat(more.without(made.id()).find(made.id())).isEmpty();
    }

    /** The index answers as the book of whole types does. */
    @ParameterizedTest
    @CsvSource({
        "'',heron-380",
        "Fernglass,Tern",
        "Oxbow,Tern",
        "'',Fernglass Kestrel",
        "'',nothing like it",
        "'',Dimmer"
    })
    void namesAreFoundAsInABookOfTypes(String maker, String name) {
        assertThat(INDEX.named(maker, name).map(TypeSummary::id))
                .isEqualTo(DemoTypes.withGeneric().named(maker, name).map(t -> t.id()));
        assertThat(INDEX.closest(maker, name, 3).stream().map(TypeSummary::id).toList())
                .isEqualTo(DemoTypes.withGeneric().closest(maker, name, 3).stream()
                        .map(t -> t.id())
                        .toList());
    }

    @Test
    void searchingIsDeterministicOverManyTypes() {
        List<TypeSummary> many = IntStream.range(0, 500)
                .mapToObj(i -> TypeSummary.of(RandomTypes.of(i).withId(TypeId.of("t" + i)), Source.IMPORTED))
                .toList();
        List<TypeSummary> turned = new java.util.ArrayList<>(many);
        java.util.Collections.reverse(turned);
        assertThat(TypeIndex.of(turned).search(TypeQuery.of("random 1"), 50))
                .isEqualTo(TypeIndex.of(many).search(TypeQuery.of("random 1"), 50));
    }
}
