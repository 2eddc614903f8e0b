package taxon.app.upkeep;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import taxon.app.edit.JobChanged;
import taxon.app.store.copies.Bytes;
import taxon.app.store.file.StoreFile;
import taxon.app.store.file.StoreTrouble;

/** Whether the store can be written, asked of the disk before it is tried and known from what was tried last. */
@Component
public class StoreHealth {
    /** What shall be free for the work of a day, beside a copy of the store. */
    static final long ROOM_TO_WORK = 64L << 20;

    private static final long ASKED_ANEW_NANOS = TimeUnit.SECONDS.toNanos(3);

    private final StoreFile file;
    private final LongSupplier freeBytes;
    private volatile Optional<StoreTrouble> last = Optional.empty();
    private volatile Optional<String> known = Optional.empty();
    private volatile long askedAt = System.nanoTime() - ASKED_ANEW_NANOS;

    @Autowired
    StoreHealth(StoreFile file) {
        this(file, () -> usable(file));
    }

    StoreHealth(StoreFile file, LongSupplier freeBytes) {
        this.file = file;
        this.freeBytes = freeBytes;
    }

    /** A sentence or two for every page, where an edit could fail or the last one did; empty when all is well. */
    public Optional<String> warning() {
        long now = System.nanoTime();
        if (now - askedAt >= ASKED_ANEW_NANOS) {
            askedAt = now;
            known = asked();
        }
        return last.map(t -> t.sentence() + " " + room()).or(() -> known);
    }

    private Optional<String> asked() {
        if (!Files.isWritable(file.path())) {
            return Optional.of(
                    "The store " + file.path() + " cannot be written: no edit will be kept until it can be.");
        }
        return freeBytes.getAsLong() < needed()
                ? Optional.of("The disk is nearly full: an edit may fail. " + room())
                : Optional.empty();
    }

    private String room() {
        return Bytes.words(freeBytes.getAsLong()) + " are free on the disk of " + file.folder() + "; Taxon needs about "
                + Bytes.words(needed()) + " for a day's work and its copy.";
    }

    private long needed() {
        try {
            return ROOM_TO_WORK + (Files.exists(file.path()) ? Files.size(file.path()) : 0);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static long usable(StoreFile file) {
        try {
            return Files.getFileStore(file.folder()).getUsableSpace();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Remembers that the store could not be written, until it can be. */
    public void failed(StoreTrouble trouble) {
        last = Optional.of(trouble);
    }

    @EventListener
    void wrote(JobChanged change) {
        last = Optional.empty();
    }
}
