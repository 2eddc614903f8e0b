package taxon.app.store.copies;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.app.store.file.StoreFile;

/** The copies beside a store, each named after the second that it was made in. Other files in the folder are left alone. */
public final class BackupFolder {
    private static final DateTimeFormatter NAME = DateTimeFormatter.ofPattern(
                    "'taxon-'uuuu-MM-dd'T'HHmmss'Z.db'", Locale.ROOT)
            .withZone(ZoneOffset.UTC);

    private final StoreFile store;

    public BackupFolder(StoreFile store) {
        this.store = store;
    }

    /** A copy. */
    public record Backup(Path path, Instant madeAt, long bytes) {
        public String name() {
            return String.valueOf(path.getFileName());
        }

        public String size() {
            return Bytes.words(bytes);
        }
    }

    /**
     * Makes a copy and takes away those that the rule no longer keeps.
     *
     * @throws CopyFailedException when it could not be made; no other copy is taken away then
     */
    public Backup add(Instant at) {
        Path target = store.backups().resolve(NAME.format(at));
        StoreCopy.write(store, target);
        thin();
        return backup(target).orElseThrow(() -> new CopyFailedException("The copy " + target + " is gone again."));
    }

    /** The newest first. */
    public List<Backup> all() {
        if (!Files.isDirectory(store.backups())) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(store.backups())) {
            return files.flatMap(f -> backup(f).stream())
                    .sorted(Comparator.comparing(Backup::madeAt).reversed())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void thin() {
        List<Backup> all = new ArrayList<>(all());
        Set<Instant> kept = BackupRule.kept(all.stream().map(Backup::madeAt).collect(Collectors.toSet()));
        all.removeIf(b -> kept.contains(b.madeAt()));
        try {
            for (Backup old : all) {
                Files.deleteIfExists(old.path());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Optional<Backup> backup(Path file) {
        try {
            Instant at = NAME.parse(String.valueOf(file.getFileName()), Instant::from);
            return Optional.of(new Backup(file, at, Files.size(file)));
        } catch (DateTimeException ofSomeoneElse) {
            return Optional.empty();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
