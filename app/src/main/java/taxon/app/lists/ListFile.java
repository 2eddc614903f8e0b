package taxon.app.lists;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import taxon.formats.table.TableFile;
import taxon.formats.table.TableReader;

/** A file as it was given, each of its sheets read once, when somebody asks for it. */
public final class ListFile {
    private final byte[] content;
    private final Map<String, TableFile> bySheet = new ConcurrentHashMap<>();

    public ListFile(byte[] content) {
        this.content = content;
    }

    /** A list is small enough to be in memory: what may be given is bounded. */
    public static ListFile of(Path file) {
        try {
            return new ListFile(Files.readAllBytes(file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** True when it is read, or refused, while whoever gave it looks on. */
    public boolean isReadInAMoment() {
        return TableReader.isReadInAMoment(content);
    }

    /** @param sheet of a workbook; the first where it is empty */
    public TableFile sheet(String sheet) {
        return bySheet.computeIfAbsent(sheet, s -> TableReader.read(content, s));
    }
}
