package taxon.app.store.file;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import taxon.app.start.StartRefusedException;
import taxon.app.store.file.StoreContent.Foreign;
import taxon.app.store.file.StoreContent.Store;

/** The versions of the store's tables: what this Taxon knows, and what it refuses to touch. */
public final class StoreVersions {
    private static final Pattern MIGRATION = Pattern.compile("V(\\d+)__.*\\.sql");

    private StoreVersions() {}

    /** The version that this Taxon brings a store to. */
    public static int newest() {
        try {
            return Arrays.stream(
                            new PathMatchingResourcePatternResolver().getResources("classpath:db/migration/V*.sql"))
                    .map(r -> MIGRATION.matcher(Objects.requireNonNullElse(r.getFilename(), "")))
                    .filter(Matcher::matches)
                    .mapToInt(m -> Integer.parseInt(m.group(1)))
                    .max()
                    .orElseThrow();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * What the file is, where Taxon may write to it.
     *
     * @throws StartRefusedException when it is of a newer Taxon, or of something else
     */
    public static StoreContent writable(StoreFile file) {
        StoreContent content = StoreInspector.of(file);
        if (content instanceof Foreign foreign) {
            throw new StartRefusedException(
                    file.path() + " is no store of Taxon: " + foreign.why() + ". It was left as it is.");
        }
        if (content instanceof Store store && store.version() > newest()) {
            throw new StartRefusedException(file.path() + " was written by a newer Taxon: its tables have version "
                    + store.version() + ", this Taxon knows version " + newest()
                    + ". Start the newer one, or open a copy from before. It was left as it is.");
        }
        return content;
    }
}
