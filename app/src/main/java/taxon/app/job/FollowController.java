package taxon.app.job;

import java.io.IOException;
import java.util.Optional;
import java.util.concurrent.ConcurrentNavigableMap;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
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
    // By their age: a page that was closed is noticed at the second beat after, and counts until then.
    private final ConcurrentNavigableMap<Long, Follower> followers = new ConcurrentSkipListMap<>();
    private final AtomicLong ages = new AtomicLong();
    // One thread sends in the order in which things were done, and never the thread that did them.
    private final ScheduledExecutorService sender = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "followers");
        thread.setDaemon(true);
        return thread;
    });
    private volatile Optional<ScheduledFuture<?>> beat = Optional.empty();

    private record Follower(long age, int job, SseEmitter emitter) {}

    FollowController(Frames frames) {
        this.frames = frames;
    }

    /** An open answer: an event "change" with the version, what was done and by whom, each time the job changes. */
    @GetMapping(path = "/jobs/{job}/follow", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter follow(@PathVariable int job) {
        long version = frames.state(job).version();
        Follower follower = new Follower(ages.incrementAndGet(), job, new SseEmitter(NEVER));
        follower.emitter().onCompletion(() -> followers.remove(follower.age()));
        follower.emitter().onError(gone -> followers.remove(follower.age()));
        followers.put(follower.age(), follower);
        sender.execute(() -> {
            send(follower, new JobChanged(job, version, "", ""));
            makeRoom();
        });
        return follower.emitter();
    }

    /** The oldest ends: it is most likely gone, and a page that is still there asks again. */
    private void makeRoom() {
        while (followers.size() > MOST_FOLLOWERS) {
            Optional.ofNullable(followers.pollFirstEntry())
                    .ifPresent(oldest -> oldest.getValue().emitter().complete());
        }
    }

    @EventListener
    void changed(JobChanged change) {
        sender.execute(() ->
                followers.values().stream().filter(f -> f.job() == change.job()).forEach(f -> send(f, change)));
    }

    private void send(Follower follower, JobChanged change) {
        var data = Json.object()
                .put("version", change.version())
                .put("title", change.title())
                .put("who", change.who());
        send(follower, SseEmitter.event().name("change").data(data.toString(), MediaType.APPLICATION_JSON));
    }

    private void send(Follower follower, SseEmitter.SseEventBuilder event) {
        try {
            follower.emitter().send(event);
        } catch (IOException | IllegalStateException gone) {
            // The page was closed: there is nobody left to tell.
            followers.remove(follower.age());
        }
    }

    @Override
    public void start() {
        beat = Optional.of(sender.scheduleAtFixedRate(this::beat, BEAT_SECONDS, BEAT_SECONDS, TimeUnit.SECONDS));
    }

    /** Finds out which pages are gone. */
    private void beat() {
        followers.values().forEach(f -> send(f, SseEmitter.event().comment("still here")));
    }

    /** Ends the open answers first, so that the server need not wait for them. */
    @Override
    public void stop() {
        beat.ifPresent(b -> b.cancel(false));
        beat = Optional.empty();
        sender.shutdown();
        followers.values().forEach(f -> f.emitter().complete());
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
