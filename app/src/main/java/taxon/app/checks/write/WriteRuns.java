package taxon.app.checks.write;

import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Service;
import taxon.app.TaxonSettings;
import taxon.app.checks.Readings;
import taxon.app.checks.boxes.BoxSearches;
import taxon.app.edit.JobEditor;
import taxon.app.edit.NoSuchJobException;
import taxon.app.store.WriteListStore;
import taxon.app.store.WriteListStore.Kept;
import taxon.core.network.Ipv4;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.text.Counted;
import taxon.core.writing.Item;
import taxon.core.writing.Order;
import taxon.core.writing.Pen;
import taxon.core.writing.Prepared;
import taxon.core.writing.Result;
import taxon.core.writing.Target;
import taxon.core.writing.WriteList;
import taxon.core.writing.WriteList.State;
import taxon.core.writing.Writing;
import taxon.wire.artnet.link.ArtNetController;
import taxon.wire.link.CardLinks;
import taxon.wire.link.SendPolicy;

/**
 * Lists that are written over the wire: prepared, armed for a minute, done once in the background and read back one by one. Of a job one list is
 * written at a time. What was there before is kept with the list.
 */
@Service
class WriteRuns implements DisposableBean {
    private final JobEditor editor;
    private final Readings readings;
    private final BoxSearches searches;
    private final Preparing preparing;
    private final WriteListStore lists;
    private final TaxonSettings settings;
    private final Clock clock;
    private final ArmedWrites<Armed> armed = new ArmedWrites<>(System::nanoTime);
    /** By job. */
    private final Map<Integer, Run> runs = new ConcurrentHashMap<>();

