package taxon.core.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.paper.PaperChanges.Change;
import taxon.core.paper.PaperChanges.Fate;
import taxon.core.paper.PaperChanges.RowChange;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

class PaperChangesTest {
    private static PaperText text(Plan plan, PaperKind kind) {
        return PaperText.of(Papers.of(plan, kind, PaperChoice.ALL), "Job");
    }

    private static PaperChanges between(Plan before, Plan now, PaperKind kind) {
        return PaperChanges.between(kind, text(before, kind), text(now, kind));
    }

    private static final Plan THREE =
            Rigs.add(Rigs.empty(), Rigs.type("t", 16), 3, Optional.of(101), Optional.of(StartAddress.of(1, 1)));

    @Test
    void aMovedFixtureIsOneChangedFieldAndNothingElse() {
        PaperChanges changes = between(THREE, Rigs.place(THREE, 2, 1, StartAddress.of(1, 100)), PaperKind.BY_FIXTURE);
        assertThat(changes.headings()).isEmpty();
        assertThat(changes.rows()).hasSize(1);
        RowChange change = changes.rows().get(0);
        assertThat(change.fate()).isEqualTo(Fate.CHANGED);
        assertThat(change.row()).startsWith("102");
        assertThat(change.fields()).containsExactly(new Change("Address", "1.017", "1.100"));
    }

    @Test
    void whoIsNewAndWhoIsGoneIsSaidAsSuch() {
        Plan without = THREE.without(List.of(THREE.fixtures().get(0).elementKey()));
        assertThat(between(THREE, without, PaperKind.BY_FIXTURE).rows())
                .extracting(r -> r.fate() + " " + r.row().get(0))
                .containsExactly("GONE 101");
        assertThat(between(without, THREE, PaperKind.BY_FIXTURE).rows())
                .extracting(r -> r.fate() + " " + r.row().get(0))
                .containsExactly("NEW 101");
    }

    @Test
    void aMoveToAnotherUniverseTellsOfTheTitlesToo() {
        PaperChanges changes = between(THREE, Rigs.place(THREE, 2, 1, StartAddress.of(9, 1)), PaperKind.BY_UNIVERSE);
        assertThat(changes.headings())
                .containsExactly(new Change("Part", "Universe 1, routed nowhere", "Universe 9, routed nowhere"));
        assertThat(changes.rows()).hasSize(1);
    }

    @Test
    void aNewNameOfTheJobIsAChangeOfEachPaper() {
        Paper paper = Papers.of(THREE, PaperKind.BY_FIXTURE, PaperChoice.ALL);
        assertThat(PaperChanges.between(PaperKind.BY_FIXTURE, PaperText.of(paper, "Old"), PaperText.of(paper, "New"))
                        .headings())
                .containsExactly(new Change("Job", "Old", "New"));
    }

    @Test
    void theSameRowsInAnotherOrderAreSaidToBe() {
        PaperText there = text(THREE, PaperKind.BY_FIXTURE);
        List<List<String>> turned = new ArrayList<>(there.parts().get(0).rows());
        turned.add(turned.remove(0));
        PaperText other =
                new PaperText(there.title(), there.heading(), there.columns(), List.of(new PaperText.Part("", turned)));
        assertThat(PaperChanges.between(PaperKind.BY_FIXTURE, there, other).headings())
                .extracting(Change::field)
                .containsExactly("Order");
    }

    @Test
    void aPaperWithOtherColumnsTellsOfThemAndOfEveryRow() {
        PaperText there = text(THREE, PaperKind.BY_FIXTURE);
        PaperText other = new PaperText(
                there.title(),
                there.heading(),
                List.of("ID"),
                List.of(new PaperText.Part("", List.of(List.of("101")))));
        PaperChanges changes = PaperChanges.between(PaperKind.BY_FIXTURE, other, there);
        assertThat(changes.headings()).extracting(Change::field).contains("Columns");
        assertThat(changes.rows()).extracting(RowChange::fate).contains(Fate.GONE, Fate.NEW);
    }

    static LongStream seeds() {
        return Rigs.seeds(300);
    }

    /** Random histories: what is said to be still true is word for word the same, and the other way round. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void nothingChangedIsSaidExactlyWhereTheWordsAreTheSame(long seed) {
        Random random = new Random(seed);
        Plan before = Rigs.random(seed % 200);
        Plan now = before;
        List<Plan> history = new ArrayList<>(List.of(before));
        for (int step = 0; step < 6; step++) {
            now = random.nextInt(3) == 0 ? history.get(random.nextInt(history.size())) : edited(now, random);
            history.add(now);
        }
        for (PaperKind kind : PaperKind.values()) {
            PaperText printed = text(before, kind);
            PaperText today = text(now, kind);
            boolean none = PaperChanges.between(kind, printed, today).isNone();
            assertThat(none).as(kind.title()).isEqualTo(printed.equals(today));
            assertThat(none).as(kind.title()).isEqualTo(printed.fingerprint().equals(today.fingerprint()));
        }
    }

    private static Plan edited(Plan plan, Random random) {
        if (plan.fixtures().isEmpty()) {
            return plan;
        }
        Fixture fixture = plan.fixtures().get(random.nextInt(plan.fixtures().size()));
        return switch (random.nextInt(5)) {
            case 0 -> plan.without(List.of(fixture.elementKey()));
            case 1 -> plan.with(fixture.withAddress(1, Optional.empty()));
            case 2 -> plan.with(fixture.withWords("name " + random.nextInt(3), fixture.note()));
            case 3 -> plan.with(fixture.withPlace(fixture.position(), 1 + random.nextInt(90)));
            default ->
                plan.with(fixture.withAddress(
                        1, Optional.of(StartAddress.of(1 + random.nextInt(4), 1 + random.nextInt(512)))));
        };
    }
}
