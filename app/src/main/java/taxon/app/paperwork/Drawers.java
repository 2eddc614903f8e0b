package taxon.app.paperwork;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** Draws the parts of a paper beside each other, two at a time: each takes a core, and memory by its rows. */
@Component
class Drawers {
    private static final int AT_ONCE = 2;

    private final ExecutorService threads = Executors.newFixedThreadPool(AT_ONCE, work -> {
        Thread thread = new Thread(work, "drawing a paper");
        thread.setDaemon(true);
        return thread;
    });

    /** What each became, in their order. */
    <S, T> List<T> all(List<S> parts, Function<S, T> drawing) {
        List<CompletableFuture<T>> begun = parts.stream()
                .map(p -> CompletableFuture.supplyAsync(() -> drawing.apply(p), threads))
                .toList();
        return begun.stream().map(CompletableFuture::join).toList();
    }

    @PreDestroy
    void end() {
        threads.shutdownNow();
    }
}
