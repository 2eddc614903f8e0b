package taxon.app.store.file;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import taxon.app.store.file.StoreContent.Foreign;
import taxon.app.store.file.StoreContent.Nothing;
import taxon.app.store.file.StoreContent.Store;

/** Finds out what a file is. It is opened for reading only, and no setting is made that would be written to it. */
public final class StoreInspector {
    // SQLite, "Database File Format", 1.3: the header string.
    private static final byte[] HEADER = "SQLite format 3\0".getBytes(StandardCharsets.ISO_8859_1);

    private StoreInspector() {}

    /**
     * What the file is.
     *
     * @throws UncheckedIOException when it cannot be read
     */
    public static StoreContent of(StoreFile file) {
        try {
            if (!Files.exists(file.path()) || Files.size(file.path()) == 0) {
                return new Nothing();
            }
            return hasHeader(file) ? opened(file) : new Foreign("it is no SQLite file");
        } catch (IOException e) {
            throw new UncheckedIOException(file.path() + " cannot be read", e);
        }
    }

    private static boolean hasHeader(StoreFile file) throws IOException {
        try (InputStream in = Files.newInputStream(file.path())) {
            return Arrays.equals(in.readNBytes(HEADER.length), HEADER);
        }
    }

    private static StoreContent opened(StoreFile file) {
        try (Connection connection = file.reading().getConnection();
                Statement statement = connection.createStatement()) {
            int tables = number(statement, "select count(*) from sqlite_master where type = 'table'");
            if (tables == 0) {
                return new Nothing();
            }
            int ours = number(
                    statement,
                    "select count(*) from sqlite_master where type = 'table' and name in ('flyway_schema_history', 'job')");
            return ours == 2
                    ? new Store(
                            number(
                                    statement,
                                    "select coalesce(max(cast(version as integer)), 0) from flyway_schema_history where success = 1"))
                    : new Foreign("it holds the tables of another program");
        } catch (SQLException e) {
            return new Foreign("SQLite cannot open it: " + e.getMessage());
        }
    }

    private static int number(Statement statement, String query) throws SQLException {
        try (ResultSet result = statement.executeQuery(query)) {
            result.next();
            return result.getInt(1);
        }
    }
}
