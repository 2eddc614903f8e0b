package taxon.app.checks.boxes;

import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Service;
import taxon.app.TaxonSettings;
import taxon.app.cards.ChosenCard;
import taxon.core.boxcheck.SeenBox;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.rig.Plan;
import taxon.wire.link.CardLinks;
import taxon.wire.link.SendPolicy;

/** Looks for all boxes of a job's network in the background; what was found last is kept. */
@Service
public class BoxSearches implements DisposableBean {
    private final TaxonSettings settings;
    private final ChosenCard card;
    private final Clock clock;
    private final Map<Integer, BoxSearch> searches = new ConcurrentHashMap<>();
    private final Set<Integer> stopped = ConcurrentHashMap.newKeySet();
    private final ExecutorService workers = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "looking for boxes");
        thread.setDaemon(true);
        return thread;
    });

    BoxSearches(TaxonSettings settings, ChosenCard card, Clock clock) {
        this.settings = settings;
        this.card = card;
        this.clock = clock;
    }

    /** Where it stands. */
    public BoxSearch of(int job) {
        return searches.getOrDefault(job, BoxSearch.NONE);
    }

    /**
     * Begins to look, unless it is done already.
     *
     * @param armed true when packets may go to the planned boxes outside this machine, and to everybody in the network of the card
     */
    void begin(int job, Plan plan, boolean armed) {
        boolean[] began = new boolean[1];
        searches.compute(job, (j, now) -> {
            began[0] = now == null || !now.running();
            return began[0] ? BoxSearch.begun(clock.instant()) : now;
        });
        if (began[0]) {
            stopped.remove(job);
            workers.execute(() -> run(job, plan, armed));
        }
    }

    void stop(int job) {
        stopped.add(job);
    }

    /** Puts what a box says now in the place of what it said. */
    public void replace(int job, SeenBox now) {
        searches.computeIfPresent(job, (j, s) -> s.with(now));
    }

    private void run(int job, Plan plan, boolean armed) {
        List<NetCard> own = card.networks(plan);
        List<Ipv4> everyone = Allowed.everyone(own, armed);
        SendPolicy planned = Allowed.to(plan, armed);
        SendPolicy policy = ip -> planned.allows(ip) || everyone.contains(ip);
        try (CardLinks.Lease lease = card.lease(plan);
                BoxAsker asker = new BoxAsker(lease.link(), policy, own)) {
            BoxAsker.Whom whom = new BoxAsker.Whom(
                    plan.boxes().stream().filter(b -> b.ip().isPresent()).toList(), everyone, false);
            asker.ask(
                    whom,
                    Patience.looking(settings.answerWithin()),
                    heard -> change(job, of(job).hearing(heard)),
                    () -> stopped.contains(job));
            change(job, of(job).ended(asker.heard(), asker.left()));
        } catch (IOException e) {
            change(job, of(job).failed("Boxes cannot be looked for: " + e.getMessage() + "."));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            change(job, of(job).failed("Looking for boxes ended with the application."));
        } catch (RuntimeException e) {
            change(job, of(job).failed("Looking for boxes broke off: " + e));
            throw e;
        }
    }

    private void change(int job, BoxSearch now) {
        searches.put(job, now);
    }

    @Override
    public void destroy() {
        workers.shutdownNow();
    }
}
