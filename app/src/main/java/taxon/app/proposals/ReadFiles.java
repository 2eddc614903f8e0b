package taxon.app.proposals;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Objects;
import java.util.function.Function;
import taxon.app.form.NotThereException;
import taxon.app.store.ProposalStore;

/**
 * The files that came with proposals of one kind, each read once. The last ones are kept as read.
 *
 * @param <T> what a file is when it was read
 */
public final class ReadFiles<T> {
    private static final int MOST_KEPT = 8;

    private final ProposalStore proposals;
    private final Function<byte[], T> reader;
    private final Cache<Integer, T> read =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    /** @param reader reads what was read before without complaint: only such files are kept */
    public ReadFiles(ProposalStore proposals, Function<byte[], T> reader) {
        this.proposals = proposals;
        this.reader = reader;
    }

    /** Remembers what a file was read as when it was given. */
    public void put(int proposal, T content) {
        read.put(proposal, content);
    }

    /** @throws NotThereException when no file came with that proposal */
    public T of(int proposal) {
        return Objects.requireNonNull(read.get(proposal, this::load));
    }

    private T load(int proposal) {
        return reader.apply(
                proposals.file(proposal).orElseThrow(() -> new NotThereException("file of proposal " + proposal)));
    }
}
