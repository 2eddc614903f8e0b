package taxon.app.upkeep;

import java.nio.file.Path;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import taxon.app.store.UpkeepStore;
import taxon.app.store.UpkeepStore.Part;
import taxon.app.store.UpkeepStore.Size;
import taxon.app.store.copies.BackupFolder.Backup;
import taxon.app.store.copies.BackupRule;
import taxon.app.store.copies.Bytes;
import taxon.app.store.file.StoreFile;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** What the page of the store shows. */
record StoreView(
        Path path,
        Size size,
        List<PartLine> parts,
        List<Backup> backups,
        Path folder,
        Optional<String> backupFailure,
        WholeCheck.Result check,
        boolean checking) {
    private static final int SHOWN_PARTS = 8;

    /** One kind of thing that takes room. */
    record PartLine(String name, String size) {}

    static StoreView of(StoreFile file, Size size, Backups backups, WholeCheck check) {
        return new StoreView(
                file.path(),
                size,
                lines(size.parts()),
                backups.all(),
                file.backups(),
                backups.failure(),
                check.result(),
                check.isRunning());
    }

    /** By what the crew knows, the largest first; what is the store's own stands together. */
    private static List<PartLine> lines(List<Part> parts) {
        Map<String, Long> named = new LinkedHashMap<>();
        parts.forEach(p -> named.merge(name(p.name()), p.bytes(), Long::sum));
        return named.entrySet().stream()
                .sorted(Map.Entry.<String, Long>comparingByValue().reversed())
                .limit(SHOWN_PARTS)
                .map(e -> new PartLine(e.getKey(), Bytes.words(e.getValue())))
                .toList();
    }

    /** What a table holds, as the crew calls it. */
    private static String name(String table) {
        return switch (table) {
            case "journal" -> "history of the jobs";
            case "revision" -> "revisions and their bundles";
            case "proposal", "proposal_file", "proposal_file_part" -> "proposals and their files";
            case "library_file", "library_original" -> "files that types were read from";
            case "library_type" -> "types of the library";
            case "rig_type" -> "types of the jobs";
            case "fixture", "fixture_address", "position", "rig_group" -> "fixtures, positions and groups";
            case "universe", "node", "reserved_run", "share", "wish" -> "universes, network and wishes";
            case "evidence" -> "what was set and proved";
            default -> "the store's own lists";
        };
    }

    /** The file's name, without its folder. */
    public String name() {
        return String.valueOf(path.getFileName());
    }

    public String folderName() {
        return String.valueOf(folder.getFileName());
    }

    public String bytes() {
        return Bytes.words(size.bytes());
    }

    public String free() {
        return Bytes.words(size.free());
    }

    public String rule() {
        return "One is made on each day on which something was written. The newest of each of the last "
                + BackupRule.DAYS + " days and of the last " + BackupRule.WEEKS
                + " weeks that have one stay; each is checked when it is made.";
    }

    public String stays() {
        return "Proposals that were applied or dropped go after " + UpkeepStore.ENDED_STAY.toDays()
                + " days, open ones after " + UpkeepStore.OPEN_STAY.toDays() + ", bundles after "
                + UpkeepStore.BUNDLES_STAY.toDays()
                + "; a bundle that is asked for again is made again, the same to the byte.";
    }

    public String checked() {
        if (!check.isDone()) {
            return "The store was not looked at yet.";
        }
        String what = check.whole() ? "Every page and every job was checked" : "A first look was taken";
        return what + " at " + second(check.at())
                + (check.faults().isEmpty() ? "; nothing is wrong." : "; this is wrong:");
    }

    static String compacted(long before, long after) {
        return "The store was written anew: " + Bytes.words(before) + " before, " + Bytes.words(after) + " now.";
    }

    /** "2026-11-28 02:30 UTC". */
    public static String second(Instant at) {
        return at.toString().substring(0, 16).replace('T', ' ') + " UTC";
    }

    ObjectNode json() {
        ObjectNode body = Json.object()
                .put("file", path.toString())
                .put("bytes", size.bytes())
                .put("free", size.free());
        var list = body.putArray("parts");
        size.parts().forEach(p -> list.addObject().put("table", p.name()).put("bytes", p.bytes()));
        var copies = body.putArray("backups");
        backups.forEach(b -> copies.addObject()
                .put("file", b.path().toString())
                .put("madeAt", b.madeAt().toString())
                .put("bytes", b.bytes()));
        var checked = body.putObject("check")
                .put("running", checking)
                .put("whole", check.whole())
                .put("at", check.at().toString());
        var faults = checked.putArray("faults");
        check.faults().forEach(faults::add);
        return body;
    }
}
