package taxon.formats.bundle;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import taxon.core.text.Sums;
import taxon.formats.json.Json;
import taxon.formats.zip.ArchiveRefusedException;
import taxon.formats.zip.SafeArchive;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * Whether a bundle is as it was handed over: every file that its manifest names is there with its sum, and no other.
 *
 * @param job as the manifest says; empty where there is none that can be read
 * @param revision its letters
 * @param frozenAt as the manifest says, in UTC
 * @param files how many it names
 * @param document the sum of its {@code job.json}, by which it is held against a store; empty where it has none
 * @param troubles what is not as it was; empty where the bundle is whole
 */
public record BundleCheck(
        String job, String revision, String frozenAt, int files, String document, List<Trouble> troubles) {
    private static final int MOST_OF_A_FILE = 128 << 20;
    private static final String DOCUMENT = "job.json";

    public BundleCheck {
        troubles = List.copyOf(troubles);
    }

    /** What may be wrong. */
    public enum Kind {
        /** It is no archive, or none that is to be trusted. */
        NO_ARCHIVE,
        /** It has no manifest, or one that says nothing. */
        NO_MANIFEST,
        MISSING,
        CHANGED,
        /** A file of which the manifest knows nothing. */
        EXTRA
    }

    /**
     * One thing.
     *
     * @param name of the file
     * @param detail what the archive says of it, where it says anything
     */
    public record Trouble(Kind kind, String name, String detail) {
        /** As a sentence. */
        public String words() {
            return switch (kind) {
                case NO_ARCHIVE -> detail;
                case NO_MANIFEST -> "There is no " + Bundle.MANIFEST + " of a bundle in it" + detail + ".";
                case MISSING -> name + " is missing.";
                case CHANGED -> name + " is not what was handed over" + detail + ".";
                case EXTRA -> name + " was not handed over with it.";
            };
        }
    }

    /** True when nothing is wrong. */
    public boolean isWhole() {
        return troubles.isEmpty();
    }

    /** Looks at an archive in memory; whatever it is, this answers. */
    public static BundleCheck of(byte[] zip) {
        try {
            SafeArchive archive = SafeArchive.open(zip);
            Optional<byte[]> manifest = archive.read(Bundle.MANIFEST, 1 << 22);
            return manifest.isEmpty() ? none(Kind.NO_MANIFEST, "") : checked(archive, manifest.get());
        } catch (ArchiveRefusedException e) {
            return none(Kind.NO_ARCHIVE, String.valueOf(e.getMessage()));
        }
    }

    private static BundleCheck none(Kind kind, String detail) {
        return new BundleCheck("", "", "", 0, "", List.of(new Trouble(kind, "", detail)));
    }

    private static BundleCheck checked(SafeArchive archive, byte[] bytes) {
        JsonNode manifest;
        try {
            manifest = Json.parse(new String(bytes, StandardCharsets.UTF_8));
        } catch (JacksonException | IllegalArgumentException e) {
            return none(Kind.NO_MANIFEST, ": it cannot be read");
        }
        if (!manifest.path("format").asString("").equals(Bundle.FORMAT)) {
            return none(Kind.NO_MANIFEST, ": it is of something else");
        }
        List<Trouble> troubles = new ArrayList<>();
        TreeSet<String> extra = new TreeSet<>(archive.names());
        extra.remove(Bundle.MANIFEST);
        String document = "";
        int files = 0;
        for (JsonNode file : manifest.path("files")) {
            String name = file.path("name").asString("");
            files++;
            extra.remove(name);
            Optional<String> sum = sum(archive, name, file.path("sha256").asString(""), troubles);
            if (name.equals(DOCUMENT)) {
                document = sum.orElse("");
            }
        }
        extra.forEach(name -> troubles.add(new Trouble(Kind.EXTRA, name, "")));
        return new BundleCheck(
                manifest.path("job").asString(""),
                manifest.path("revision").asString(""),
                manifest.path("frozenAt").asString(""),
                files,
                document,
                troubles);
    }

    private static Optional<String> sum(SafeArchive archive, String name, String wanted, List<Trouble> troubles) {
        try {
            Optional<String> found = archive.read(name, MOST_OF_A_FILE).map(Sums::of);
            if (found.isEmpty()) {
                troubles.add(new Trouble(Kind.MISSING, name, ""));
            } else if (!found.get().equals(wanted)) {
                troubles.add(new Trouble(Kind.CHANGED, name, ""));
            }
            return found;
        } catch (ArchiveRefusedException e) {
            troubles.add(new Trouble(Kind.CHANGED, name, ": " + e.getMessage()));
            return Optional.empty();
        }
    }
}
