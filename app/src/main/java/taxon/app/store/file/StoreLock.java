package taxon.app.store.file;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.StandardOpenOption;
import taxon.app.start.StartRefusedException;

/**
 * One process has the store open. The lock is the operating system's and dies with the process, however that ends; the
 * file itself stays.
 */
public final class StoreLock implements AutoCloseable {
    private final FileChannel channel;

    private StoreLock(FileChannel channel) {
        this.channel = channel;
    }

    /**
     * Takes the lock.
     *
     * @throws StartRefusedException when another process, or another Taxon in this one, has the store open
     */
    public static StoreLock take(StoreFile file) {
        try {
            FileChannel channel = FileChannel.open(file.lock(), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            if (!isLocked(channel)) {
                channel.close();
                throw new StartRefusedException("Another Taxon has " + file.path()
                        + " open. Go to its page, or end it first; two at once would lose each other's work.");
            }
            return new StoreLock(channel);
        } catch (IOException e) {
            throw new StartRefusedException(
                    "The store's lock " + file.lock() + " cannot be taken: " + e.getMessage(), e);
        }
    }

    private static boolean isLocked(FileChannel channel) throws IOException {
        try {
            FileLock lock = channel.tryLock();
            return lock != null;
        } catch (OverlappingFileLockException takenByThisProcess) {
            return false;
        }
    }

    @Override
    public void close() {
        try {
            channel.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
