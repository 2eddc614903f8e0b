package taxon.app.testing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** What a Java process of this machine (Linux) takes: processor time by the names of its threads, and heap in use. */
public record ProcessUsage(long pid) {
    private static final double TICKS_A_SECOND = 100;
    /** The system keeps this much of a thread's name. */
    private static final int LONGEST_NAME = 15;

    private static final Pattern AFTER = Pattern.compile("->(\\d+)M\\(");

    /** Of all threads whose name begins so, since the process began. */
    public double cpuSeconds(String thread) {
        String name = thread.substring(0, Math.min(LONGEST_NAME, thread.length()));
        try (Stream<Path> tasks = Files.list(Path.of("/proc", Long.toString(pid), "task"))) {
            return tasks.mapToDouble(t -> seconds(t, name)).sum();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private static double seconds(Path task, String name) {
        try {
            String stat = Files.readString(task.resolve("stat"));
            int open = stat.indexOf('(');
            int close = stat.lastIndexOf(')');
            if (!stat.substring(open + 1, close).startsWith(name)) {
                return 0;
            }
            String[] fields = stat.substring(close + 2).split(" ");
            // Times in user and system mode are fields 14 and 15 of proc(5); the third is the first after the name.
            return (Long.parseLong(fields[11]) + Long.parseLong(fields[12])) / TICKS_A_SECOND;
        } catch (IOException ended) {
            // A thread that ended meanwhile takes nothing any more.
            return 0;
        }
    }

    /**
     * What was alive after a collection, in MiB: the least of all that its log tells of since it was read last. To ask the process itself
     * would stop it for a moment.
     *
     * @param log as {@code -Xlog:gc:file=…} writes it
     * @param from how many lines were read before
     */
    public static int aliveSince(Path log, int from) {
        try (Stream<String> lines = Files.lines(log)) {
            return lines.skip(from)
                    .map(AFTER::matcher)
                    .filter(Matcher::find)
                    .mapToInt(m -> Integer.parseInt(m.group(1)))
                    .min()
                    .orElse(0);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    /** How many lines a log has. */
    public static int lines(Path log) {
        try (Stream<String> lines = Files.lines(log)) {
            return (int) lines.count();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }
}
