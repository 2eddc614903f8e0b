package taxon.app.store.copies;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.SQLException;
import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import taxon.app.start.StartRefusedException;
import taxon.app.store.file.StoreContent;
import taxon.app.store.file.StoreContent.Store;
import taxon.app.store.file.StoreFile;
import taxon.app.store.file.StoreInspector;
import taxon.app.store.file.StoreLock;
import taxon.app.store.file.StoreVersions;

/**
 * The commands about a store that need no server: {@code backup STORE COPY}, and {@code restore STORE COPY [--yes]}, which
 * only tells what it would replace until it is told to.
 */
public final class StoreCommand {
    private static final String YES = "--yes";
    private static final DateTimeFormatter SECOND =
            DateTimeFormatter.ofPattern("uuuuMMdd'T'HHmmss'Z'", Locale.ROOT).withZone(ZoneOffset.UTC);

    private final PrintStream out;
    private final Clock clock;

    public StoreCommand(PrintStream out, Clock clock) {
        this.out = out;
        this.clock = clock;
    }

    /** True when the arguments are one of these commands. */
    public static boolean isOne(List<String> arguments) {
        return !arguments.isEmpty() && List.of("backup", "restore").contains(arguments.get(0));
    }

    /** Runs one and gives the exit status: 0 when it was done, 1 when it was refused, 2 when it was not understood. */
    public int run(List<String> arguments) {
        boolean backup = arguments.get(0).equals("backup");
        List<String> paths =
                arguments.stream().skip(1).filter(a -> !a.equals(YES)).toList();
        if (paths.size() != 2 || paths.contains("")) {
            out.println("taxon: " + arguments.get(0) + " needs a store (--data FILE) and a copy.");
            return 2;
        }
        StoreFile store = new StoreFile(Path.of(paths.get(0)));
        StoreFile copy = new StoreFile(Path.of(paths.get(1)));
        try {
            return backup ? backup(store, copy) : restore(store, copy, arguments.contains(YES));
        } catch (CopyFailedException | StartRefusedException refused) {
            out.println("taxon: " + refused.getMessage());
            return 1;
        } catch (IOException | SQLException e) {
            out.println("taxon: " + arguments.get(0) + " failed: " + e.getMessage());
            return 1;
        }
    }

    private int backup(StoreFile store, StoreFile copy) throws SQLException {
        if (!(StoreInspector.of(store) instanceof Store)) {
            out.println("taxon: " + store.path() + " is no store of Taxon; there is nothing to copy.");
            return 1;
        }
        if (Files.exists(copy.path())) {
            out.println(
                    "taxon: " + copy.path() + " exists already. Name a file that does not, so that nothing is lost.");
            return 1;
        }
        StoreCopy.write(store, copy.path());
        out.println("Copied and checked: " + copy.path());
        StoreSummary.lines(copy).forEach(out::println);
        return 0;
    }

    private int restore(StoreFile store, StoreFile copy, boolean sure) throws IOException, SQLException {
        checkCopy(copy);
        out.println("In the copy " + copy.path() + ":");
        StoreSummary.lines(copy).forEach(out::println);
        boolean replaces = Files.exists(store.path());
        out.println(replaces ? "It would replace " + store.path() + ":" : "There is no " + store.path() + " yet.");
        if (replaces) {
            summaryOf(store).forEach(out::println);
        }
        if (!sure) {
            out.println("Nothing was changed. Add " + YES + " to do it; what is replaced is kept beside it.");
            return 0;
        }
        StoreLock lock = StoreLock.take(store);
        try (lock) {
            replace(store, copy);
        }
        return 0;
    }

    private static void checkCopy(StoreFile copy) {
        StoreContent content = StoreVersions.writable(copy);
        List<String> faults = content instanceof Store ? StoreCopy.faults(copy) : List.of("it holds no job");
        if (!faults.isEmpty()) {
            throw new CopyFailedException(copy.path() + " is no whole store: " + faults.get(0));
        }
    }

    private static List<String> summaryOf(StoreFile store) {
        try {
            return StoreSummary.lines(store);
        } catch (SQLException damaged) {
            return List.of("  what cannot be read: " + damaged.getMessage());
        }
    }

    /** The old store goes aside with its journal, which belongs to it; then the copy takes its name. */
    private void replace(StoreFile store, StoreFile copy) throws IOException {
        Path part = store.beside(".part");
        Files.copy(copy.path(), part, StandardCopyOption.REPLACE_EXISTING);
        StoreFile aside = new StoreFile(store.beside(".replaced-" + SECOND.format(clock.instant())));
        for (String suffix : List.of("", "-wal", "-shm")) {
            if (Files.exists(store.beside(suffix))) {
                Files.move(store.beside(suffix), aside.beside(suffix));
            }
        }
        Files.move(part, store.path(), StandardCopyOption.ATOMIC_MOVE);
        out.println("Done. " + store.path() + " is the copy now"
                + (Files.exists(aside.path()) ? "; what it was is in " + aside.path() + "." : "."));
    }
}
