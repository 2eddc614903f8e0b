package taxon.app.testing;

import java.util.Locale;
import java.util.function.DoubleSupplier;
import java.util.stream.IntStream;

/** Measures several times and prints a line: the middle, the least and the most, in milliseconds. */
public final class Figures {
    private static final int RUNS = 15;
    private static final double NANOS_PER_MS = 1e6;

    private Figures() {}

    /** The head of a table. */
    public static void head(String what) {
        System.out.printf(Locale.ROOT, "%n%-52s %8s %8s %8s%n", what + ", ms", "median", "min", "max");
    }

    /** A line of it; the first run warms up and is not counted. */
    public static void measure(String what, DoubleSupplier once) {
        double[] all = IntStream.rangeClosed(0, RUNS)
                .mapToDouble(i -> once.getAsDouble())
                .skip(1)
                .sorted()
                .toArray();
        System.out.printf(
                Locale.ROOT, "%-52s %8.0f %8.0f %8.0f%n", what, all[all.length / 2], all[0], all[all.length - 1]);
    }

    /** How long something takes, in milliseconds. */
    public static double timed(Runnable work) {
        long begun = System.nanoTime();
        work.run();
        return (System.nanoTime() - begun) / NANOS_PER_MS;
    }
}
