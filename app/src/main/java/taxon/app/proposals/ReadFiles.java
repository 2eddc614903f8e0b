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
    private static final long MOST_BYTES = 48L << 20;

    private final ProposalStore proposals;
    private final Function<byte[], T> reader;
    // What was read takes about as much memory as the file that it was read from.
    private final Cache<Integer, Kept<T>> read = Caffeine.newBuilder()
            .maximumWeight(MOST_BYTES)
            .weigher((Integer proposal, Kept<T> kept) -> kept.bytes())
            .build();

    private record Kept<T>(T content, int bytes) {}

    /** @param reader reads what was read before without complaint: only such files are kept */
    public ReadFiles(ProposalStore proposals, Function<byte[], T> reader) {
        this.proposals = proposals;
        this.reader = reader;
    }

    /** Remembers what a file was read as when it was given. */
    public void put(int proposal, T content, int bytes) {
        read.put(proposal, new Kept<>(content, bytes));
    }

    /** @throws NotThereException when no file came with that proposal */
    public T of(int proposal) {
        return Objects.requireNonNull(read.get(proposal, this::load)).content();
    }

    private Kept<T> load(int proposal) {
        byte[] file = proposals.file(proposal).orElseThrow(() -> new NotThereException("file of proposal " + proposal));
        return new Kept<>(reader.apply(file), file.length);
    }
}
