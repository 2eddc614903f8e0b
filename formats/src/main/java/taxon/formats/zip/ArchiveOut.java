package taxon.formats.zip;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes ZIP archives in memory; the bytes depend on nothing but what is given. */
public final class ArchiveOut {
    /**
     * For files whose time says nothing. The very first time that an archive can carry, midnight of 1980-01-01, stands for "before",
     * and would be written once more in the zone of this machine.
     */
    public static final LocalDateTime NO_TIME = LocalDateTime.of(1980, 1, 2, 0, 0);

    private ArchiveOut() {}

    /**
     * An archive.
     *
     * @param files by name, in the order in which they are written
     * @param time of each
     */
    public static byte[] of(Map<String, byte[]> files, LocalDateTime time) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                ZipEntry entry = new ZipEntry(file.getKey());
                entry.setTimeLocal(time);
                zip.putNextEntry(entry);
                zip.write(file.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException("an archive can always be written to memory", e);
        }
        return out.toByteArray();
    }
}
