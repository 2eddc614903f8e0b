package taxon.core.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.length.Length;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class ChangeNoticeTest {
    private static final Plan BEFORE =
            Rigs.add(Rigs.empty(), DemoTypes.book().named("", "Tern").orElseThrow(), 4, 201);

    private static Paper notice(Plan before, Plan now) {
        return Papers.of(now, PaperKind.CHANGES, PaperChoice.ALL.since(before, "since revision A"));
    }

    private static List<String> rows(Paper paper) {
        return paper.parts().stream()
                .flatMap(p -> p.rows().stream())
                .map(r -> String.join(" | ", r.stream().map(Cell::words).toList()))
                .toList();
    }

    @Test
    void everyFieldThatIsPlannedOtherwiseIsARowUnderItsPosition() {
        Fixture second = BEFORE.fixtures().get(1);
        Paper paper = notice(
                BEFORE,
                BEFORE.with(
                        second.withAddresses(Map.of(1, StartAddress.of(3, 17))).withWords("front", second.note())));
        assertThat(paper.title()).isEqualTo("Change notice: since revision A");
        assertThat(paper.parts().get(0).title())
                .isEqualTo(BEFORE.position(second).name());
        assertThat(rows(paper)).contains("202 | Name |  | front").anyMatch(r -> r.endsWith("| 3.017"));
    }

    @Test
    void aPositionAndAJobSheetAreToldByTheFieldsThatDiffer() {
        Position truss = BEFORE.positions().get(0);
        PositionGeometry higher =
                new PositionGeometry(Optional.empty(), Length.ZERO, Length.ZERO, Length.metres("6.2"), 0);
        Paper paper = notice(
                BEFORE,
                BEFORE.with(truss.withGeometry(higher))
                        .with(new JobSheet(BEFORE.sheet().name(), "Mill", Optional.empty(), Optional.empty(), "")));
        assertThat(rows(paper))
                .containsExactlyInAnyOrder(
                        truss.name() + " | Height | 0 m | 6.2 m",
                        "Job sheet | Venue | " + BEFORE.sheet().venue() + " | Mill");
    }

    @Test
    void anAddressInAListIsNothingThatASpreadsheetTakesForANumber() {
        Fixture second = BEFORE.fixtures().get(1);
        Paper paper = notice(BEFORE, BEFORE.with(second.withAddresses(Map.of(1, StartAddress.of(3, 100)))));
        assertThat(rows(paper)).singleElement().asString().endsWith("| 3.100");
        assertThat(paper.list().rows().get(0)).extracting(Cell::words).contains("address 3.100");
    }

    @Test
    void whatIsNewAndWhatIsGoneAreToldWithWhatTheyAre() {
        Fixture last = BEFORE.fixtures().get(3);
        Plan less = BEFORE.without(List.of(last.elementKey()));
        assertThat(rows(notice(BEFORE, less)))
                .singleElement()
                .asString()
                .startsWith("204 | taken away | Fernglass Tern");
        assertThat(rows(notice(less, BEFORE))).singleElement().asString().startsWith("204 | added |  | Fernglass Tern");
    }

    @Test
    void fixturesComeBeforeEverythingElse() {
        Plan now = BEFORE.with(List.of(
                JobSheet.named("Harbour evening"), BEFORE.fixtures().get(0).withWords("front", "")));
        assertThat(notice(BEFORE, now).parts())
                .extracting(Paper.Part::title)
                .containsExactly(BEFORE.position(BEFORE.fixtures().get(0)).name(), "Other than fixtures");
    }

    @Test
    void whatWasSetOnAUnitIsNoChangeOfThePlan() {
        Fixture first = BEFORE.fixtures().get(0);
        Plan set = BEFORE.with(BlockEvidence.none(new BlockRef(first.key(), 1)).withUid("7FF0:00000001"));
        assertThat(rows(notice(BEFORE, set))).isEmpty();
    }

    @Test
    void withoutARevisionThereIsNothingToCompareWith() {
        Paper paper = Papers.of(BEFORE, PaperKind.CHANGES, PaperChoice.ALL);
        assertThat(paper.title()).contains("no revision to compare with");
        assertThat(paper.size()).isZero();
    }

    static LongStream seeds() {
        return Rigs.seeds(120);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aNoticeIsEmptyExactlyWhereNothingIsPlannedOtherwise(long seed) {
        Plan before = Rigs.ofEveryKind(seed);
        assertThat(notice(before, before).size()).isZero();
        Plan now = Rigs.ofEveryKind(seed + 1);
        boolean same = planned(before).equals(planned(now));
        assertThat(notice(before, now).size() == 0).isEqualTo(same);
    }

    private static List<?> planned(Plan plan) {
        return plan.elements().values().stream()
                .filter(e -> e.elementKey().kind() != Kind.EVIDENCE)
                .toList();
    }
}
