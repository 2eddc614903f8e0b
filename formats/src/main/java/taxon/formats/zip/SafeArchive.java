package taxon.formats.zip;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;

/**
 * A ZIP archive, of which single entries are unpacked on demand. Nothing that is unpacked is ever
 * written to a disk.
 *
 * <p>Names that would lead out of a folder, names given twice and too many entries refuse the archive. An entry is unpacked
 * up to a limit, whatever size it claims.
 */
public final class SafeArchive {
    private static final int MOST_ENTRIES = 4096;
    private static final int MOST_RATIO = 400;
    private static final int SMALL = 1 << 20;
    private static final Set<Integer> METHODS = Set.of(ZipEntry.STORED, ZipEntry.DEFLATED);

    private final ByteSource source;
    private final Map<String, ZipArchiveEntry> entries = new LinkedHashMap<>();

    private SafeArchive(ByteSource source) {
        this.source = source;
    }

    /**
     * Opens an archive in memory and checks its list of entries.
     *
     * @throws ArchiveRefusedException when it is no ZIP archive or its list is not to be trusted
     */
    public static SafeArchive open(byte[] bytes) throws ArchiveRefusedException {
        return open(ByteSource.of(bytes));
    }

    /**
     * Opens an archive of which only what is asked for is read, and checks its list of entries.
     *
     * @param source there for as long as the archive is used
     * @throws ArchiveRefusedException when it is no ZIP archive or its list is not to be trusted
     */
    public static SafeArchive open(ByteSource source) throws ArchiveRefusedException {
        return checked(new SafeArchive(source));
    }

    private static SafeArchive checked(SafeArchive archive) throws ArchiveRefusedException {
        try (ZipFile file = archive.file()) {
            List<ZipArchiveEntry> all = List.copyOf(java.util.Collections.list(file.getEntries()));
            if (all.size() > MOST_ENTRIES) {
                throw new ArchiveRefusedException(
                        "The archive has " + all.size() + " entries; " + MOST_ENTRIES + " is the most.");
            }
            for (ZipArchiveEntry entry : all) {
                archive.list(entry);
            }
            return archive;
        } catch (IOException | IllegalArgumentException e) {
            throw new ArchiveRefusedException("The file is no ZIP archive that can be read.");
        }
    }

    private ZipFile file() throws IOException {
        return ZipFile.builder().setSeekableByteChannel(source.open()).get();
    }

    private void list(ZipArchiveEntry entry) throws ArchiveRefusedException {
        String name = entry.getName();
        List<String> steps = List.of(name.replace('\\', '/').split("/", -1));
        boolean leadsOut = name.startsWith("/") || name.contains("\\") || name.contains(":") || steps.contains("..");
        if (leadsOut || name.chars().anyMatch(Character::isISOControl)) {
            throw new ArchiveRefusedException(
                    "The archive has an entry whose name leads out of it: " + shown(name) + ".");
        }
        if (entries.put(name, entry) != null) {
            throw new ArchiveRefusedException("The archive has two entries called " + shown(name) + ".");
        }
    }

    private static String shown(String name) {
        String plain = name.replaceAll("\\p{Cntrl}", "?");
        return plain.length() > 80 ? plain.substring(0, 80) + "…" : plain;
    }

    /** The names of the entries, sorted. */
    public Set<String> names() {
        return new TreeSet<>(entries.keySet());
    }

    /**
     * Unpacks one entry.
     *
     * @param most how many bytes it may have
     * @return empty when there is no such entry
     * @throws ArchiveRefusedException when it is larger, packed too tightly, damaged, or packed in a way that is not read
     */
    public Optional<byte[]> read(String name, int most) throws ArchiveRefusedException {
        ZipArchiveEntry entry = entries.get(name);
        if (entry == null) {
            return Optional.empty();
        }
        if (entry.getSize() > most) {
            throw new ArchiveRefusedException(
                    shown(name) + " has " + entry.getSize() + " bytes; " + most + " is the most.");
        }
        requireReadable(name, entry);
        try (ZipFile file = file();
                InputStream in = file.getInputStream(entry)) {
            return Optional.of(bounded(in, entry, most));
        } catch (IOException | IllegalArgumentException e) {
            throw new ArchiveRefusedException(shown(name) + " is damaged: it cannot be unpacked.");
        }
    }

    /**
     * Unpacks everything once and forgets it, for a reader that unpacks by itself.
     *
     * @throws ArchiveRefusedException when all entries together are larger, packed too tightly, damaged, or packed in a way that is
     *     not read
     */
    public void requireUnpackedAtMost(long most) throws ArchiveRefusedException {
        long left = most;
        for (Map.Entry<String, ZipArchiveEntry> e : entries.entrySet()) {
            left -= unpacked(e.getKey(), e.getValue(), left);
        }
    }

    private long unpacked(String name, ZipArchiveEntry entry, long most) throws ArchiveRefusedException {
        requireReadable(name, entry);
        try (ZipFile file = file();
                InputStream in = file.getInputStream(entry)) {
            byte[] buffer = new byte[1 << 16];
            long count = 0;
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                count += read;
                if (count > most) {
                    throw new ArchiveRefusedException("With " + shown(name) + " it unpacks to more than is taken.");
                }
                requireLoose(name, count);
            }
            return count;
        } catch (IOException | IllegalArgumentException e) {
            throw new ArchiveRefusedException(shown(name) + " is damaged: it cannot be unpacked.");
        }
    }

    private static void requireReadable(String name, ZipArchiveEntry entry) throws ArchiveRefusedException {
        if (entry.getGeneralPurposeBit().usesEncryption() || !METHODS.contains(entry.getMethod())) {
            throw new ArchiveRefusedException(shown(name) + " is encrypted or packed in a way that is not read.");
        }
    }

    private void requireLoose(String name, long unpacked) throws ArchiveRefusedException {
        if (unpacked > SMALL && unpacked / MOST_RATIO > source.size()) {
            throw new ArchiveRefusedException(
                    shown(name) + " unpacks to more than " + MOST_RATIO + " times the size of the archive.");
        }
    }

    /** The size that an entry claims may be a lie: what comes out is counted. */
    private byte[] bounded(InputStream in, ZipArchiveEntry entry, int most)
            throws IOException, ArchiveRefusedException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] buffer = new byte[1 << 16];
        for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
            out.write(buffer, 0, read);
            if (out.size() > most) {
                throw new ArchiveRefusedException(
                        shown(entry.getName()) + " unpacks to more than " + most + " bytes, which is the most.");
            }
            requireLoose(entry.getName(), out.size());
        }
        return out.toByteArray();
    }
}
