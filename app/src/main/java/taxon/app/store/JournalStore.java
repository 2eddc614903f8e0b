package taxon.app.store;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.stereotype.Repository;
import taxon.app.store.JournalEntry.Kind;
import taxon.app.store.JournalEntry.State;
import taxon.app.store.JournalMapper.JournalRow;
import taxon.app.store.JournalMapper.TitleRow;
import taxon.core.rig.PlanDelta;
import taxon.formats.json.Json;
import taxon.formats.json.PlanDeltaJson;

/** What was done to each job, in order, and what can be undone and done again. */
@Repository
public class JournalStore {
    private static final PlanDelta UNREAD = new PlanDelta(new TreeMap<>());

    private final JournalMapper rows;
    private final Clock clock;

    JournalStore(JournalMapper rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /**
     * Adds what was just done, when that is run. An act by hand ends all that could have been done again. What is long to
     * write is made ready before, so that nobody waits for it inside a transaction.
     */
    public Runnable adding(int job, long version, String title, String who, Kind kind, PlanDelta delta) {
        String text = text(delta);
        return () -> {
            if (kind != Kind.EVIDENCE) {
                rows.abandonUndone(job);
            }
            boolean byHand = kind == Kind.TICK;
            String stored = byHand ? Kind.EVIDENCE.name() : kind.name();
            rows.add(job, version, title, who, clock.instant().toString(), stored, byHand, text);
        };
    }

    /**
     * Marks an entry as undone or done again at a version, when that is run.
     *
     * @param delta the way from before it to after it
     */
    public Runnable turning(JournalEntry entry, State state, long version, PlanDelta delta) {
        String text = text(delta);
        return () -> rows.turn(entry.id(), state.name(), version, text);
    }

    public Optional<JournalEntry> undoable(int job) {
        return rows.lastDone(job).map(JournalStore::entry);
    }

    public Optional<JournalEntry> redoable(int job) {
        return rows.firstUndone(job).map(JournalStore::entry);
    }

    public Optional<String> undoTitle(int job) {
        return rows.lastDoneTitle(job).map(TitleRow::title);
    }

    public Optional<String> redoTitle(int job) {
        return rows.firstUndoneTitle(job).map(TitleRow::title);
    }

    /** What made the versions after this one. */
    public List<JournalEntry> since(int job, long version) {
        return rows.since(job, version).stream().map(JournalStore::entry).toList();
    }

    /** The newest entries, without their deltas. */
    public List<JournalEntry> latest(int job, int most) {
        return rows.latest(job, most).stream().map(r -> entry(r, UNREAD)).toList();
    }

    /** One entry with its delta. */
    public Optional<JournalEntry> find(int job, int id) {
        return rows.find(job, id).map(JournalStore::entry);
    }

    /** True when every entry that made a version after this one is still there. */
    public boolean reachesBack(int job, long version) {
        return version >= rows.thinnedTo(job);
    }

    int lastDoneId(int job) {
        return rows.lastDoneId(job);
    }

    int editsSince(int job, int entry, long version) {
        return rows.editsSince(job, entry, version);
    }

    private static JournalEntry entry(JournalRow row) {
        return entry(row, PlanDeltaJson.read(Json.parse(row.delta())));
    }

    private static JournalEntry entry(JournalRow row, PlanDelta delta) {
        return new JournalEntry(
                row.id(),
                row.version(),
                row.title(),
                row.who(),
                Instant.parse(row.at()),
                row.byHand() ? Kind.TICK : Kind.valueOf(row.kind()),
                State.valueOf(row.state()),
                delta);
    }

    private static String text(PlanDelta delta) {
        return PlanDeltaJson.write(delta).toString();
    }
}
