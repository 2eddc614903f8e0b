package taxon.app.store.copies;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import taxon.app.store.file.StoreFile;

/**
 * Copies a store while it is in use. The copy is of one moment, holds no journal beside it, and has its name only when it
 * was checked and is on disk.
 */
public final class StoreCopy {
    private static final String READING = "busy_timeout=5000";
    private static final int MOST_FAULTS = 20;
    private static final long SPARE_BYTES = 4L << 20;

    private StoreCopy() {}

    /**
     * Copies a store.
     *
     * @param target replaced where it exists
     * @throws CopyFailedException when there is not enough room, or the copy is not whole; the target is as it was then
     */
    public static void write(StoreFile from, Path target) {
        Path part = target.resolveSibling(target.getFileName() + ".part");
        try {
            Files.createDirectories(Objects.requireNonNull(part.getParent(), "a copy lies in a folder"));
            checkRoom(from, part);
            Files.deleteIfExists(part);
            vacuumInto(from, part);
            List<String> faults = faults(new StoreFile(part));
            if (!faults.isEmpty()) {
                throw new CopyFailedException("The copy is not whole: " + String.join("; ", faults));
            }
            settle(part, target);
        } catch (SQLException | IOException e) {
            throw new CopyFailedException("The copy " + target + " could not be written: " + e.getMessage(), e);
        } finally {
            remove(part);
        }
    }

    /** What SQLite's own check finds wrong with a store, a line each; empty when it is whole. */
    public static List<String> faults(StoreFile file) {
        List<String> lines = new ArrayList<>();
        try (Connection connection = file.source(READING).getConnection();
                Statement statement = connection.createStatement()) {
            collect(statement, "pragma integrity_check(" + MOST_FAULTS + ")", 1, lines);
            lines.removeIf("ok"::equals);
            collect(statement, "pragma foreign_key_check", 1, lines);
        } catch (SQLException e) {
            lines.add(String.valueOf(e.getMessage()));
        }
        return lines.stream().limit(MOST_FAULTS).toList();
    }

    private static void collect(Statement statement, String query, int column, List<String> lines) throws SQLException {
        try (ResultSet result = statement.executeQuery(query)) {
            while (result.next()) {
                lines.add(result.getString(column));
            }
        }
    }

    private static void checkRoom(StoreFile from, Path part) throws IOException {
        long needed = Files.size(from.path()) + SPARE_BYTES;
        long free = Files.getFileStore(part.getParent()).getUsableSpace();
        if (free < needed) {
            throw new CopyFailedException("A copy needs " + Bytes.words(needed) + "; " + Bytes.words(free)
                    + " are free on the disk of " + part.getParent() + ".");
        }
    }

    private static void vacuumInto(StoreFile from, Path part) throws SQLException {
        try (Connection connection = from.source(READING).getConnection();
                PreparedStatement copy = connection.prepareStatement("vacuum into ?")) {
            copy.setString(1, part.toString());
            copy.execute();
        }
    }

    /** On disk first, then under its name. */
    private static void settle(Path part, Path target) throws IOException {
        try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE)) {
            channel.force(true);
        }
        Files.move(part, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    }

    private static void remove(Path part) {
        try {
            if (Files.exists(part)) {
                Files.delete(part);
            }
        } catch (IOException e) {
            throw new CopyFailedException(
                    "What was begun of the copy, " + part + ", cannot be removed: " + e.getMessage(), e);
        }
    }
}
