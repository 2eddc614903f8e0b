package taxon.app.upkeep;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import taxon.app.store.copies.BackupFolder;
import taxon.app.store.copies.BackupFolder.Backup;
import taxon.app.store.copies.CopyFailedException;
import taxon.app.store.file.StoreFile;

/** Copies of the store: one on each day on which something was written, and one whenever someone asks. */
@Service
class Backups {
    private static final Logger LOG = LoggerFactory.getLogger(Backups.class);

    private final StoreFile file;
    private final BackupFolder folder;
    private final Clock clock;
    private volatile Optional<String> failure = Optional.empty();

    Backups(StoreFile file, Clock clock) {
        this.file = file;
        this.folder = new BackupFolder(file);
        this.clock = clock;
    }

    /** Makes the copy of the day, where there is none yet and the store was written since the last one. */
    synchronized void makeIfDue() {
        Optional<Instant> newest = folder.all().stream().findFirst().map(Backup::madeAt);
        if (newest.isPresent() && (day(newest.get()).equals(day(clock.instant())) || !isWrittenSince(newest.get()))) {
            return;
        }
        try {
            make();
        } catch (CopyFailedException e) {
            LOG.warn("No copy of the day: {}", e.getMessage(), e);
        }
    }

    /**
     * Makes a copy now.
     *
     * @throws CopyFailedException when it could not be made; the reason is kept for the page
     */
    synchronized Backup make() {
        try {
            Backup made = folder.add(clock.instant());
            failure = Optional.empty();
            return made;
        } catch (CopyFailedException e) {
            failure = Optional.of(clock.instant() + ": " + e.getMessage());
            throw e;
        }
    }

    /** The newest first. */
    List<Backup> all() {
        return folder.all();
    }

    /** Why the last copy failed; empty when it did not. */
    Optional<String> failure() {
        return failure;
    }

    private boolean isWrittenSince(Instant at) {
        return isWrittenSince(file.path(), at) || isWrittenSince(file.beside("-wal"), at);
    }

    private static boolean isWrittenSince(Path path, Instant at) {
        try {
            return Files.exists(path)
                    && Files.getLastModifiedTime(path).toInstant().isAfter(at);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static LocalDate day(Instant at) {
        return at.atOffset(ZoneOffset.UTC).toLocalDate();
    }
}
