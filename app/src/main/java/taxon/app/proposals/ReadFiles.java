package taxon.app.proposals;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
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
    private final Function<Path, T> reader;
    // What was read takes about as much memory as the file that it was read from.
    private final Cache<Integer, Kept<T>> read = Caffeine.newBuilder()
            .maximumWeight(MOST_BYTES)
            .weigher((Integer proposal, Kept<T> kept) -> kept.bytes())
            .build();

    private record Kept<T>(T content, int bytes) {}

    /** @param reader reads what was read before without complaint: only such files are kept */
    public ReadFiles(ProposalStore proposals, Function<Path, T> reader) {
        this.proposals = proposals;
        this.reader = reader;
    }

    /** Remembers what a file was read as when it was given. */
    public void put(int proposal, T content, long bytes) {
        read.put(proposal, new Kept<>(content, weight(bytes)));
    }

    /** @throws NotThereException when no file came with that proposal */
    public T of(int proposal) {
        return Objects.requireNonNull(read.get(proposal, this::load)).content();
    }

    private Kept<T> load(int proposal) {
        return proposals
                .file(proposal, file -> new Kept<>(reader.apply(file), weight(size(file))))
                .orElseThrow(() -> new NotThereException("file of proposal " + proposal));
    }

    private static int weight(long bytes) {
        return (int) Math.min(Integer.MAX_VALUE, bytes);
    }

    private static long size(Path file) {
        try {
            return Files.size(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
