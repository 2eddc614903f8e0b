package taxon.app.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import taxon.app.store.file.FileBytes;
import taxon.core.compare.Counting;
import taxon.core.compare.ListPatch;
import taxon.core.compare.PatchColumns;
import taxon.core.compare.PlanPatch;
import taxon.core.compare.ScenePatch;
import taxon.core.compare.TheirPatch;
import taxon.core.listing.ColumnMap;
import taxon.core.listing.ListReading;
import taxon.core.listing.NumberHabits;
import taxon.core.rig.Plan;
import taxon.formats.json.JobJson;
import taxon.formats.mvr.MvrReader;
import taxon.formats.mvr.ParsedMvr;
import taxon.formats.table.TableFile;
import taxon.formats.table.TableReader;

/** A file of any kind that holds a patch, as a command reads it: a job, a bundle, a scene or a list. What it is shows in it. */
sealed interface PatchFile {
    /** What is larger than that is none. */
    long MOST_BYTES = 160L << 20;

    /** A whole job. */
    record OfJob(Plan plan) implements PatchFile {}

    /** A bundle that was handed over, with the job that it holds. */
    record OfBundle(Plan plan) implements PatchFile {}

    /** A scene or a list. */
    record OfRows(TheirPatch patch, List<String> leftOut) implements PatchFile {
        public OfRows {
            leftOut = List.copyOf(leftOut);
        }
    }

    /** One that cannot be read, and why. */
    record Unreadable(String sentence) implements PatchFile {}

    /** Its rows; none where it cannot be read. */
    default Optional<TheirPatch> rows() {
        if (this instanceof OfJob job) {
            return Optional.of(TheirPatch.of(PlanPatch.of(job.plan())));
        }
        if (this instanceof OfBundle bundle) {
            return Optional.of(TheirPatch.of(PlanPatch.of(bundle.plan())));
        }
        return this instanceof OfRows rows ? Optional.of(rows.patch()) : Optional.empty();
    }

    /** Reads one. */
    static PatchFile read(Path file) {
        try {
            if (Files.size(file) > MOST_BYTES) {
                return new Unreadable("it has more than " + (MOST_BYTES >> 20) + " MB; no patch has.");
            }
            Optional<PatchFile> archived = archive(file);
            if (archived.isPresent()) {
                return archived.get();
            }
            byte[] content = Files.readAllBytes(file);
            return isJson(content)
                    ? job(content).map(p -> (PatchFile) new OfJob(p)).orElseGet(() -> noJob(content))
                    : list(content);
        } catch (IOException e) {
            return new Unreadable("it cannot be read: " + e.getMessage() + ".");
        }
    }

    private static boolean isJson(byte[] content) {
        for (byte one : content) {
            if (!Character.isWhitespace(one)) {
                return one == '{';
            }
        }
        return false;
    }

    private static Optional<Plan> job(byte[] content) {
        return JobJson.read(content) instanceof JobJson.Read read ? Optional.of(read.plan()) : Optional.empty();
    }

    private static PatchFile noJob(byte[] content) {
        return new Unreadable(String.join(" ", ((JobJson.Refused) JobJson.read(content)).reasons()));
    }

    private static Optional<PatchFile> archive(Path file) throws IOException {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            if (zip.getEntry("GeneralSceneDescription.xml") != null) {
                return Optional.of(scene(file));
            }
            ZipEntry document = zip.getEntry("job.json");
            if (document == null || zip.getEntry("manifest.json") == null) {
                return Optional.empty();
            }
            // Bounded by what is read, whatever the archive says of itself.
            byte[] content = zip.getInputStream(document).readNBytes((int) MOST_BYTES);
            return Optional.of(
                    job(content).map(p -> (PatchFile) new OfBundle(p)).orElseGet(() -> noJob(content)));
        } catch (ZipException noArchive) {
            return Optional.empty();
        }
    }

    private static PatchFile scene(Path file) {
        ParsedMvr parsed = MvrReader.read(new FileBytes(file));
        return parsed instanceof ParsedMvr.Read read
                ? new OfRows(ScenePatch.of(read.scene()), List.of())
                : new Unreadable(((ParsedMvr.Refused) parsed).sentence());
    }

    private static PatchFile list(byte[] content) {
        TableFile table = TableReader.read(content, "");
        if (table instanceof TableFile.Unreadable unreadable) {
            return new Unreadable(unreadable.sentence());
        }
        TableFile.Read read = (TableFile.Read) table;
        ColumnMap columns = PatchColumns.guess(read.rows());
        if (columns.columns().isEmpty()) {
            return new Unreadable(
                    "what its columns hold is not known; hold it against a job in the browser, which asks.");
        }
        ListReading reading = ListReading.of(read.rows(), columns);
        NumberHabits habits = NumberHabits.of(reading.rows(), Map.of());
        return new OfRows(ListPatch.read(reading, habits, Counting.FROM_ONE), reading.leftOut());
    }
}
