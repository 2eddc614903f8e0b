package taxon.app.paperwork;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;
import taxon.app.edit.JobState;
import taxon.app.store.HandoverStore;
import taxon.app.store.JobStore;
import taxon.app.store.PrintStore;
import taxon.app.store.RevisionStore;
import taxon.core.finding.PlanCheck;
import taxon.core.library.Shop;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.paper.Piece;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

/** A store that cannot be written keeps nobody from labels and cards: they come with the codes that they would have. */
class UnwritableStoreTest {
    private static final DataAccessResourceFailureException FULL = new DataAccessResourceFailureException("disk full");

    @Test
    void labelsAndCardsComeWithTheirCodesAllTheSame() {
        PrintStore prints = mock(PrintStore.class);
        JobStore jobs = mock(JobStore.class);
        when(prints.together(any())).thenThrow(FULL);
        when(prints.code(any(), any())).thenThrow(FULL);
        when(prints.out(1)).thenThrow(FULL);
        PrintedPapers papers = new PrintedPapers(
                prints,
                jobs,
                mock(RevisionStore.class),
                mock(HandoverStore.class),
                mock(ChangeNotices.class),
                Clock.systemUTC());
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("spot", 16), 3, 101);
        JobState state = new JobState(1, 1, plan, PlanCheck.of(plan, Shop.EMPTY), Shop.EMPTY);
        for (PaperKind kind : List.of(PaperKind.UNIT_LABELS, PaperKind.CARDS)) {
            List<Piece> pieces = Piece.of(plan, kind, PaperChoice.ALL);
            List<PrintedPapers.Coded> coded = papers.coded(state, kind, pieces);
            assertThat(coded).extracting(PrintedPapers.Coded::piece).isEqualTo(pieces);
            assertThat(coded)
                    .extracting(PrintedPapers.Coded::code)
                    .isEqualTo(pieces.stream()
                            .map(p -> papers.codeOf(1, plan, kind, p))
                            .toList());
            papers.givenOut(1, coded, "Mara");
        }
    }
}
