package taxon.app.testing;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.app.TaxonApplication;

/** Taxon as a process of its own: with other settings of the machine, to be killed, or to be refused. */
public final class TaxonProcess implements AutoCloseable {
    private static final Pattern READY = Pattern.compile("Taxon is ready: (http://127.0.0.1:\\d+)/.*");
    private static final int PATIENCE_SECONDS = 120;

    private final Process process;
    private final Path out;

    private TaxonProcess(Process process, Path out) {
        this.process = process;
        this.out = out;
    }

    /** A server on a store, on a free port. */
    public static TaxonProcess on(Path data, String... more) {
        return serve(List.of(), List.of(), data, more);
    }

    /**
     * A server with settings of its machine.
     *
     * @param before what the command is run by, as {@code bash -c}
     * @param machine options of the Java machine
     */
    public static TaxonProcess serve(List<String> before, List<String> machine, Path data, String... more) {
        List<String> arguments = new ArrayList<>(TaxonServer.arguments(data, TaxonServer.newNetwork()));
        arguments.addAll(List.of(more));
        return start(before, machine, arguments);
    }

    /** Any command of the application's main class. */
    public static TaxonProcess start(List<String> before, List<String> machine, List<String> arguments) {
        List<String> command = new ArrayList<>(before);
        command.add(QuickStart.java());
        command.addAll(QuickStart.OPTIONS);
        command.addAll(machine);
        command.add(TaxonApplication.class.getName());
        command.addAll(arguments);
        try {
            Path out = Files.createTempFile("taxon", ".out");
            Process process = new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(out.toFile())
                    .start();
            return new TaxonProcess(process, out);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    /** Waits until it serves. */
    public String url() {
        Wait.until(
                "Taxon was not ready in time: " + out,
                () -> !process.isAlive() || READY.matcher(output()).find());
        Matcher ready = READY.matcher(output());
        if (!ready.find()) {
            throw new AssertionError("Taxon ended before it was ready: " + output());
        }
        return ready.group(1);
    }

    public Http http() {
        return new Http(url());
    }

    public long pid() {
        return process.pid();
    }

    /** Waits for its end and gives the exit status. */
    public int status() {
        try {
            if (!process.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                throw new AssertionError("still running: " + output());
            }
            return process.exitValue();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new AssertionError(e);
        }
    }

    /** All that it has said so far. */
    public String output() {
        try {
            return Files.readString(out, StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    /** SIGKILL. */
    public void kill() {
        process.destroyForcibly();
        status();
    }

    @Override
    public void close() {
        process.destroy();
        status();
    }
}
