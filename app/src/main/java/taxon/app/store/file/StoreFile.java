package taxon.app.store.file;

import java.nio.file.Path;
import java.util.Objects;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;

/**
 * The file that all jobs are kept in, and what stands beside it.
 *
 * @param path absolute
 */
public record StoreFile(Path path) {
    private static final int PATIENCE_MILLIS = 5_000;

    public StoreFile {
        path = path.toAbsolutePath().normalize();
    }

    public String name() {
        return Objects.requireNonNull(path.getFileName(), "a store is a file").toString();
    }

    /** The folder that it lies in. */
    public Path folder() {
        return Objects.requireNonNullElse(path.getParent(), path.getRoot());
    }

    /** The file that is locked while a process has the store open. */
    public Path lock() {
        return beside(".lock");
    }

    /** The folder of the copies that are made on a schedule. */
    public Path backups() {
        return beside("-backups");
    }

    /** The copy that is made before the store is brought from one version to another. */
    public Path beforeMigration(int from, int to) {
        return beside(".version-" + from + "-before-" + to);
    }

    /** A file with the store's name and more. */
    public Path beside(String suffix) {
        return path.resolveSibling(name() + suffix);
    }

    /**
     * The JDBC address with these settings. The path is written as a URI: in a plain one, what follows a {@code ?} of the
     * file's name would be taken for settings.
     */
    public String url(String settings) {
        return "jdbc:sqlite:file:" + path.toUri().getRawPath() + "?" + settings;
    }

    /** A source of connections that cannot write, and make no setting that would be written. */
    public SQLiteDataSource reading() {
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        config.setBusyTimeout(PATIENCE_MILLIS);
        SQLiteDataSource source = new SQLiteDataSource(config);
        source.setUrl("jdbc:sqlite:file:" + path.toUri().getRawPath());
        return source;
    }

    /** A source of connections of its own, beside the pool. */
    public SQLiteDataSource source(String settings) {
        SQLiteDataSource source = new SQLiteDataSource();
        source.setUrl(url(settings));
        return source;
    }
}
