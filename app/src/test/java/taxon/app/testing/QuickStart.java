package taxon.app.testing;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.ProcessBuilder.Redirect;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.spi.ToolProvider;
import java.util.stream.Stream;
import taxon.app.TaxonApplication;

/**
 * What a process of Taxon is started with: a class path of jars, and an archive of the classes that a start loads, which takes
 * half of the time from it, as {@code ./taxon} does. Made once for a build; a machine that cannot use it starts without.
 */
final class QuickStart {
    private static final int PATIENCE_SECONDS = 300;
    private static final Path FOLDER = Path.of("target", "quick-start").toAbsolutePath();
    private static final Path ARCHIVE = FOLDER.resolve("classes.jsa");
    private static final List<Path> CLASSES = classFolders();

    /** Of the Java machine, with its class path; all that is left to name is the main class. */
    static final List<String> OPTIONS = options();

    private QuickStart() {}

    /** The folders on the class path of this process that are no tests, of which an archive cannot be made. */
    private static List<Path> classFolders() {
        return entries().filter(Files::isDirectory).toList();
    }

    private static Stream<Path> entries() {
        return Stream.of(System.getProperty("java.class.path").split(File.pathSeparator))
                .map(Path::of)
                .filter(p -> !p.endsWith("test-classes"));
    }

    private static List<String> options() {
        try {
            Files.createDirectories(FOLDER);
            try (FileChannel file = FileChannel.open(
                            FOLDER.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                    FileLock alone = file.lock()) {
                if (alone.isValid() && isOutOfDate()) {
                    make();
                }
            }
            return with("-XX:SharedArchiveFile=" + ARCHIVE);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<String> with(String archive) {
        List<String> paths = entries()
                .map(p -> (CLASSES.contains(p) ? jarOf(p) : p).toString())
                .toList();
        return List.of(
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-Djava.awt.headless=true",
                "-Xlog:cds*=off",
                "-Xshare:auto",
                archive,
                "-cp",
                String.join(File.pathSeparator, paths));
    }

    private static Path jarOf(Path classes) {
        return FOLDER.resolve(CLASSES.indexOf(classes) + ".jar");
    }

    /** A jar that has changed makes the archive useless, too. */
    private static boolean isOutOfDate() throws IOException {
        if (!Files.exists(ARCHIVE)) {
            return true;
        }
        long made = ARCHIVE.toFile().lastModified();
        for (Path entry : entries().toList()) {
            try (Stream<Path> files = Files.walk(entry)) {
                if (files.anyMatch(f -> f.toFile().lastModified() > made)) {
                    return true;
                }
            }
        }
        return false;
    }

    private static void make() throws IOException {
        ToolProvider jar = ToolProvider.findFirst("jar").orElseThrow();
        for (Path classes : CLASSES) {
            jar.run(System.out, System.err, "-cf", jarOf(classes).toString(), "-C", classes.toString(), ".");
        }
        List<String> command = new ArrayList<>(List.of(java()));
        command.addAll(with("-XX:ArchiveClassesAtExit=" + ARCHIVE));
        command.addAll(List.of("-Dspring.context.exit=onRefresh", TaxonApplication.class.getName()));
        command.addAll(TaxonServer.arguments(TaxonServer.newStore(), TaxonServer.newNetwork()));
        Process process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(Redirect.DISCARD)
                .start();
        try {
            if (!process.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                process.destroyForcibly();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new AssertionError(e);
        }
    }

    static String java() {
        return Path.of(System.getProperty("java.home"), "bin", "java").toString();
    }
}
