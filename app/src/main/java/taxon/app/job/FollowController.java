package taxon.app.job;

import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import taxon.app.edit.JobChanged;
import taxon.app.frame.Frames;
import taxon.formats.json.Json;

/** Tells open pages that their job has changed, as server-sent events. A page that is slow or gone holds up nobody. */
@Controller
class FollowController implements SmartLifecycle {
    private static final int MOST_FOLLOWERS = 200;
    private static final long NEVER = 0;
    private static final int BEAT_SECONDS = 20;

    private final Frames frames;
    private final Map<SseEmitter, Integer> followers = new ConcurrentHashMap<>();
    // One thread sends in the order in which things were done, and never the thread that did them.
    private final ScheduledExecutorService sender = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "followers");
        thread.setDaemon(true);
        return thread;
    });
    private volatile Optional<ScheduledFuture<?>> beat = Optional.empty();

    FollowController(Frames frames) {
        this.frames = frames;
    }

    /** An open answer: an event "change" with the version, what was done and by whom, each time the job changes. */
    @GetMapping(path = "/jobs/{job}/follow", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter follow(@PathVariable int job) {
        long version = frames.state(job).version();
        if (followers.size() >= MOST_FOLLOWERS) {
            throw new ResponseStatusException(HttpStatus.SERVICE_UNAVAILABLE, "too many pages follow their jobs");
        }
        SseEmitter emitter = new SseEmitter(NEVER);
        emitter.onCompletion(() -> followers.remove(emitter));
        emitter.onError(gone -> followers.remove(emitter));
        followers.put(emitter, job);
        sender.execute(() -> send(emitter, new JobChanged(job, version, "", "")));
        return emitter;
    }

    @EventListener
    void changed(JobChanged change) {
        sender.execute(() -> Set.copyOf(followers.entrySet()).stream()
                .filter(f -> f.getValue() == change.job())
                .forEach(f -> send(f.getKey(), change)));
    }

    private void send(SseEmitter emitter, JobChanged change) {
        var data = Json.object()
                .put("version", change.version())
                .put("title", change.title())
                .put("who", change.who());
        send(emitter, SseEmitter.event().name("change").data(data.toString(), MediaType.APPLICATION_JSON));
    }

    private void send(SseEmitter emitter, SseEmitter.SseEventBuilder event) {
        try {
            emitter.send(event);
        } catch (IOException | IllegalStateException gone) {
            // The page was closed: there is nobody left to tell.
            followers.remove(emitter);
        }
    }

    @Override
    public void start() {
        beat = Optional.of(sender.scheduleAtFixedRate(this::beat, BEAT_SECONDS, BEAT_SECONDS, TimeUnit.SECONDS));
    }

    /** Finds out which pages are gone. */
    private void beat() {
        followers.keySet().forEach(e -> send(e, SseEmitter.event().comment("still here")));
    }

    /** Ends the open answers first, so that the server need not wait for them. */
    @Override
    public void stop() {
        beat.ifPresent(b -> b.cancel(false));
        beat = Optional.empty();
        sender.shutdown();
        followers.keySet().forEach(SseEmitter::complete);
    }

    @Override
    public boolean isRunning() {
        return beat.isPresent();
    }

    @Override
    public int getPhase() {
        return Integer.MAX_VALUE;
    }
}
