package taxon.app.store;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.support.TransactionTemplate;
import taxon.core.writing.WriteList;
import taxon.formats.json.Json;
import taxon.formats.json.WriteListJson;

/** Lists of what was written to units and boxes, the newest of each job: what was there before can be written back. */
@Repository
public class WriteListStore {
    /** Older ones go. */
    public static final int MOST = 50;

    private final WriteListMapper rows;
    private final TransactionTemplate transaction;

    WriteListStore(WriteListMapper rows, TransactionTemplate transaction) {
        this.rows = rows;
        this.transaction = transaction;
    }

    /** A list under its number. */
    public record Kept(int id, WriteList list) {}

    /** Keeps a list and gives its number. */
    public int add(int job, WriteList list) {
        return Objects.requireNonNull(transaction.execute(status -> {
            int id = rows.nextId();
            rows.add(id, job, WriteListJson.write(list).toString());
            rows.keepOnly(job, MOST);
            return id;
        }));
    }

    /** Keeps what became of a list. */
    public void put(int job, int id, WriteList list) {
        rows.put(id, job, WriteListJson.write(list).toString());
    }

    /** One of a job. */
    public Optional<Kept> find(int job, int id) {
        return rows.find(job, id).map(WriteListStore::read);
    }

    /** Those of a job, the newest first. */
    public List<Kept> newest(int job) {
        return rows.newest(job, MOST).stream().map(WriteListStore::read).toList();
    }

    private static Kept read(WriteListMapper.ListRow row) {
        return new Kept(row.id(), WriteListJson.read(Json.parse(row.content())));
    }
}