    private final ExecutorService workers = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "writing to the rig");
        thread.setDaemon(true);
        return thread;
    });

    /**
     * That a list may be written.
     *
     * @param network true when it may leave this machine
     * @param stops true when nothing more is written after the first surprise
     * @param until for people to read; what decides is the clock that cannot be set
     */
    record Armed(boolean network, boolean stops, Instant until) {}

    /** A list while it is written. */
    private static final class Run {
        private final int list;
        private volatile List<Result> results = List.of();
        private volatile boolean stopped;

        Run(int list) {
            this.list = list;
        }
    }

    WriteRuns(
            JobEditor editor,
            Readings readings,
            BoxSearches searches,
            Preparing preparing,
            WriteListStore lists,
            TaxonSettings settings,
            Clock clock) {
        this.editor = editor;
        this.readings = readings;
        this.searches = searches;
        this.preparing = preparing;
        this.lists = lists;
        this.settings = settings;
        this.clock = clock;
    }

    /**
     * Keeps a list that can be looked at and armed, and gives its number.
     *
     * @throws NotWrittenException when there is nothing in it, or too much
     */
    int prepare(int job, String title, String who, boolean asPlanned, Prepared prepared) throws NotWrittenException {
        if (prepared.orders().isEmpty() && prepared.left().isEmpty()) {
            throw new NotWrittenException(
                    "Nothing of this differs from the plan, as far as it was read; nothing is to be written.");
        }
        if (prepared.orders().size() > WriteList.MOST) {
            throw new NotWrittenException(
                    "These are " + Counted.of(prepared.orders().size(), "write") + ", and one list takes "
                            + WriteList.MOST + "; choose fewer units.");
        }
        return lists.add(job, WriteList.of(title, who, clock.instant(), asPlanned, prepared));
    }

    /** Those of a job, the newest first, as far as they are. */
    List<Kept> of(int job) {
        return lists.newest(job).stream().map(k -> now(job, k)).toList();
    }

    Optional<Kept> find(int job, int id) {
        return lists.find(job, id).map(k -> now(job, k));
    }

    private Kept now(int job, Kept kept) {
        Run run = runs.get(job);
        return run != null && run.list == kept.id()
                ? new Kept(kept.id(), kept.list().at(State.BEGUN, run.results))
                : kept;
    }

    boolean isRunning(int job, int id) {
        Run run = runs.get(job);
        return run != null && run.list == id;
    }

    Optional<Armed> armed(int id) {
        return armed.find(id);
    }

    void disarm(int id) {
        armed.disarm(id);
    }

    /** Where packets of a list would go beyond this machine. */
    List<Ipv4> outside(int job, WriteList list) {
        return list.orders().stream()
                .flatMap(o -> destinations(job, o).stream())
                .filter(ip -> !ip.isLoopback())
                .distinct()
                .toList();
    }

    /** The node behind which a unit answers; where a box is, and where it is planned to be. */
    private Set<Ipv4> destinations(int job, Order order) {
        if (order.target() instanceof Target.Unit unit) {
            return readings.state(job).last().flatMap(r -> r.way(unit.uid())).map(w -> w.node()).stream()
                    .collect(Collectors.toSet());
        }
        Plan plan = plan(job);
        Set<Ipv4> meant = plan.box(((Target.OfBox) order.target()).number()).stream()
                .flatMap(b -> Stream.concat(b.ip().stream(), whereHeard(job, plan, b).stream()))
                .collect(Collectors.toCollection(HashSet::new));
        if (order.item() == Item.BOX_IP) {
            // It is asked there whether it has arrived.
            Ipv4.parse(order.will().raw().split("/", 2)[0]).ifPresent(meant::add);
        }
        return meant;
    }

    private Optional<Ipv4> whereHeard(int job, Plan plan, Box box) {
        return searches.of(job).heard().flatMap(h -> BoxPen.where(h.of(plan, box)));
    }

    /** Arms a list for a minute. */
    Armed arm(int job, int id, boolean network, boolean stops) throws NotWrittenException {
        WriteList list = ready(job, id);
        requireWanted(job, list);
        List<Ipv4> outside = outside(job, list);
        if (!outside.isEmpty() && !network) {
            throw new NotWrittenException("This would leave this machine, to " + outside + ". Arm output to them too.");
        }
        Armed now = new Armed(network, stops, clock.instant().plus(ArmedWrites.ARMED_FOR));
        armed.arm(id, now);
        return now;
    }

    private WriteList ready(int job, int id) throws NotWrittenException {
        WriteList list =
                find(job, id).map(Kept::list).orElseThrow(() -> new NotWrittenException("There is no such list."));
        if (list.state() != State.READY || isRunning(job, id)) {
            throw new NotWrittenException("This list was written already; make another.");
        }
        if (list.orders().isEmpty()) {
            throw new NotWrittenException("Nothing of this list can be written.");
        }
        return list;
    }

    private void requireWanted(int job, WriteList list) throws NotWrittenException {
        if (list.asPlanned() && !preparing.areStillWanted(job, plan(job), list.orders())) {
            throw new NotWrittenException(
                    "The plan has changed since this list was made, or what is known of the rig. Make it anew.");
        }
    }

    /** Begins to write what is armed. */
    void write(int job, int id) throws NotWrittenException {
        Armed now = armed.take(id)
                .orElseThrow(() -> new NotWrittenException(
                        "This list is not armed, or it was armed more than a minute ago. Arm it again."));
        WriteList list = ready(job, id);
        requireWanted(job, list);
        Run run = new Run(id);
        if (runs.putIfAbsent(job, run) != null) {
            throw new NotWrittenException("Another list of this job is being written; wait until it is done.");
        }
        lists.put(job, id, list.at(State.BEGUN, List.of()));
        workers.execute(() -> run(job, list, run, now));
    }

    void stop(int job, int id) {
        Run run = runs.get(job);
        if (run != null && run.list == id) {
            run.stopped = true;
        }
    }

    private void run(int job, WriteList list, Run run, Armed how) {
        try {
            List<Result> results = together(job, list, run, how);
            lists.put(job, run.list, list.at(State.ENDED, results));
        } catch (InterruptedException e) {
            // What is begun and has no result stays so in the store: nobody knows what was written.
            lists.put(job, run.list, list.at(State.BEGUN, run.results));
            Thread.currentThread().interrupt();
        } finally {
            runs.remove(job, run);
        }
    }

    private List<Result> together(int job, WriteList list, Run run, Armed how) throws InterruptedException {
        Plan plan = plan(job);
        try (CardLinks.Lease lease = readings.lease(plan)) {
            Pen pen = order -> pen(job, plan, lease, how, order).write(order);
            return new Writing(pen, how.stops(), () -> run.stopped).run(list.orders(), r -> run.results = r);
        } catch (IOException e) {
            return list.orders().stream()
                    .map(o -> Result.refused("the card cannot be had: " + e.getMessage()))
                    .toList();
        }
    }

    /** One order at once, such as that a unit makes itself known. */
    Result once(int job, Order order, boolean network) throws InterruptedException {
        Plan plan = plan(job);
        try (CardLinks.Lease lease = readings.lease(plan)) {
            return pen(job, plan, lease, new Armed(network, true, clock.instant()), order)
                    .write(order);
        } catch (IOException e) {
            return Result.refused("the card cannot be had: " + e.getMessage());
        }
    }

    /** To be armed is to be allowed to send to just those whom the order is for. */
    private Pen pen(int job, Plan plan, CardLinks.Lease lease, Armed how, Order order) {
        Set<Ipv4> meant = destinations(job, order);
        SendPolicy allowed = ip -> meant.contains(ip) && (ip.isLoopback() || how.network());
        if (order.target() instanceof Target.Unit) {
            return new UnitPen(
                    job,
                    editor,
                    readings,
                    clock,
                    () -> ArtNetController.over(lease.link(), allowed, settings.answerWithin()));
        }
        return new BoxPen(job, plan, searches, lease.link(), allowed, settings.answerWithin());
    }

    private Plan plan(int job) {
        return editor.find(job).orElseThrow(() -> new NoSuchJobException(job)).plan();
    }

    @Override
    public void destroy() {
        workers.shutdownNow();
    }
}
