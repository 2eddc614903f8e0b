package taxon.app.live;

import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import org.springframework.context.SmartLifecycle;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells open pages what is true now, as server-sent events, at most eight times a second and only when it changed. What many pages look
 * at is worked out once; what nobody looks at is not worked out. A page that is slow misses some, and holds up no other.
 */
@Component
public class LiveFeed implements SmartLifecycle {
    private static final int MOST_FOLLOWERS = 100;
    private static final int SENDERS = 4;
    private static final long TICK_MILLIS = 125;
    /** A page that is gone is noticed when it is told something. */
    private static final long BEAT_NANOS = 5_000_000_000L;

    private final Map<String, Topic> topics = new ConcurrentHashMap<>();
    private final ConcurrentSkipListMap<Long, Follower> followers = new ConcurrentSkipListMap<>();
    private final AtomicLong ages = new AtomicLong();
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(LiveFeed::thread);
    private final ExecutorService senders = Executors.newFixedThreadPool(SENDERS, LiveFeed::thread);
    private volatile Optional<ScheduledFuture<?>> ticking = Optional.empty();

    private static Thread thread(Runnable work) {
        Thread thread = new Thread(work, "live pages");
        thread.setDaemon(true);
        return thread;
    }

    private static final class Topic {
        private final Supplier<String> now;

        Topic(Supplier<String> now) {
            this.now = now;
        }
    }

    private static final class Follower {
        private final long age;
        private final String topic;
        private final SseEmitter emitter = new SseEmitter(0L);
        private final AtomicBoolean busy = new AtomicBoolean();
        private volatile String last = "";
        private volatile long lastNanos;

        Follower(long age, String topic) {
            this.age = age;
            this.topic = topic;
        }
    }

    /**
     * An open answer with an event {@code now} each time something changed.
     *
     * @param topic the same for all who are to be told the same
     * @param now the data of the event
     */
    public SseEmitter follow(String topic, Supplier<String> now) {
        Follower follower = new Follower(ages.incrementAndGet(), topic);
        follower.emitter.onCompletion(() -> followers.remove(follower.age));
        follower.emitter.onError(gone -> followers.remove(follower.age));
        topics.put(topic, new Topic(now));
        followers.put(follower.age, follower);
        while (followers.size() > MOST_FOLLOWERS) {
            end(followers.firstEntry().getValue());
        }
        return follower.emitter;
    }

    private void end(Follower follower) {
        followers.remove(follower.age);
        follower.emitter.complete();
    }

    private void tick() {
        topics.keySet().removeIf(t -> followers.values().stream().noneMatch(f -> f.topic.equals(t)));
        topics.forEach((name, topic) -> {
            try {
                String now = topic.now.get();
                followers.values().stream().filter(f -> f.topic.equals(name)).forEach(f -> offer(f, now));
            } catch (RuntimeException e) {
                // As when the job was thrown away: its pages ask again, and are told.
                System.getLogger(LiveFeed.class.getName()).log(System.Logger.Level.DEBUG, "live page " + name, e);
                followers.values().stream().filter(f -> f.topic.equals(name)).forEach(this::end);
            }
        });
    }

    private void offer(Follower follower, String now) {
        boolean due = !now.equals(follower.last) || System.nanoTime() - follower.lastNanos > BEAT_NANOS;
        if (due && follower.busy.compareAndSet(false, true)) {
            senders.execute(() -> send(follower, now));
        }
    }

    private void send(Follower follower, String now) {
        try {
            follower.emitter.send(SseEmitter.event().name("now").data(now, MediaType.APPLICATION_JSON));
            follower.last = now;
            follower.lastNanos = System.nanoTime();
        } catch (IOException | IllegalStateException gone) {
            // The page was closed: there is nobody left to tell.
            followers.remove(follower.age);
        } finally {
            follower.busy.set(false);
        }
    }

    @Override
    public void start() {
        ticking =
                Optional.of(clock.scheduleWithFixedDelay(this::tick, TICK_MILLIS, TICK_MILLIS, TimeUnit.MILLISECONDS));
    }

    /** Ends the open answers first, so that the server need not wait for them. */
    @Override
    public void stop() {
        ticking.ifPresent(t -> t.cancel(false));
        ticking = Optional.empty();
        clock.shutdown();
        senders.shutdown();
        followers.values().forEach(f -> f.emitter.complete());
    }

    @Override
    public boolean isRunning() {
        return ticking.isPresent();
    }

    @Override
    public int getPhase() {
        return Integer.MAX_VALUE;
    }
}
