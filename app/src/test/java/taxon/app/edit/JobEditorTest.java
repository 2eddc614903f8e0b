package taxon.app.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import taxon.app.library.TypeLibrary;
import taxon.app.store.JobStore;
import taxon.app.store.JournalStore;
import taxon.app.store.PlanStore;
import taxon.app.store.SummaryStore;
import taxon.core.library.Shop;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.JobEdits;

class JobEditorTest {
    private static final Plan PLAN = Plan.empty(JobSheet.named("Before"));

    private final PlanStore plans = mock(PlanStore.class);
    private final JobStore jobs = mock(JobStore.class);
    private final JournalStore journal = mock(JournalStore.class);
    private final SummaryStore summaries = mock(SummaryStore.class);
    private final PlatformTransactionManager transactions = mock(PlatformTransactionManager.class);
    private final TypeLibrary library = mock(TypeLibrary.class);
    private final List<Object> news = new ArrayList<>();
    private final Runnable rows = mock(Runnable.class);
    private final Runnable afterwards = mock(Runnable.class);
    private JobEditor editor;

    @BeforeEach
    void editor() {
        when(library.shop()).thenReturn(Shop.EMPTY);
        when(journal.reachesBack(anyInt(), anyLong())).thenReturn(true);
        when(journal.adding(anyInt(), anyLong(), any(), any(), any(), any())).thenReturn(() -> {});
        when(plans.load(1)).thenReturn(Optional.of(new PlanStore.Stored(1, 5, PLAN)));
        when(plans.writing(anyInt(), any())).thenReturn(new PlanStore.Writing(rows, afterwards));
        editor = new JobEditor(
                plans, jobs, journal, summaries, library, new TransactionTemplate(transactions), news::add);
    }

    @Test
    void aWriteThatFailsLeavesTheJobAsItWas() {
        doThrow(new DataAccessResourceFailureException("disk full")).when(rows).run();
        assertThatThrownBy(() -> rename("After")).hasMessageContaining("disk full");
        verify(transactions).rollback(any());
        verify(afterwards).run();
        assertThat(editor.find(1).orElseThrow().version()).isEqualTo(5);
        assertThat(editor.find(1).orElseThrow().plan()).isEqualTo(PLAN);
    }

    @Test
    void anEditThatChangesNothingWritesNothing() {
        assertThat(rename("Before")).isEqualTo(new EditOutcome.NoChange(5));
        verify(plans, never()).writing(anyInt(), any());
    }

    @Test
    void aPlanIsLoadedOnceAndKeptFromThenOn() {
        rename("After");
        assertThat(editor.find(1).orElseThrow().plan().sheet().name()).isEqualTo("After");
        assertThat(editor.find(1).orElseThrow().version()).isEqualTo(6);
        verify(plans).load(1);
        verify(rows).run();
        verify(afterwards).run();
    }

    @Test
    void aJobThatDoesNotExistIsSaidSo() {
        assertThatThrownBy(() -> editor.undo(9, 0, "someone"))
                .isInstanceOf(NoSuchJobException.class)
                .hasMessage("There is no job 9.");
    }

    @Test
    void anEditOfOneJobDoesNotWaitForThatOfAnother() throws Exception {
        when(plans.load(2)).thenReturn(Optional.of(new PlanStore.Stored(2, 5, PLAN)));
        CountDownLatch inside = new CountDownLatch(1);
        CountDownLatch done = new CountDownLatch(1);
        ExecutorService other = Executors.newSingleThreadExecutor();
        try {
            Future<Boolean> slow = other.submit(() -> editor.alone(1, () -> {
                inside.countDown();
                return awaited(done);
            }));
            inside.await();
            assertThat(editor.apply(2, 5, Guard.UNCHANGED_JOB, "test", JobEdits.sheet(JobSheet.named("After"))))
                    .isInstanceOf(EditOutcome.Done.class);
            done.countDown();
            assertThat(slow.get()).isTrue();
        } finally {
            other.shutdownNow();
        }
    }

    private static boolean awaited(CountDownLatch latch) {
        try {
            return latch.await(1, TimeUnit.MINUTES);
        } catch (InterruptedException e) {
            return false;
        }
    }

    private EditOutcome rename(String name) {
        return editor.apply(1, 5, Guard.UNCHANGED_JOB, "test", JobEdits.sheet(JobSheet.named(name)));
    }
}
