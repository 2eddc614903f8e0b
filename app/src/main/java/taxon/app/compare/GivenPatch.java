package taxon.app.compare;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.zip.ZipFile;
import taxon.app.lists.ListFile;
import taxon.app.store.file.FileBytes;
import taxon.formats.mvr.MvrReader;
import taxon.formats.mvr.ParsedMvr;
import taxon.formats.table.TableFile;
import taxon.formats.table.TableReader;

/** A file that is to be held against the plan: a scene, or a table of any kind. */
sealed interface GivenPatch {
    /** A table; its sheets are read when they are asked for. */
    record Table(ListFile file) implements GivenPatch {}

    /** A scene that was read. */
    record OfScene(ParsedMvr.Read scene) implements GivenPatch {}

    /** A scene that cannot be read, and why. */
    record Refused(String sentence) implements GivenPatch {}

    /** Reads it; what it is shows in it, its name is of no account. */
    static GivenPatch of(Path file) {
        if (!isScene(file)) {
            return tooLarge(file).<GivenPatch>map(Refused::new).orElseGet(() -> new Table(ListFile.of(file)));
        }
        ParsedMvr parsed = MvrReader.read(new FileBytes(file));
        return parsed instanceof ParsedMvr.Read read
                ? new OfScene(read)
                : new Refused(((ParsedMvr.Refused) parsed).sentence());
    }

    /** Why a list is not taken, told before it is in memory; empty where it is. */
    private static Optional<String> tooLarge(Path file) {
        try {
            long bytes = Files.size(file);
            return bytes <= TableReader.MOST_BYTES
                    ? Optional.empty()
                    : Optional.of(new TableFile.Unreadable(
                                    TableFile.Fault.TOO_LARGE,
                                    Long.toString(bytes),
                                    Integer.toString(TableReader.MOST_BYTES))
                            .sentence());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The one file that every scene has (DIN SPEC 15801, from memory). */
    private static boolean isScene(Path file) {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            return zip.getEntry("GeneralSceneDescription.xml") != null;
        } catch (IOException noArchive) {
            return false;
        }
    }
}
