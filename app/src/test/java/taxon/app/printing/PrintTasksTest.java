package taxon.app.printing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import taxon.app.printing.PrintTask.State;
import taxon.app.testing.Wait;

class PrintTasksTest {
    private final PrintTasks tasks = new PrintTasks();
    private final CountDownLatch held = new CountDownLatch(1);

    @AfterEach
    void end() {
        held.countDown();
        tasks.end();
    }

    private byte[] hold(PrintTask task) {
        try {
            held.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        task.step();
        return "drawn".getBytes(StandardCharsets.UTF_8);
    }

    /** Each is asked for by a thread of its own, as browsers do. */
    private List<PrintTask> waiting(int count) {
        List<PrintTask> all = new ArrayList<>();
        List<Thread> askers = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Thread asker = new Thread(() -> {
                PrintTask task = tasks.start(1, "Patch", "patch.pdf", this::hold);
                synchronized (all) {
                    all.add(task);
                }
            });
            askers.add(asker);
            asker.start();
        }
        askers.forEach(asker -> {
            try {
                asker.join();
            } catch (InterruptedException e) {
                throw new AssertionError(e);
            }
        });
        return all;
    }

    @Test
    void afterFiftyThatWaitNoMoreIsTakenUntilOneIsOver() {
        List<PrintTask> all = waiting(50);
        assertThatThrownBy(() -> tasks.start(1, "One more", "more.pdf", this::hold))
                .isInstanceOf(PrintTasks.TooManyException.class)
                .hasMessage("50 things wait to be printed. Wait for them, or stop some.");
        assertThat(tasks.stop(all.get(49))).isTrue();
        held.countDown();
        Wait.until("nothing was drawn", () -> all.stream().noneMatch(PrintTask::isUnderWay));
        assertThat(tasks.start(1, "One more", "more.pdf", this::hold).state()).isEqualTo(State.READY);
    }

    @Test
    void whatIsStoppedBeforeItBeginsIsNeverDrawn() {
        List<PrintTask> all = waiting(3);
        PrintTask last =
                all.stream().filter(t -> t.state() == State.WAITING).findFirst().orElseThrow();
        assertThat(tasks.stop(last)).isTrue();
        held.countDown();
        Wait.until("nothing was drawn", () -> all.stream().noneMatch(PrintTask::isUnderWay));
        assertThat(last.state()).isEqualTo(State.STOPPED);
        assertThat(last.content()).isEmpty();
        assertThat(all.stream().filter(t -> t.state() == State.READY)).hasSize(2);
    }
}
